import { useMemo } from 'react';
import type { WordPair } from '@green-thicket/core/concepts/word-pairs';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { useView } from '../../engine/use-view.ts';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { useSelection } from '../../pieces/selection.ts';
import shared from './concepts.module.css';

const MOST_PAIRS = 5000;

const keyOf = ({ first, second }: WordPair): string => `${first} ${second}`;

/** Words that stand side by side; a pair opens the places where it does. */
export function WordPairs() {
  const { data } = useView('pairs', { limit: MOST_PAIRS });
  const { select } = useSelection();
  const columns = useMemo(
    (): FigureColumn<WordPair>[] => [
      {
        key: 'pair',
        title: 'Pair',
        width: 200,
        value: keyOf,
        render: (pair) => (
          <button
            type="button"
            className="linklike"
            title="Read its places"
            onClick={() => select({ kind: 'search', query: `"${keyOf(pair)}"` })}
          >
            {keyOf(pair)}
          </button>
        ),
      },
      {
        key: 'count',
        title: 'Together',
        hint: 'How often they stand side by side',
        width: 90,
        value: (pair) => pair.count,
      },
      {
        key: 'share',
        title: 'Of the first',
        hint: 'Of so many uses of the first word, this share goes on with the second',
        width: 100,
        value: (pair) => pair.count / pair.firstCount,
        render: (pair) => `${Math.round((100 * pair.count) / pair.firstCount)} % of ${pair.firstCount}`,
      },
      {
        key: 'back',
        title: 'Of the second',
        hint: 'Of so many uses of the second word, this share follows the first',
        width: 110,
        value: (pair) => pair.count / pair.secondCount,
        render: (pair) => `${Math.round((100 * pair.count) / pair.secondCount)} % of ${pair.secondCount}`,
      },
      {
        key: 'npmi',
        title: 'NPMI',
        hint: 'How much more they stand together than chance has it: 1 only together, 0 as chance has it',
        width: 70,
        value: (pair) => pair.npmi,
        render: (pair) => pair.npmi.toFixed(2),
      },
    ],
    [select],
  );
  if (!data) return <p className="quiet">Counting pairs …</p>;
  if (data.total === 0) return <p className="quiet">No two words stand side by side twice.</p>;
  return (
    <>
      <p className={`quiet ${shared.faceHelp}`}>
        {counted(data.total, 'pair')} met twice or more
        {data.total > data.pairs.length ? `; the first ${inFigures(data.pairs.length)} are shown` : ''}.
      </p>
      <FigureTable label="Word pairs" columns={columns} rows={data.pairs} rowKey={keyOf} />
    </>
  );
}
