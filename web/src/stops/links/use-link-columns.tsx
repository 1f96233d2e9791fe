import { useCallback, useMemo } from 'react';
import { MEASURES } from '@green-thicket/core/network/measures';
import type { LinkRow } from '@green-thicket/core/views/view-types';
import type { FigureColumn } from '../../pieces/FigureTable.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import type { ShownLinks } from './shown-links.ts';

const BEYOND_WORDS: Readonly<Record<LinkRow['beyond'], string>> = {
  within: 'by meetings',
  sources: 'by sources',
  neither: '–',
};
/** The chance of what a link is beyond chance by. */
const qOf = (row: LinkRow): number => (row.beyond === 'sources' ? row.qBetween : row.q);

/** The columns of the list of links, or of the company of a concept. */
export function useLinkColumns(
  concept: string | null,
  shown: ShownLinks,
  letterOf: ReadonlyMap<string, string>,
): FigureColumn<LinkRow>[] {
  const { select } = useSelection();
  const { measure } = useStudy().state.settings.links;
  const beyondOf = useCallback(
    (row: LinkRow) =>
      row.beyond === 'neither' && shown !== 'rarer' ? 'may be chance' : BEYOND_WORDS[row.beyond],
    [shown],
  );
  return useMemo(
    (): FigureColumn<LinkRow>[] => [
      {
        key: 'link',
        title: concept ? 'Company' : 'Link',
        width: 170,
        value: (row) => (concept ? row.targetLabel : `${row.sourceLabel} — ${row.targetLabel}`),
        render: (row) => (
          <button
            type="button"
            className="linklike"
            title={`${row.sourceLabel} — ${row.targetLabel}: read its passages`}
            onClick={() => select({ kind: 'link', keys: [row.source, row.target] })}
          >
            {!concept && (
              <>
                <ThemeLetter letter={letterOf.get(row.source) ?? ''} /> {row.sourceLabel} —{' '}
              </>
            )}
            <ThemeLetter letter={letterOf.get(row.target) ?? ''} /> {row.targetLabel}
          </button>
        ),
      },
      {
        key: 'both',
        title: 'Windows',
        hint: 'Windows with both',
        width: 74,
        value: (row) => row.both,
      },
      {
        key: 'meetings',
        title: 'Meetings',
        hint: 'Windows with both that do not overlap, and in how many sources',
        width: 84,
        value: (row) => row.meetings,
        render: (row) => `${row.meetings} in ${row.sources}`,
      },
      {
        key: 'npmi',
        title: 'NPMI',
        hint: 'How much oftener they share a window than by chance, −1 to 1',
        width: 60,
        value: (row) => row.npmi,
        render: (row) => row.npmi.toFixed(2),
      },
      ...(measure === 'npmi' || measure === 'count'
        ? []
        : [
            {
              key: 'strength',
              title: MEASURES[measure].name,
              hint: MEASURES[measure].help,
              width: 72,
              value: (row: LinkRow) => row.strength,
              render: (row: LinkRow) => row.strength.toFixed(2),
            },
          ]),
      {
        key: 'beyond',
        title: 'Beyond chance',
        hint: 'By meetings: they meet oftener than the words of each source make likely, or those of all short sources together. By sources: only the same sources speak of both.',
        width: 112,
        value: beyondOf,
        render: beyondOf,
      },
      {
        key: 'q',
        title: 'q',
        hint: 'Chance, by meetings or by sources, adjusted for testing many pairs (Benjamini and Hochberg)',
        width: 66,
        value: qOf,
        render: (row) => (qOf(row) < 0.001 ? '< 0.001' : qOf(row).toFixed(3)),
      },
    ],
    [concept, measure, select, letterOf, beyondOf],
  );
}
