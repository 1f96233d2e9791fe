import { Input, Segmented } from 'antd';
import { useMemo } from 'react';
import { counted, percent } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { ConceptLists } from './ConceptLists.tsx';
import styles from './ConceptsLedger.module.css';
import { useConceptsLook, type ConceptsLook } from './concepts-look.tsx';
import type { FiguredRow } from './figures.ts';
import { LanguageNotes } from './LanguageNotes.tsx';
import { MergeSuggestions } from './MergeSuggestions.tsx';
import { WordKinds } from './WordKinds.tsx';
import { LEDGER_ORDERS, LEDGER_SORTS, WordLedger } from './WordLedger.tsx';
import { FirstNote } from '../../pieces/FirstNote.tsx';

/** Beside the field: the words in a list to be found in, their kinds, what might be merged, and the lists. */
export function ConceptsLedger({
  rows,
  counts,
  filter,
  onFilter,
  picked,
  onPick,
  dimmed,
}: {
  /** The words the filter leaves. */
  rows: readonly FiguredRow[];
  /** How many there are; undefined while they are looked for. */
  counts: { readonly chosen: number; readonly candidates: number } | undefined;
  filter: string;
  onFilter: (filter: string) => void;
  picked: string | undefined;
  onPick: (key: string) => void;
  dimmed: boolean;
}) {
  const { look, change } = useConceptsLook();
  const { panel, sort } = look;
  const { data: coverage } = useView('coverage', null);
  const listed = useMemo(() => LEDGER_SORTS[sort].sorted(rows), [rows, sort]);
  return (
    <section className="ledger" aria-label="Words">
      <FirstNote of="list" />
      <Segmented<ConceptsLook['panel']>
        className={styles.panels}
        size="small"
        aria-label="Words, their kinds, merges or lists"
        value={panel}
        options={[
          { value: 'words', label: 'Words' },
          { value: 'kinds', label: 'Kinds' },
          { value: 'suggestions', label: 'Merge' },
          { value: 'lists', label: 'Lists' },
        ]}
        onChange={(panel) => change({ panel })}
      />
      {panel === 'words' && (
        <>
          <Input
            allowClear
            aria-label="Find a word"
            placeholder="Find a word"
            value={filter}
            onChange={(event) => onFilter(event.target.value)}
          />
          <Select
            size="small"
            aria-label="Order of the words"
            value={sort}
            options={LEDGER_ORDERS.map((value) => ({ value, label: LEDGER_SORTS[value].label }))}
            onChange={(sort) => change({ sort })}
          />
          <p className={`quiet ${styles.ledgerCount}`}>
            {counts
              ? `${counts.chosen} kept of ${counted(counts.candidates, 'candidate')}${coverage ? `; ${percent(coverage.words, 0)} of the words` : ''}`
              : 'Finding words …'}
          </p>
          <LanguageNotes />
          <WordLedger
            rows={listed}
            picked={picked}
            onPick={onPick}
            dimmed={dimmed}
            known={counts !== undefined}
          />
        </>
      )}
      {panel === 'kinds' && <WordKinds />}
      {panel === 'suggestions' && <MergeSuggestions />}
      {panel === 'lists' && <ConceptLists />}
    </section>
  );
}
