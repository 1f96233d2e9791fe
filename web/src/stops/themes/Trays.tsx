import { Button, Modal, Select, Switch } from 'antd';
import { useState } from 'react';
import type { ThemesView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { Coverage } from './Coverage.tsx';
import { MoveMenu } from './ConceptInTheme.tsx';
import { DropPlace } from './DropPlace.tsx';
import { begin, drag, setAside } from './theme-decisions.ts';
import styles from './ThemesStop.module.css';

/** What is in no theme, what was set aside, and where a new theme begins. */
export function Trays({ data }: { data: ThemesView }) {
  const { decide } = useStudy();
  const { select } = useSelection();
  const network = useNetwork();
  const [isBeginning, setBeginning] = useState(false);
  return (
    <footer className={styles.trays}>
      <DropPlace
        label="In no theme"
        className={styles.tray}
        onDropped={(what) => {
          if (what.kind === 'concept') decide({ kind: 'placeConcepts', keys: [what.key], letter: '' });
        }}
      >
        {/* First, as a decision that is not followed must not be missed below many words. */}
        {data.astray.map(({ key, label, letter }) => (
          <span key={key} className={styles.astray}>
            {label} was to be in {letter}, which is gone
          </span>
        ))}
        <b>In no theme</b>
        {data.loose.length === 0 && <span className="quiet">every concept is in one</span>}
        {data.loose.map((concept) => (
          <span key={concept.key} className={styles.trayWord}>
            <button
              type="button"
              draggable
              className="linklike"
              title={concept.placed ? 'Taken out by you' : undefined}
              onDragStart={(event) =>
                drag(event.dataTransfer, { kind: 'concept', key: concept.key }, concept.label)
              }
              onClick={() => select({ kind: 'concept', key: concept.key })}
            >
              {concept.label}
            </button>
            <MoveMenu concept={{ ...concept, foundIn: '' }} letter="" data={data} />
          </span>
        ))}
      </DropPlace>
      {data.perhaps.length > 0 && <Perhaps data={data} />}
      {!network && <Coverage />}
      <DropPlace
        label="Set aside"
        className={styles.tray}
        onDropped={(what) => {
          const theme = what.kind === 'theme' && data.themes.find(({ letter }) => letter === what.letter);
          if (theme) decide(setAside(theme));
          else if (what.kind === 'concept') decide({ kind: 'placeConcepts', keys: [what.key], letter: '' });
        }}
      >
        <b>Set aside</b>
        {data.aside.length === 0 && <span className="quiet">drop a theme that is noise here</span>}
        {data.aside.map(({ letter, name, concepts }) => (
          <span key={letter} className={styles.trayWord}>
            {letter} {name} <span className="quiet">{concepts.length}</span>{' '}
            <Button
              size="small"
              aria-label={`Take theme ${letter} back`}
              onClick={() => decide({ kind: 'takeThemeBack', letter })}
            >
              Take back
            </Button>
          </span>
        ))}
      </DropPlace>
      <DropPlace
        label="New theme"
        className={styles.tray}
        onDropped={(what) => {
          if (what.kind === 'concept') decide(begin(data, [what.key], true));
        }}
      >
        <b>New theme</b>
        <span className="quiet">drop a word here, or</span>
        <Button size="small" onClick={() => setBeginning(true)}>
          Words of your own
        </Button>
      </DropPlace>
      {isBeginning && <BeginTheme data={data} onClose={() => setBeginning(false)} />}
    </footer>
  );
}

/** Groups that hold together on unsure pairs alone: to be read, or begun as themes by who sees one in them. */
function Perhaps({ data }: { data: ThemesView }) {
  const { decide } = useStudy();
  const { select } = useSelection();
  return (
    <section className={styles.tray} aria-label="Perhaps">
      <b title="They hold together only on pairs that chance may explain: nothing is claimed of them">
        Perhaps
      </b>
      {data.perhaps.map((group) => {
        const words = group.map(({ label }) => label).join(', ');
        return (
          <span key={words} className={styles.trayWord}>
            <button
              type="button"
              className="linklike"
              onClick={() => select({ kind: 'several', keys: group.map(({ key }) => key), how: 'any' })}
            >
              {words}
            </button>
            <Button
              size="small"
              aria-label={`Begin a theme with ${words}`}
              onClick={() =>
                decide(
                  begin(
                    data,
                    group.map(({ key }) => key),
                    true,
                  ),
                )
              }
            >
              Begin
            </Button>
          </span>
        );
      })}
    </section>
  );
}

/** Begins a theme with some words, kept or not so far; others may join them. */
function BeginTheme({ data, onClose }: { data: ThemesView; onClose: () => void }) {
  const { decide } = useStudy();
  const network = useNetwork();
  const words = useView('concepts', null).data;
  const nodes = useView('nodes', null, network !== null).data;
  const [keys, setKeys] = useState<string[]>([]);
  const [grows, setGrows] = useState(true);
  return (
    <Modal
      open
      title="Begin a theme with words of your own"
      okText={`Begin theme ${data.nextLetter}`}
      okButtonProps={{ disabled: keys.length === 0 }}
      onOk={() => {
        decide(begin(data, keys, grows));
        onClose();
      }}
      onCancel={onClose}
    >
      <div className="stack">
        <Select
          autoFocus
          mode="multiple"
          className="wide"
          aria-label="Words of the theme"
          placeholder={network ? 'Concepts of the network' : 'Words and phrases found in the texts'}
          value={keys}
          options={(network ? nodes : words)?.rows.map(({ key, label }) => ({ value: key, label }))}
          optionFilterProp="label"
          onChange={setKeys}
        />
        <label className="control-row">
          <Switch checked={grows} aria-label="Let others join" onChange={setGrows} />
          let concepts that keep their company join; else the theme is just these words
        </label>
      </div>
    </Modal>
  );
}
