import { Checkbox } from 'antd';
import { useMemo, useState } from 'react';
import { inFigures } from '@green-thicket/core/base/wording';
import { NAME_KINDS, type NameKind } from '@green-thicket/core/concepts/name-clues';
import { NAME_KIND_TEXTS, nameClueText } from '@green-thicket/core/words/name-clues';
import type { NameKindsView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { useSelection } from '../../pieces/selection.ts';
import { Select } from '../../pieces/Select.tsx';
import { NameKindSelect } from './NameKindChoice.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import { useRows } from '../../pieces/use-rows.ts';
import styles from './NameKinds.module.css';
import shared from './concepts.module.css';

type NameRowData = NameKindsView['rows'][number];

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
  const { data, isPlaceholderData } = useView('nameKinds', null);
  const [shown, setShown] = useState<NameKind>('person');
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const all = data?.rows;
  const rows = useMemo(() => (all ?? []).filter(({ kind }) => kind === shown), [all, shown]);
  const { scroller, virtual } = useRows(rows.length, ROW);
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
  return (
    <>
      <Kinds all={all} shown={shown} onShow={show} dimmed={isPlaceholderData} />
      <p className="quiet">
        Told by their words and by what stands round them.{' '}
        <HowFound page="concepts" heading="What names are of" />
      </p>
      {rows.length > 0 && <Bulk names={rows.map(({ name }) => name)} ticked={ticked} onTick={setTicked} />}
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
            return (
              <NameRow
                key={row.name}
                row={row}
                top={start}
                ticked={ticked.has(row.name)}
                onTick={(on) => tick(row.name, on)}
              />
            );
          })}
        </ul>
      </div>
    </>
  );
}

/** How many names there are of each kind, which is shown, and whether the kind may be concepts. */
function Kinds({
  all,
  shown,
  onShow,
  dimmed,
}: {
  all: readonly NameRowData[] | undefined;
  shown: NameKind;
  onShow: (kind: NameKind) => void;
  dimmed: boolean;
}) {
  const { state, decide } = useStudy();
  const { nameKinds, names: mayBe } = state.settings.concepts;
  return (
    <ul className={`plain-list ${styles.nameKinds}${dimmed ? ' dimmed' : ''}`}>
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
            onClick={() => onShow(kind)}
          >
            {TITLES[kind]}
          </button>{' '}
          <span className="quiet">
            {all ? inFigures(all.filter((row) => row.kind === kind).length) : '…'}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Ticks all names that are shown, and takes those that are ticked for another kind. */
function Bulk({
  names,
  ticked,
  onTick,
}: {
  names: readonly string[];
  ticked: ReadonlySet<string>;
  onTick: (ticked: ReadonlySet<string>) => void;
}) {
  const { decide } = useStudy();
  const chosen = names.filter((name) => ticked.has(name));
  return (
    <div className={styles.nameBulk}>
      <Checkbox
        checked={chosen.length === names.length}
        indeterminate={chosen.length > 0 && chosen.length < names.length}
        onChange={(event) => onTick(new Set(event.target.checked ? names : []))}
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
            onTick(new Set());
          }}
        />
      )}
    </div>
  );
}

/** A name with what it was taken for, and why. */
function NameRow({
  row,
  top,
  ticked,
  onTick,
}: {
  row: NameRowData;
  top: number;
  ticked: boolean;
  onTick: (on: boolean) => void;
}) {
  const { state } = useStudy();
  const { select } = useSelection();
  const { name } = row;
  const why = Object.hasOwn(state.nameKinds, name) ? 'by you' : nameClueText(row);
  return (
    <li className={styles.nameRow} style={{ transform: `translateY(${top}px)` }}>
      <Checkbox
        checked={ticked}
        aria-label={`Tick ${name}`}
        onChange={(event) => onTick(event.target.checked)}
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
}
