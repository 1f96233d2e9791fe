import type { Stepwise } from '../base/stepwise.ts';
import { renamerOf } from '../study/pseudonyms.ts';
import { networkInForce } from '../study/in-force.ts';
import { namesOutside, type StudyState } from '../study/study.ts';
import type { AskView } from '../views/asked.ts';
import { makeFigure } from './figures.ts';
import type { FigureQuestion } from '../views/report/figure-types.ts';
import type { Sheet } from '../views/report/report-types.ts';

/** The sheets, with what their columns hold; a column of a group is said of all groups. */
const SHEETS: readonly {
  readonly name: string;
  readonly asked: FigureQuestion;
  readonly columns: readonly (readonly [column: string, meaning: string])[];
}[] = [
  {
    name: 'Sources',
    asked: { kind: 'sources' },
    columns: [
      ['first column', 'the group by the attribute compared, or the source'],
      ['sources', 'how many sources are in it'],
      ['words', 'words as they are counted, after cleaning'],
      ['sentences', 'sentences of them'],
    ],
  },
  {
    name: 'Concepts',
    asked: { kind: 'concepts' },
    columns: [
      ['concept', 'a word, phrase or name, as it is most often written'],
      ['mentions', 'how often it is said'],
      ['sources', 'in how many sources'],
      [
        'spread',
        'how evenly over the sources, 1 − DP: 1 as their lengths would have it, 0 in one short one alone',
      ],
      ['pull', 'how selective the company it keeps is, in nats beyond chance'],
      ['variants', 'other words that count for it'],
    ],
  },
  {
    name: 'Links',
    asked: { kind: 'links' },
    columns: [
      ['concept, and', 'the two that are linked'],
      ['third column', 'strength by the measure chosen'],
      ['windows with both', 'windows that hold both; those that overlap see the same meeting'],
      ['meetings', 'windows with both that do not overlap'],
      ['sources', 'sources in which they meet'],
      ['q', 'the chance of such a find where there is nothing, adjusted for how many pairs were looked at'],
    ],
  },
  {
    name: 'Themes',
    asked: { kind: 'themes' },
    columns: [
      ['theme', 'its letter and name'],
      ['concepts', 'those of it, most linked inside first'],
      ['strength', 'share of stretches that speak to it'],
      ['comes back', 'how often it is found again in halves of the sources, with concepts chosen anew'],
    ],
  },
  {
    name: 'Strength',
    asked: { kind: 'strength', rows: { kind: 'themes' } },
    columns: [
      ['theme', 'its letter and name'],
      ['a group', 'share of its stretches that speak to the theme, with the 95 % interval'],
      ['all', 'the same over all groups'],
      [
        'q',
        'the chance that groups differ so much where sources are dealt to them blindly, adjusted for the themes',
      ],
    ],
  },
];

/** Those of a network without texts. */
const NETWORK_SHEETS: typeof SHEETS = [
  {
    name: 'Links',
    asked: { kind: 'links' },
    columns: [
      ['concept, and', 'the two that are linked'],
      ['weight', 'as the network has it'],
    ],
  },
  {
    name: 'Themes',
    asked: { kind: 'themes' },
    columns: [
      ['theme', 'its letter and name'],
      ['concepts', 'those of it, most linked inside first'],
      ['share of links’ weight', 'the weights of its concepts’ links as a share of all'],
    ],
  },
];

/** The tables of a study as sheets; the first explains the columns of the others. */
export function* workbookSheets(state: StudyState, ask: AskView): Stepwise<Sheet[]> {
  const { renameAnyCase } = renamerOf(namesOutside(state));
  const network = networkInForce(state);
  const listed = network ? NETWORK_SHEETS : SHEETS;
  const about: Sheet = {
    name: 'Columns',
    head: ['sheet', 'column', 'what it holds'],
    rows: listed.flatMap(({ name, columns }) => columns.map(([column, meaning]) => [name, column, meaning])),
  };
  const sheets: Sheet[] = [about];
  for (const { name, asked } of listed) {
    const { table } = yield* makeFigure(asked, state, ask, Infinity);
    if (!table || table.rows.length === 0) continue;
    sheets.push({
      name,
      head: table.head.map(renameAnyCase),
      rows: table.rows.map((row) =>
        row.map((cell) => (typeof cell === 'string' ? renameAnyCase(cell) : cell)),
      ),
    });
  }
  return sheets;
}
