import { useMemo, useState } from 'react';
import { median } from '@green-thicket/core/base/order';
import type { ConceptsView } from '@green-thicket/core/views/view-types';
import { rowsAsDecided, type CandidateRow } from '@green-thicket/core/concepts/candidate-rows';
import { shownSources } from '@green-thicket/core/study/subset';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { BulkChoice } from './BulkChoice.tsx';
import { ConceptCard } from './ConceptCard.tsx';
import { ConceptFigures } from './ConceptFigures.tsx';
import { ConceptsBar } from './ConceptsBar.tsx';
import { ConceptsLedger } from './ConceptsLedger.tsx';
import { useConceptsLook, type ConceptsLook } from './concepts-look.tsx';
import { ConceptMatrix } from './ConceptMatrix.tsx';
import { Nodes } from './Nodes.tsx';
import { PlainCounts } from './PlainCounts.tsx';
import { WordPairs } from './WordPairs.tsx';
import { useFiguredRows } from './use-figured-rows.ts';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { WordPicture } from './WordPicture.tsx';
import { WordField } from './WordField.tsx';
import { FirstNote } from '../../pieces/FirstNote.tsx';

/** Faces that scroll by themselves. */
const STACKED: ReadonlySet<ConceptsLook['face']> = new Set(['table', 'matrix', 'pairs', 'counts']);

/** Concepts: a field of words with the ledger beside it; what is picked can be kept, dropped, merged and renamed. */
export function ConceptsStop() {
  return useNetwork() ? <Nodes /> : <ConceptsOfTexts />;
}

function ConceptsOfTexts() {
  const { state } = useStudy();
  const { data, isPlaceholderData } = useView('concepts', null);
  useShownFigure({ kind: 'concepts' });
  const { selection, select } = useSelection();
  const [filter, setFilter] = useState('');
  const { face, group, against } = useConceptsLook().look;
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
        <main className="centre" aria-label="Concepts">
          <FirstNote of="centre" />
          <div className="empty-centre">
            <h2>No concepts yet</h2>
            <p>Add texts at Sources; the words and phrases they turn on will stand here.</p>
          </div>
        </main>
      </>
    );
  }
  return (
    <InTurn>
      <ConceptsLedger
        rows={rows}
        counts={data}
        filter={filter}
        onFilter={setFilter}
        picked={picked}
        onPick={pick}
        dimmed={isPlaceholderData}
      />
      <main className="centre" aria-label="Concepts">
        <FirstNote of="centre" />
        <ConceptsBar />
        {(face === 'table' || (face === 'field' && ticked.size > 0)) && (
          <BulkChoice rows={figured} ticked={ticked} onDone={() => setTicked(new Set())} />
        )}
        <div
          className={`centre-body${STACKED.has(face) ? ' stacked' : ''}${isPlaceholderData ? ' dimmed' : ''}`}
        >
          <Face
            data={data}
            figured={figured}
            rows={rows}
            picked={picked}
            onPick={pick}
            ticked={ticked}
            onTick={setTicked}
          />
        </div>
        {pickedRow && (
          <ConceptCard
            key={pickedRow.key}
            row={pickedRow}
            rows={figured}
            context={{
              sources: shownSources(state).length,
              middlePull,
              use: pickedRow.use,
              again: pickedRow.again,
            }}
          />
        )}
      </main>
    </InTurn>
  );
}

/** The face that is chosen. */
function Face({
  data,
  figured,
  rows,
  picked,
  onPick,
  ticked,
  onTick,
}: {
  data: ConceptsView | undefined;
  /** Every candidate. */
  figured: readonly CandidateRow[];
  /** Those the filter leaves. */
  rows: readonly CandidateRow[];
  picked: string | undefined;
  onPick: (key: string) => void;
  ticked: ReadonlySet<string>;
  onTick: (ticked: ReadonlySet<string>) => void;
}) {
  const { face, across, up, group } = useConceptsLook().look;
  if (face === 'matrix') return <ConceptMatrix />;
  if (face === 'pairs') return <WordPairs />;
  if (face === 'counts') return <PlainCounts />;
  if (!data) return null;
  const ticking = { onPick, ticked, onTick };
  if (face === 'field')
    return <WordField rows={figured} picked={picked} across={across} up={up} {...ticking} />;
  if (face === 'table') return <ConceptFigures rows={rows} group={group?.value} {...ticking} />;
  return <WordPicture kind={face} rows={data.rows} onPick={onPick} />;
}
