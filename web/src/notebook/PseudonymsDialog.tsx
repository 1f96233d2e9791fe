import { Button, Checkbox, Input, Modal } from 'antd';
import { useState } from 'react';
import { ownValue } from '@green-thicket/core/base/records';
import { counted } from '@green-thicket/core/base/wording';
import { LONGEST } from '@green-thicket/core/study/limits';
import { pseudonymFault, type LikeName } from '@green-thicket/core/study/pseudonyms';
import { useView } from '../engine/use-view.ts';
import { useReturnFocus } from '../pieces/use-return-focus.ts';
import { useStudy } from '../pieces/study-context.ts';
import styles from './ReportDialog.module.css';

/** Names drawn at a time; those with a pseudonym come first. */
const FIRST_NAMES = 100;

/** What names are called in whatever leaves the study: each name that is found, with a place for its pseudonym. */
export function PseudonymsDialog({ onClose }: { onClose: () => void }) {
  useReturnFocus();
  const { state } = useStudy();
  const { data } = useView('names', null);
  const { data: toCheck } = useView('namesToCheck', null);
  const [filter, setFilter] = useState('');
  const [limit, setLimit] = useState(FIRST_NAMES);
  const [another, setAnother] = useState('');
  const { pseudonyms } = state;
  const found = new Map((data?.rows ?? []).map((row) => [row.name, row]));
  const names = [
    ...Object.keys(pseudonyms),
    ...[...found.keys()].filter((name) => ownValue(pseudonyms, name) === undefined),
  ].filter((name) => name.toLowerCase().includes(filter.trim().toLowerCase()));
  return (
    <Modal open title="Pseudonyms" width={620} footer={null} onCancel={onClose}>
      <div className="stack">
        <p className="quiet">
          What leaves the study – reports, passages, tables, pictures, files for other programs – has the
          pseudonym in square brackets in place of the name, in source names too. The list stays in the study
          and goes into its .thicket file, never into a report. A name is found however it is written: in
          small letters, with an ending, broken over lines, in an address. A shorter form of it is a name of
          its own here.
        </p>
        <Input
          size="small"
          allowClear
          aria-label="Find a name"
          placeholder={data ? `Find among ${counted(names.length, 'name')}` : 'Looking for names …'}
          value={filter}
          onChange={(event) => setFilter(event.target.value)}
        />
        <div className={styles.nameList}>
          <table className={styles.names}>
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Said</th>
                <th scope="col">Pseudonym</th>
              </tr>
            </thead>
            <tbody>
              {names.slice(0, limit).map((name) => {
                const row = found.get(name);
                const said =
                  row === undefined
                    ? ''
                    : row.as === 'speaker'
                      ? `speaks, ${counted(row.mentions, 'turn')}`
                      : `${counted(row.mentions, 'time')}, ${counted(row.sources, 'source')}`;
                return (
                  <tr key={name}>
                    <th scope="row">{name}</th>
                    <td className="quiet">{said}</td>
                    <td>
                      <Pseudonym name={name} />
                      <SmallLetters name={name} times={ownValue(toCheck?.small ?? {}, name) ?? 0} />
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        </div>
        {names.length > limit && (
          <Button size="small" onClick={() => setLimit(limit + FIRST_NAMES)}>
            Show more names
          </Button>
        )}
        <div className="control-row">
          <Input
            size="small"
            aria-label="Another name"
            placeholder="Another name, as it is written"
            value={another}
            maxLength={LONGEST.name}
            onChange={(event) => setAnother(event.target.value)}
          />
          <Pseudonym key={another} name={another.trim()} onSet={() => setAnother('')} />
        </div>
        {toCheck && toCheck.alike.length > 0 && <Alike alike={toCheck.alike} />}
      </div>
    </Modal>
  );
}

/** Whether a name that stands in the texts in small letters too is a name there. */
function SmallLetters({ name, times }: { name: string; times: number }) {
  const { state, decide } = useStudy();
  const onlyCapital = state.capitalNames.includes(name);
  if (ownValue(state.pseudonyms, name) === undefined || (times === 0 && !onlyCapital)) return null;
  return (
    <Checkbox
      className="quiet"
      checked={!onlyCapital}
      onChange={({ target }) =>
        decide({
          kind: 'setPseudonyms',
          change: {},
          capital: Object.fromEntries([[name, !target.checked]]),
        })
      }
    >
      also “{name.toLowerCase()}” in small letters, {counted(times, 'time')}
    </Checkbox>
  );
}

/** What looks like a listed name and is not changed. */
function Alike({ alike }: { alike: readonly LikeName[] }) {
  return (
    <section aria-label="Like a listed name">
      <h3 className="pane-title">Like a listed name, and not changed</h3>
      <p className="quiet">
        One letter another, a part of a name, initials. What names somebody gets a pseudonym of its own.
      </p>
      <ul className={styles.alike}>
        {alike.map(({ text, times, name }) => (
          <li key={text}>
            {text} <span className="quiet">{`${counted(times, 'time')}, like ${name}`}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Pseudonym({ name, onSet }: { name: string; onSet?: () => void }) {
  const { state, decide } = useStudy();
  const known = ownValue(state.pseudonyms, name) ?? '';
  const [typed, setTyped] = useState<string>();
  const [fault, setFault] = useState<string>();
  const keep = (): void => {
    const next = (typed ?? known).trim();
    if (next === known) {
      setTyped(undefined);
      setFault(undefined);
      return;
    }
    const wrong = pseudonymFault(name, next, state.pseudonyms);
    setFault(wrong);
    if (wrong !== undefined) return;
    decide({ kind: 'setPseudonyms', change: Object.fromEntries([[name, next]]) });
    setTyped(undefined);
    onSet?.();
  };
  return (
    <>
      <Input
        size="small"
        aria-label={`Pseudonym of ${name === '' ? 'another name' : name}`}
        status={fault === undefined ? '' : 'error'}
        value={typed ?? known}
        maxLength={LONGEST.name}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onPressEnter={keep}
      />
      {fault !== undefined && (
        <span role="alert" className={styles.nameFault}>
          {fault}
        </span>
      )}
    </>
  );
}
