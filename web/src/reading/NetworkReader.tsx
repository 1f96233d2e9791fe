import { Button, Input } from 'antd';
import { counted, listed, weightText } from '@green-thicket/core/base/wording';
import type { Selection } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { Select } from '../pieces/Select.tsx';
import { whyNowhere } from '../pieces/never-show.ts';
import { useSelection } from '../pieces/selection.ts';
import { useStudy } from '../pieces/study-context.ts';
import { ThemeLetter } from '../pieces/ThemeLetter.tsx';
import { useLetters } from '../pieces/use-letters.ts';
import styles from './Reader.module.css';
import shared from './reading.module.css';

const MOST_LISTED = 300;

/** The Reader of a network without texts: the links behind whatever is selected, as there are no passages. */
export function NetworkReader({ selection }: { selection: Selection | null }) {
  const { select } = useSelection();
  return (
    <aside className={styles.reader} aria-label="Reader">
      {selection && (
        <Button
          size="small"
          type="text"
          className={styles.closeLinks}
          aria-label="Close the links"
          onClick={() => select(null)}
        >
          ✕
        </Button>
      )}
      {selection?.kind === 'concept' && <OfConcept key={selection.key} conceptKey={selection.key} />}
      {selection?.kind === 'link' && <OfLink keys={selection.keys} />}
      {selection?.kind === 'theme' && <OfTheme letter={selection.letter} />}
      {!selection && (
        <div className={shared.readerEmpty}>
          <h2 className="pane-title">Reader</h2>
          <p>
            This study is a network without texts. Pick a concept, a link or a theme, and its links stand here
            in place of passages.
          </p>
        </div>
      )}
    </aside>
  );
}

/** Concepts with what ties them to what is read; each is a way on. */
function Ties({
  rows,
}: {
  rows: readonly { readonly key: string; readonly label: string; readonly weight: number }[];
}) {
  const { select } = useSelection();
  const letterOf = useLetters(useView('themes', null).data);
  return (
    <ul className="plain-list" aria-label="Links">
      {rows.map(({ key, label, weight }) => (
        <li key={key}>
          <button type="button" className="row-button" onClick={() => select({ kind: 'concept', key })}>
            <span className="row-name">
              <ThemeLetter letter={letterOf.get(key) ?? ''} /> {label}
            </span>
            <span className="row-figure">{weightText(weight)}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function OfConcept({ conceptKey: key }: { conceptKey: string }) {
  const { state, decide } = useStudy();
  const { select } = useSelection();
  const { data } = useView('links', { concept: key, limit: MOST_LISTED });
  const nodes = useView('nodes', null).data;
  const own = nodes?.rows.find((row) => row.key === key);
  if (!data || !nodes) return <p className={shared.readerEmpty}>Finding its links …</p>;
  if (!own) return <p>{whyNowhere(state, key) ?? 'It is not in the network.'}</p>;
  const variants = Object.entries(state.merges).flatMap(([variant, into]) => (into === key ? [variant] : []));
  return (
    <>
      <h2 className="pane-title">{own.label}</h2>
      <p className="quiet">
        {own.status === 'taken'
          ? `${counted(own.links, 'link')} with a weight of ${weightText(own.weight)} together, the strongest first.`
          : own.status === 'dropped'
            ? 'Dropped: nothing is linked to it. Concepts has it back.'
            : 'Its links are too weak to be among those that are worked with.'}
      </p>
      {own.status === 'taken' && (
        <div className="stack">
          <Input
            key={own.label}
            size="small"
            aria-label={`Name of ${own.label}`}
            title="Its name; an empty one brings back that of the file"
            defaultValue={own.label}
            onPressEnter={(event) => event.currentTarget.blur()}
            onBlur={(event) => {
              const label = event.target.value.trim();
              if (label !== own.label) decide({ kind: 'renameConcept', key, label });
            }}
          />
          <Select
            showSearch
            size="small"
            className="wide"
            aria-label="Counts for"
            placeholder="is the same as …"
            value={undefined}
            options={nodes?.rows
              .filter((row) => row.status === 'taken' && row.key !== key)
              .map((row) => ({ value: row.key, label: row.label }))}
            optionFilterProp="label"
            onChange={(into: string) => {
              decide({ kind: 'mergeConcepts', into, keys: [key] });
              select({ kind: 'concept', key: into });
            }}
          />
          {variants.length > 0 && (
            <p className="quiet">
              With {listed(variants)}.{' '}
              <button
                type="button"
                className="linklike"
                onClick={() => decide({ kind: 'splitConcept', key })}
              >
                Part them
              </button>
            </p>
          )}
          <Button size="small" onClick={() => decide({ kind: 'dropConcepts', keys: [key] })}>
            Drop
          </Button>
        </div>
      )}
      <Ties
        rows={data.rows.map(({ target, targetLabel, strength }) => ({
          key: target,
          label: targetLabel,
          weight: strength,
        }))}
      />
    </>
  );
}

function OfLink({ keys: [first, second] }: { keys: readonly [string, string] }) {
  const { data } = useView('links', { concept: first, limit: MOST_LISTED });
  const nodes = useView('nodes', null).data;
  if (!data || !nodes) return <p className={shared.readerEmpty}>Finding the link …</p>;
  const row = data.rows.find(({ target }) => target === second);
  const rowOf = (key: string) => nodes.rows.find((each) => each.key === key);
  return (
    <>
      <h2 className="pane-title">{listed([first, second].map((key) => rowOf(key)?.label ?? key))}</h2>
      <p className="quiet">
        {row ? `Linked with the weight ${weightText(row.strength)}.` : 'No link joins them.'} There are no
        passages in which they meet: a network holds none.
      </p>
      <Ties
        rows={[first, second].flatMap((key) => {
          const own = rowOf(key);
          return own ? [{ key, label: own.label, weight: own.weight }] : [];
        })}
      />
    </>
  );
}

function OfTheme({ letter }: { letter: string }) {
  const { data } = useView('themes', null);
  const nodes = useView('nodes', null).data;
  const theme = data?.themes.find((each) => each.letter === letter);
  if (!theme || !nodes) return <p className={shared.readerEmpty}>This theme is no longer there.</p>;
  const weightOf = new Map(nodes.rows.map(({ key, weight }) => [key, weight]));
  return (
    <>
      <h2 className="pane-title">
        <ThemeLetter letter={letter} /> {theme.label}
      </h2>
      {theme.note !== '' && <p>{theme.note}</p>}
      <p className="quiet">
        {counted(theme.concepts.length, 'concept')}, each with the weight of all its links.
      </p>
      <Ties rows={theme.concepts.map(({ key, label }) => ({ key, label, weight: weightOf.get(key) ?? 0 }))} />
    </>
  );
}
