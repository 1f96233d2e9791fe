import { useMemo } from 'react';
import { inFigures, weightText } from '@green-thicket/core/base/wording';
import type { NodeRow } from '@green-thicket/core/views/links/network-views';
import { useView } from '../../engine/use-view.ts';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { decisionByKey, KEYS_SAID } from '../../pieces/key-decisions.ts';
import { isNeverShown, showAgain } from '../../pieces/never-show.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import { FirstNote } from '../../pieces/FirstNote.tsx';

const STATUS_WORDS: Readonly<Record<NodeRow['status'], string>> = {
  taken: '',
  dropped: 'dropped',
  weak: 'weak',
};

/** The concepts of a network without texts: each with its links, those that were dropped to be had back. */
export function Nodes() {
  const { state, decide } = useStudy();
  const { select } = useSelection();
  const { data, isPlaceholderData } = useView('nodes', null);
  const columns = useMemo(
    (): FigureColumn<NodeRow>[] => [
      {
        key: 'concept',
        title: 'Concept',
        width: 200,
        value: (row) => row.label,
        render: (row) => (
          <button
            type="button"
            className="linklike"
            title={`See its links. ${KEYS_SAID}`}
            onClick={() => select({ kind: 'concept', key: row.key })}
            onKeyDown={(event) => {
              const decision = decisionByKey(event, row.key);
              if (decision) decide(decision);
            }}
          >
            <ThemeLetter letter={row.letter} /> {row.label}
          </button>
        ),
      },
      {
        key: 'links',
        title: 'Links',
        hint: 'Concepts it is linked to',
        width: 90,
        value: (row) => row.links,
      },
      {
        key: 'weight',
        title: 'Weight',
        hint: 'The weights of its links, summed',
        width: 110,
        value: (row) => row.weight,
        render: (row) => weightText(row.weight),
      },
      {
        key: 'status',
        title: 'Left out',
        width: 110,
        value: (row) => STATUS_WORDS[row.status],
        render: (row) =>
          row.status === 'dropped' ? (
            <button
              type="button"
              className="linklike"
              onClick={() =>
                decide(
                  isNeverShown(state, row.key)
                    ? showAgain(state, row.key)
                    : { kind: 'leaveConcepts', keys: [row.key] },
                )
              }
            >
              Take back
            </button>
          ) : (
            STATUS_WORDS[row.status]
          ),
      },
    ],
    [state, decide, select],
  );
  return (
    <>
      <section className="ledger" aria-label="Words">
        <FirstNote of="list" />
        <h2 className="pane-title">Concepts of the network</h2>
        <p className="quiet">
          Its nodes, those with the strongest links first. Pick one to see what it is linked to; drop what is
          none.
        </p>
        {data && (
          <p className="quiet">
            {inFigures(data.rows.filter(({ status }) => status === 'taken').length)} of{' '}
            {inFigures(data.rows.length)} are worked with.
          </p>
        )}
      </section>
      <main className="centre" aria-label="Concepts">
        <FirstNote of="centre" />
        <div className={isPlaceholderData ? 'centre-body stacked dimmed' : 'centre-body stacked'}>
          {data && (
            <FigureTable label="Concepts" rows={data.rows} rowKey={({ key }) => key} columns={columns} />
          )}
        </div>
      </main>
    </>
  );
}
