import { isTimed } from '../base/no-time.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { heading, paragraph, withWords, type Block } from '../formats/write/document.ts';
import { renamerOf, type Renamer } from '../study/pseudonyms.ts';
import type { Figure, NotebookEntry } from '../study/notebook.ts';
import { namesOutside, type StudyState } from '../study/study.ts';
import { networkInForce } from '../study/in-force.ts';
import { workingSources } from '../study/subset.ts';
import { referencesOf, referenceText, type Reference, type ShownMeasures } from './references.ts';
import { REPORT_WORDS } from '../words/report-sentences.ts';
import { methodSentences, sentenceText, STOPS } from '../words/sentences.ts';
import type { TypicalPassage } from '../views/compare/compare-view-types.ts';
import type { AskView } from '../views/asked.ts';
import { figureBlocks, type CaptionNumbers } from './figure-blocks.ts';
import { makeFigure } from './figures.ts';
import type { FigureQuestion } from '../views/report/figure-types.ts';
import { markedRuns, renamedPassages } from '../views/reading/passage-files.ts';
import { REPORT_PART_NAMES, type ReportPart, type ReportQuestion } from '../views/report/report-types.ts';

/** Rows of what sets a group apart, and groups that are told so. */
const APART_ROWS = 12;
const MOST_APART = 8;

/** What a part is made of. */
interface Making {
  readonly asked: ReportQuestion;
  readonly state: StudyState;
  readonly ask: AskView;
  /** A figure with the next number. */
  readonly figure: (question: FigureQuestion) => Stepwise<Block[]>;
  readonly numbered: (figure: Figure) => Block[];
  /** A caption of a table that is no figure’s, with the next number. */
  readonly tableCaption: (words: string) => string;
  readonly renamer: Renamer;
}

/** What the figures of a study's report go back to. */
export const shownMeasures = (
  parts: readonly ReportPart[],
  entries: readonly NotebookEntry[],
): ShownMeasures => ({
  apart: parts.includes('apart') || entries.some(({ view }) => view?.asked.kind === 'apart'),
  tone: parts.includes('notebook') && entries.some(({ view }) => view?.asked.kind === 'tone'),
});

/** The sources of the measures a report shows. */
export const referencesShown = (state: StudyState, { parts, entries }: ReportQuestion): Reference[] =>
  referencesOf(state, shownMeasures(parts, entries));

/** Stops of which there is something to say of a network without texts. */
const NETWORK_STOPS = STOPS.filter((stop) => stop !== 'clean' && stop !== 'compare');

const PARTS: { readonly [P in ReportPart]: (making: Making) => Stepwise<Block[]> } = {
  *summary({ state, ask, figure }) {
    const network = networkInForce(state);
    const { words } = yield* ask('wordsOnTrail', null);
    const { concepts } = yield* ask('conceptsOnTrail', null);
    const { links, windows } = yield* ask('linksOnTrail', null);
    const { themes, reached } = yield* ask('themesOnTrail', null);
    if (network)
      return [
        heading(2, 'What this rests on'),
        paragraph(REPORT_WORDS.restsOnNetwork(network.name, { concepts, links, themes })),
      ];
    const size = { sources: workingSources(state).length, ofSources: state.sources.length, words, concepts };
    return [
      heading(2, 'What this rests on'),
      paragraph(REPORT_WORDS.restsOn({ ...size, windows, links, themes, reached })),
      ...(yield* figure({ kind: 'sources' })),
    ];
  },

  *method({ state, ask }) {
    const { resolution, also } = yield* ask('themesOnTrail', null);
    if (networkInForce(state)) {
      const of = methodSentences(state, { resolution });
      return [heading(2, 'Method'), ...NETWORK_STOPS.map((stop) => paragraph(sentenceText(of[stop])))];
    }
    const { comparison } = yield* ask('compare', { rows: { kind: 'themes' } });
    const { read: languages } = yield* ask('languagesRead', null);
    const sentences = methodSentences(state, { resolution, also, exact: comparison.exact, languages });
    return [
      heading(2, 'Method'),
      ...STOPS.map((stop) => paragraph(sentenceText(sentences[stop]))),
      paragraph(REPORT_WORDS.chance),
      ...(Object.keys(state.pseudonyms).length === 0 ? [] : [paragraph(REPORT_WORDS.pseudonyms)]),
    ];
  },

  *map({ figure }) {
    return [heading(2, 'Concept map'), ...(yield* figure({ kind: 'map' }))];
  },

  *themes({ asked, state, ask, figure, renamer }) {
    const { themes, loose, aside } = yield* ask('themes', null);
    const { rows } = networkInForce(state) ? { rows: [] } : yield* ask('themeFigures', null);
    const steady = yield* ask('steadiness', null);
    const nameOf = new Map(state.sources.map(({ id, name }) => [id, name]));
    const blocks: Block[] = [heading(2, 'Themes'), ...(yield* figure({ kind: 'themes' }))];
    for (const { letter, label, note, concepts } of themes) {
      const figures = rows.find((row) => row.letter === letter);
      const steadiness = steady.themes.find((each) => each.letter === letter);
      blocks.push(heading(3, `${letter} ${label}`));
      if (note !== '') blocks.push(paragraph(note));
      blocks.push(
        paragraph(REPORT_WORDS.conceptsOf(concepts.map((each) => renamer.renameAnyCase(each.label)))),
      );
      if (figures) {
        blocks.push(
          paragraph(
            `${REPORT_WORDS.themeFigures(figures)}${steadiness ? REPORT_WORDS.comesBack(steadiness.band) : ''}`,
          ),
        );
      }
      if (networkInForce(state)) continue;
      const typical = yield* ask('typical', { letter, byGroup: false, limit: asked.quotations });
      const passages = typical.groups.flatMap((group) => group.passages);
      if (passages.length === 0) blocks.push(paragraph(REPORT_WORDS.noPassage));
      for (const passage of renamedPassages(passages, renamer)) blocks.push(quoteOf(passage, nameOf));
    }
    if (loose.length > 0)
      blocks.push(paragraph(REPORT_WORDS.inNoTheme(loose.map(({ label }) => renamer.renameAnyCase(label)))));
    if (aside.length > 0)
      blocks.push(
        paragraph(
          REPORT_WORDS.setAside(
            aside.map(({ name, concepts }) => ({
              name,
              labels: concepts.map(({ label }) => renamer.renameAnyCase(label)),
            })),
          ),
        ),
      );
    return blocks;
  },

  *comparison({ state, ask, figure }) {
    if (networkInForce(state)) return [];
    const { comparison } = yield* ask('compare', { rows: { kind: 'themes' } });
    if (comparison.groups.length < 2) return [heading(2, 'Comparison'), paragraph(REPORT_WORDS.noGroups)];
    return [heading(2, 'Comparison'), ...(yield* figure({ kind: 'strength', rows: { kind: 'themes' } }))];
  },

  *apart({ state, ask, figure }) {
    if (networkInForce(state)) return [];
    const { comparison } = yield* ask('compare', { rows: { kind: 'themes' } });
    const blocks: Block[] = [heading(2, 'What sets the groups apart')];
    const groups = comparison.groups.filter(({ sources }) => sources > 0);
    if (groups.length < 2) return [...blocks, paragraph(REPORT_WORDS.noGroupsApart)];
    for (const { group } of groups.slice(0, MOST_APART)) {
      const asked = { group, against: null, of: 'concepts', letter: '', limit: APART_ROWS } as const;
      for (const block of yield* figure({ kind: 'apart', asked })) blocks.push(block);
    }
    if (groups.length > MOST_APART)
      blocks.push(paragraph(REPORT_WORDS.groupsLeftOut(groups.length - MOST_APART)));
    return blocks;
  },

  *notebook({ asked: { entries }, numbered }) {
    yield 0;
    if (entries.length === 0) return [];
    return [heading(2, 'Notes and views kept'), ...entries.flatMap((entry) => entryBlocks(entry, numbered))];
  },

  *decisions({ asked: { decisions }, tableCaption }) {
    yield 0;
    const when = decisions.map(({ time }) =>
      isTimed(time) ? `${time.slice(0, 10)} ${time.slice(11, 16)}` : '',
    );
    // What the command line decides has no time, and a column of nothing tells nothing.
    const isWhenKnown = when.some((each) => each !== '');
    return [
      heading(2, 'What was decided'),
      {
        kind: 'table',
        caption: tableCaption(REPORT_WORDS.decisions(decisions.length)),
        head: [...(isWhenKnown ? ['when'] : []), 'what', 'why'],
        rows: decisions.map(({ words, reason }, i) => [...(isWhenKnown ? [when[i]] : []), words, reason]),
      },
    ];
  },

  *references({ asked, state }) {
    yield 0;
    return [
      heading(2, 'References'),
      { kind: 'list', items: referencesShown(state, asked).map((each) => [{ text: referenceText(each) }]) },
    ];
  },

  *again({ asked: { version }, state }) {
    yield 0;
    if (networkInForce(state))
      return [
        heading(2, 'To make the same again'),
        paragraph(REPORT_WORDS.againNetwork(version, state.settings.themes.seed)),
      ];
    return [
      heading(2, 'To make the same again'),
      paragraph(REPORT_WORDS.again(version, state.settings.themes.seed)),
      paragraph(REPORT_WORDS.againCommand),
    ];
  },
};

const quoteOf = (passage: TypicalPassage, nameOf: ReadonlyMap<string, string>): Block => ({
  kind: 'quote',
  runs: markedRuns(passage),
  source: `${nameOf.get(passage.sourceId) ?? ''}, paragraph ${passage.paragraph}`,
});

function entryBlocks(
  { note, isHeading = false, excerpt, view, tags, on }: NotebookEntry,
  numbered: (figure: Figure) => Block[],
): Block[] {
  if (isHeading) return [heading(3, note)];
  const marks = [...(on ? [`on ${on.name}`] : []), ...tags].join(', ');
  return [
    ...(view?.figure ? numbered(view.figure) : []),
    ...(excerpt
      ? [
          {
            kind: 'quote' as const,
            runs: [{ text: excerpt.quote }],
            source: excerpt.sourceName,
          },
        ]
      : []),
    ...(note.trim() === '' ? [] : [paragraph(note)]),
    ...(marks === '' ? [] : [{ kind: 'paragraph' as const, runs: [{ text: marks, italic: true }] }]),
  ];
}

/** The parts of a report as a document, in the order they were asked for. */
export function* reportBlocks(asked: ReportQuestion, state: StudyState, ask: AskView): Stepwise<Block[]> {
  const renamer = renamerOf(namesOutside(state));
  const numbers: CaptionNumbers = { figures: 0, tables: 0 };
  const numbered = (figure: Figure): Block[] => figureBlocks(figure, numbers);
  const making: Making = {
    asked,
    state,
    ask,
    numbered,
    tableCaption: (words) => `Table ${++numbers.tables}. ${words}`,
    renamer,
    *figure(question) {
      return numbered(yield* makeFigure(question, state, ask));
    },
  };
  const blocks: Block[] = [heading(1, state.title)];
  const parts = asked.parts.filter((part) => REPORT_PART_NAMES.includes(part));
  for (const [i, part] of parts.entries()) {
    for (const block of yield* PARTS[part](making)) blocks.push(block);
    yield (i + 1) / parts.length;
  }
  return withWords(blocks, { prose: renamer.rename, label: renamer.renameAnyCase });
}
