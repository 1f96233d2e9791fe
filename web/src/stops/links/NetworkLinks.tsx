import { Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { counted, inFigures, weightText } from '@green-thicket/core/base/wording';
import type { LinkRow } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import { useLetters } from '../../pieces/use-letters.ts';
import { LinkMatrix } from './LinkMatrix.tsx';
import styles from './LinksStop.module.css';
import { FirstNote } from '../../pieces/FirstNote.tsx';

const MOST_ROWS = 5000;

/** The links of a network without texts: by their weight, which is all that is known of them. */
export function NetworkLinks() {
  const { select } = useSelection();
  const { data, isPlaceholderData } = useView('links', { concept: null, limit: MOST_ROWS });
  const letterOf = useLetters(useView('themes', null).data);
  const [face, setFace] = useState<'list' | 'matrix'>('list');
  const columns = useMemo(
    (): FigureColumn<LinkRow>[] => [
      {
        key: 'link',
        title: 'Link',
        width: 300,
        value: (row) => `${row.sourceLabel} — ${row.targetLabel}`,
        render: (row) => (
          <button
            type="button"
            className="linklike"
            onClick={() => select({ kind: 'link', keys: [row.source, row.target] })}
          >
            <ThemeLetter letter={letterOf.get(row.source) ?? ''} /> {row.sourceLabel} —{' '}
            <ThemeLetter letter={letterOf.get(row.target) ?? ''} /> {row.targetLabel}
          </button>
        ),
      },
      {
        key: 'weight',
        title: 'Weight',
        hint: 'As the network has it',
        width: 110,
        value: (row) => row.strength,
        render: (row) => weightText(row.strength),
      },
    ],
    [select, letterOf],
  );
  return (
    <>
      <main className="centre" aria-label="Links">
        <FirstNote of="centre" />
        <div className={isPlaceholderData ? 'centre-body stacked dimmed' : 'centre-body stacked'}>
          <div className="centre-bar">
            <Segmented
              aria-label="How to look at the links"
              value={face}
              options={[
                { value: 'list', label: 'List' },
                { value: 'matrix', label: 'Matrix' },
              ]}
              onChange={setFace}
            />
            {data && (
              <span className={`quiet ${styles.figuresList}`}>
                {counted(data.standing, 'link')} between {inFigures(data.linkedConcepts)} of{' '}
                {counted(data.concepts, 'concept')}
                {data.rows.length < data.standing &&
                  `; the ${inFigures(data.rows.length)} strongest are listed`}
              </span>
            )}
          </div>
          {face === 'matrix' && <LinkMatrix />}
          {data && face === 'list' && (
            <FigureTable
              label="Links"
              rows={data.rows}
              rowKey={(row) => `${row.source}—${row.target}`}
              columns={columns}
            />
          )}
        </div>
      </main>
    </>
  );
}
