import { Checkbox } from 'antd';
import { useMemo, useState } from 'react';
import { inFigures } from '@green-thicket/core/base/wording';
import { NAME_KINDS, type NameKind } from '@green-thicket/core/concepts/name-clues';
import { NAME_KIND_TEXTS, nameClueText } from '@green-thicket/core/words/name-clues';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useSelection } from '../../pieces/selection.ts';
import { Select } from '../../pieces/Select.tsx';
import { NameKindSelect } from './NameKindChoice.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import { useRows } from '../../pieces/use-rows.ts';
import styles from './NameKinds.module.css';
import shared from './concepts.module.css';

const ROW = 50;

const TITLES: Readonly<Record<NameKind, string>> = {
  person: 'People',
  place: 'Places',
  organisation: 'Organisations',
  other: 'Other names',
};

/**
 * The names of the study by what they are of, with why; a kind is left out as one, and names are put right one by one or
 * many at once.
 */
export function NameKinds() {
  const { state, decide } = useStudy();
  const { select } = useSelection();
  const { data, isPlaceholderData } = useView('nameKinds', null);
  const [shown, setShown] = useState<NameKind>('person');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const all = data?.rows;
  const rows = useMemo(() => (all ?? []).filter(({ kind }) => kind === shown), [all, shown]);
  const { scroller, virtual } = useRows(rows.length, ROW);
  const { nameKinds, names: mayBe } = state.settings.concepts;
  const show = (kind: NameKind): void => {
    setShown(kind);
    setTicked(new Set());
  };
  const tick = (name: string, on: boolean): void => {
    const next = new Set(ticked);
    if (on) next.add(name);
    else next.delete(name);
    setTicked(next);
  };
  const chosen = rows.filter(({ name }) => ticked.has(name)).map(({ name }) => name);
  return (
    <>
      <ul className={`plain-list ${styles.nameKinds}${isPlaceholderData ? ' dimmed' : ''}`}>
        {NAME_KINDS.map((kind) => (
          <li key={kind}>
            <Checkbox
              checked={mayBe && nameKinds.includes(kind)}
              disabled={!mayBe}
              aria-label={`${TITLES[kind]} may be concepts`}
              title={mayBe ? 'Whether they may be concepts' : 'Names are no concepts now: tick Names above'}
              onChange={(event) =>
                decide({
                  kind: 'setConcepts',
                  change: {
                    nameKinds: NAME_KINDS.filter((each) =>
                      each === kind ? event.target.checked : nameKinds.includes(each),
                    ),
                  },
                })
              }
            />
            <button
              type="button"
              className="linklike"
              aria-pressed={shown === kind}
              onClick={() => show(kind)}
            >
              {TITLES[kind]}
            </button>{' '}
            <span className="quiet">
              {all ? inFigures(all.filter((row) => row.kind === kind).length) : '…'}
            </span>
          </li>
        ))}
      </ul>
      <p className="quiet">
        Told by their words and by what stands round them.{' '}
        <HowFound page="concepts" heading="What names are of" />
      </p>
      {rows.length > 0 && (
        <div className={styles.nameBulk}>
          <Checkbox
            checked={chosen.length === rows.length}
            indeterminate={chosen.length > 0 && chosen.length < rows.length}
            onChange={(event) => setTicked(new Set(event.target.checked ? rows.map(({ name }) => name) : []))}
          >
            {chosen.length === 0 ? 'Tick all' : `${inFigures(chosen.length)} ticked`}
          </Checkbox>
          {chosen.length > 0 && (
            <Select<NameKind | 'found' | null>
              size="small"
              aria-label="Take the ticked names for"
              placeholder="take them for …"
              value={null}
              popupMatchSelectWidth={false}
              options={[
                ...NAME_KINDS.map((value) => ({ value, label: NAME_KIND_TEXTS[value].many })),
                { value: 'found', label: 'as they were found' },
              ]}
              onChange={(as) => {
                if (as === null) return;
                decide({ kind: 'setNameKind', names: chosen, as: as === 'found' ? null : as });
                setTicked(new Set());
              }}
            />
          )}
        </div>
      )}
      <div
        ref={scroller}
        className={shared.scrollList}
        role="group"
        aria-label={`Names taken for ${NAME_KIND_TEXTS[shown].many}`}
        tabIndex={-1}
      >
        {all && rows.length === 0 && (
          <p className="quiet">
            {all.length === 0 ? 'No name was found in these texts.' : 'No name was taken for this.'}
          </p>
        )}
        <ul className={`plain-list ${shared.ledgerRows}`} style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = rows[index];
            const { name } = row;
            const why = Object.hasOwn(state.nameKinds, name) ? 'by you' : nameClueText(row);
            return (
              <li key={name} className={styles.nameRow} style={{ transform: `translateY(${start}px)` }}>
                <Checkbox
                  checked={ticked.has(name)}
                  aria-label={`Tick ${name}`}
                  onChange={(event) => tick(name, event.target.checked)}
                />
                <button
                  type="button"
                  className={`linklike ${styles.nameItself}`}
                  title={`Read where ${name} is said`}
                  onClick={() => select({ kind: 'search', query: `"${name}"` })}
                >
                  {name}
                </button>
                <span className="row-figure">{inFigures(row.mentions)}</span>
                <NameKindSelect row={row} />
                <span className={`quiet ${styles.nameWhy}`} title={why}>
                  {why}
                </span>
              </li>
            );
          })}
        </ul>
      </div>
    </>
  );
}
