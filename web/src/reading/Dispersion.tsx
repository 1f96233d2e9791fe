import { Button } from 'antd';
import { useState } from 'react';
import { DRAWN, inkOf } from '../pieces/drawn-colours.ts';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { inShownOrder, shownRanks, workingSources } from '@green-thicket/core/study/subset';
import type { DispersionView, Selection } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { useSelection } from '../pieces/selection.ts';
import { useShownFigure } from '../pieces/shown-figure.ts';
import { useStudy } from '../pieces/study-context.ts';
import { Select } from '../pieces/Select.tsx';
import styles from './Dispersion.module.css';

const MOST_ROWS = 10;
const WIDTH = 800;
const STRIP = 26;

/** Where up to ten concepts stand, from the collection's first word to its last; a tick opens its place. */
export function Dispersion({ selection }: { selection: Selection }) {
  const { data: concepts } = useView('concepts', null);
  const [others, setOthers] = useState<readonly string[]>([]);
  const selections: readonly Selection[] = [
    selection,
    ...others.map((key): Selection => ({ kind: 'concept', key })),
  ];
  const { data, isPlaceholderData } = useView('dispersion', { selections });
  useShownFigure({ kind: 'dispersion', selection });
  return (
    <>
      <div className="centre-bar">
        <label className="control-row">
          Beside it
          <Select
            mode="multiple"
            className={styles.dispersionChoice}
            showSearch={{ optionFilterProp: 'label' }}
            maxCount={MOST_ROWS - 1}
            aria-label="Concepts to show beside it"
            placeholder={`up to ${MOST_ROWS - 1} concepts`}
            value={[...others]}
            options={(concepts?.rows ?? [])
              .filter((row) => row.status === 'chosen' || row.status === 'kept')
              .map((row) => ({ value: row.key, label: row.label }))}
            onChange={(keys: string[]) => setOthers(keys)}
          />
        </label>
        <span className="quiet">
          From the first word of the collection to the last; thin lines part the sources. A tick opens its
          place.
        </span>
      </div>
      <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
        {data?.rows.map((row) => (
          <Strip key={row.title} row={row} sourceStarts={data.sourceStarts} />
        ))}
        {data && <BySource view={data} />}
      </div>
    </>
  );
}

function Strip({
  row,
  sourceStarts,
}: {
  row: DispersionView['rows'][number];
  sourceStarts: readonly number[];
}) {
  const { openSource } = useSelection();
  const ink = row.letter === '' ? DRAWN.quiet : inkOf(row.letter);
  return (
    <figure className={styles.dispersionRow}>
      <figcaption>
        {row.letter !== '' && <strong style={{ color: ink }}>{row.letter} </strong>}
        {row.title} <span className="quiet">{counted(row.total, 'mention')}</span>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${STRIP}`}
        preserveAspectRatio="none"
        role="group"
        aria-label={`Where ${row.title} stands`}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const at = (event.clientX - box.left) / box.width;
          const nearest = row.places.reduce<(typeof row.places)[number] | undefined>(
            (best, place) => (!best || Math.abs(place.at - at) < Math.abs(best.at - at) ? place : best),
            undefined,
          );
          if (nearest) openSource({ sourceId: nearest.sourceId, at: nearest.start });
        }}
      >
        {sourceStarts.length <= 400 &&
          sourceStarts.map((start, i) => (
            <line
              key={i}
              x1={start * WIDTH}
              x2={start * WIDTH}
              y1={0}
              y2={STRIP}
              className={styles.dispersionSource}
            />
          ))}
        <path
          d={row.places.map(({ at }) => `M${(at * WIDTH).toFixed(1)} 4V${STRIP - 4}`).join('')}
          stroke={ink}
          strokeWidth={1.4}
          fill="none"
        />
      </svg>
    </figure>
  );
}

/** Mentions by source, for the keyboard and for reading the numbers. */
function BySource({ view }: { view: DispersionView }) {
  const { state } = useStudy();
  const { openSource } = useSelection();
  const sources = workingSources(state);
  const [shown, setShown] = useState(40);
  const rows = inShownOrder(shownRanks(state))
    .map((i) => ({ source: sources[i], counts: view.rows.map((row) => row.perSource[i] ?? 0) }))
    .filter(({ counts }) => counts.some((count) => count > 0));
  return (
    <>
      <table className="preview-table">
        <thead>
          <tr>
            <th scope="col">Source</th>
            {view.rows.map((row) => (
              <th scope="col" key={row.title}>
                {row.title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, shown).map(({ source, counts }) => (
            <tr key={source.id}>
              <th scope="row">
                <button
                  type="button"
                  className="linklike"
                  onClick={() => openSource({ sourceId: source.id, at: -1 })}
                >
                  {source.name}
                </button>
              </th>
              {counts.map((count, i) => (
                <td key={i}>{count === 0 ? '' : inFigures(count)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > shown && (
        <Button block onClick={() => setShown(shown * 4)}>
          Show more of {inFigures(rows.length)} sources
        </Button>
      )}
    </>
  );
}
