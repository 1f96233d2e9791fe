import { Input, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { median } from '@green-thicket/core/base/order';
import { rowsAsDecided } from '@green-thicket/core/concepts/candidate-rows';
import { counted } from '@green-thicket/core/base/wording';
import { workingSources } from '@green-thicket/core/study/subset';
import { useView } from '../../engine/use-view.ts';
import { GroupChoice } from '../../pieces/GroupChoice.tsx';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { AxisChoice } from './FigureChoices.tsx';
import { BulkChoice } from './BulkChoice.tsx';
import { ConceptCard } from './ConceptCard.tsx';
import { ConceptFigures } from './ConceptFigures.tsx';
import { ConceptLists } from './ConceptLists.tsx';
import { useConceptsLook, type ConceptsLook } from './concepts-look.tsx';
import { ConceptMatrix } from './ConceptMatrix.tsx';
import { PlainCounts } from './PlainCounts.tsx';
import { WordPairs } from './WordPairs.tsx';
import { MergeSuggestions } from './MergeSuggestions.tsx';
import { useFiguredRows } from './use-figured-rows.ts';
import { WordKinds } from './WordKinds.tsx';
import { WordPicture } from './WordPicture.tsx';
import { LEDGER_ORDERS, LEDGER_SORTS, WordLedger } from './WordLedger.tsx';
import { WordField } from './WordField.tsx';
import { Select } from '../../pieces/Select.tsx';

const FACE_HELP = {
  field:
    'Size: mentions. Faint words are left out. Drop a word on another to merge them; drag over empty ground to tick several; drag the dashed line to keep what is above it.',
  table: 'Every candidate with its figures. Tick some to decide on all of them at once.',
  bars: 'The kept concepts by their mentions; those with as many share a rank.',
  cloud: 'The kept concepts, the larger the more mentions.',
  matrix: 'Sources by kept concepts. A cell opens its passages.',
  pairs:
    'Words side by side, as written; a pair opens its places. Frequent pairs that belong together may be phrases.',
  counts: 'What is in each source, or in each group, once the text is clean.',
} as const;
/** Faces that scroll by themselves. */
const STACKED: ReadonlySet<ConceptsLook['face']> = new Set(['table', 'matrix', 'pairs', 'counts']);

/** Concepts: a field of words with the ledger beside it; what is picked can be kept, dropped, merged and renamed. */
export function ConceptsStop() {
  const { state } = useStudy();
  const { data, isPlaceholderData } = useView('concepts', null);
  const { selection, select } = useSelection();
  const [filter, setFilter] = useState('');
  const { look, change } = useConceptsLook();
  const { face, panel, across, up, group, against, sort } = look;
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const figured = useFiguredRows(data?.rows, group, against);
  const picked = selection?.kind === 'concept' ? selection.key : undefined;
  // The list and the card follow a decision at once; the figures follow when they are found.
  const listable = useMemo(
    () => (isPlaceholderData ? rowsAsDecided(figured, state) : figured),
    [figured, isPlaceholderData, state],
  );
  const pick = (key: string): void => select({ kind: 'concept', key });
  const rows = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    return listable.filter(
      (row) =>
        wanted === '' ||
        row.label.toLowerCase().includes(wanted) ||
        row.variants.some((variant) => variant.key.includes(wanted)),
    );
  }, [listable, filter]);
  const listed = useMemo(() => LEDGER_SORTS[sort].sorted(rows), [rows, sort]);
  const pickedRow = listable.find((row) => row.key === picked);
  const middlePull = useMemo(
    () =>
      median(figured.filter(({ status }) => status === 'chosen' || status === 'kept').map((row) => row.pull)),
    [figured],
  );
  if (state.sources.length === 0) {
    return (
      <>
        <section className="ledger" aria-label="Words" />
        <main className="stage" aria-label="Concepts">
          <div className="empty-stage">
            <h2>No concepts yet</h2>
            <p>Add texts at Sources; the words and phrases they turn on will stand here.</p>
          </div>
        </main>
      </>
    );
  }
  return (
    <InTurn>
      <section className="ledger" aria-label="Words">
        <Segmented<ConceptsLook['panel']>
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
              onChange={(event) => setFilter(event.target.value)}
            />
            <Select
              size="small"
              aria-label="Order of the words"
              value={sort}
              options={LEDGER_ORDERS.map((value) => ({ value, label: LEDGER_SORTS[value].label }))}
              onChange={(sort) => change({ sort })}
            />
            <p className="quiet ledger-count">
              {data ? `${data.chosen} kept of ${counted(data.candidates, 'candidate')}` : 'Finding words …'}
            </p>
            <WordLedger
              rows={listed}
              picked={picked}
              onPick={pick}
              dimmed={isPlaceholderData}
              known={data !== undefined}
            />
          </>
        )}
        {panel === 'kinds' && <WordKinds />}
        {panel === 'suggestions' && <MergeSuggestions />}
        {panel === 'lists' && <ConceptLists />}
      </section>
      <main className="stage" aria-label="Concepts">
        <div className="stage-bar">
          <Segmented<ConceptsLook['face']>
            aria-label="Face"
            value={face}
            options={[
              { value: 'field', label: 'Field' },
              { value: 'table', label: 'Table' },
              { value: 'bars', label: 'Bars' },
              { value: 'cloud', label: 'Cloud' },
              { value: 'matrix', label: 'Matrix' },
              { value: 'pairs', label: 'Pairs' },
              { value: 'counts', label: 'Counts' },
            ]}
            onChange={(face) => change({ face })}
          />
        </div>
        {(face === 'field' || face === 'table') && (
          <div className="stage-bar">
            {face === 'field' && (
              <>
                <AxisChoice label="Across" value={across} onChange={(across) => change({ across })} />
                <AxisChoice label="Up" value={up} onChange={(up) => change({ up })} />
              </>
            )}

            <GroupChoice
              group={group}
              label="Distinctive of a group"
              placeholder="Distinct of …"
              title="What sets one group apart from the rest"
              onChoose={(next) => change({ group: next, against: undefined })}
            />
            {group && (
              <GroupChoice
                group={against}
                label="Against a group"
                placeholder="against the rest"
                title="What it is set against: another group, or all the rest"
                onChoose={(next) => change({ against: next })}
              />
            )}
          </div>
        )}
        <p className="quiet face-help">{FACE_HELP[face]}</p>
        {(face === 'table' || (face === 'field' && ticked.size > 0)) && (
          <BulkChoice rows={figured} ticked={ticked} onDone={() => setTicked(new Set())} />
        )}
        <div
          className={`stage-body${STACKED.has(face) ? ' stacked' : ''}${isPlaceholderData ? ' dimmed' : ''}`}
        >
          {data && face === 'field' && (
            <WordField
              rows={figured}
              picked={picked}
              onPick={pick}
              across={across}
              up={up}
              ticked={ticked}
              onTick={setTicked}
            />
          )}
          {data && face === 'table' && (
            <ConceptFigures
              rows={rows}
              onPick={pick}
              ticked={ticked}
              onTick={setTicked}
              group={group?.value}
            />
          )}
          {face === 'matrix' && <ConceptMatrix />}
          {face === 'pairs' && <WordPairs />}
          {face === 'counts' && <PlainCounts />}
          {data && (face === 'bars' || face === 'cloud') && (
            <WordPicture kind={face} rows={data.rows} onPick={pick} />
          )}
        </div>
        {pickedRow && (
          <ConceptCard
            key={pickedRow.key}
            row={pickedRow}
            rows={figured}
            context={{ sources: workingSources(state).length, middlePull, use: pickedRow.use }}
          />
        )}
      </main>
    </InTurn>
  );
}
