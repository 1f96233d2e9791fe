import { strToU8 } from 'fflate';
import { eachRowSpoken } from '../../compare/rows.ts';
import { conceptLabels } from '../../engine/resources.ts';
import { fewestInStretch, idsOf } from '../../engine/stage-keys.ts';
import {
  writeCodebook,
  writeQdaProject,
  type QdaCode,
  type QdaSelection,
} from '../../formats/write/qda-write.ts';
import { inkOf } from '../../map/palette.ts';
import type { NotebookEntry } from '../../study/notebook.ts';
import { namesOutside, type StudyState } from '../../study/study.ts';
import { sourcesIn, inShownOrder, shownRanks, workingSources } from '../../study/subset.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { Int32List } from '../../base/int32-list.ts';
import { ownValue } from '../../base/records.ts';
import type { StageResults } from '../../engine/stages.ts';
import type { Windows } from '../../network/windows.ts';
import { sentenceAt, type Tokens } from '../../text/tokens.ts';
import type { Theme } from '../../themes/themes.ts';
import type { CleanedFileView } from '../sources/collection-view-types.ts';
import { renamerOf } from '../../study/pseudonyms.ts';
import { renamedSources } from '../reading/passage-files.ts';
import { reads, type ContextOf, type View, type ViewMakers } from '../view.ts';

/** The views that are files for other programs of the trade. */
export interface ExchangeViews {
  /** Themes and concepts as a codebook (REFI-QDA, .qdc). */
  codebookFile: View<null, CleanedFileView>;
  /** The whole study as a project (REFI-QDA, .qdpx); `notes` are the memos of the Notebook. */
  projectFile: View<{ readonly notes: readonly NotebookEntry[] }, CleanedFileView>;
}

const CODE_STAGES = ['concepts', 'themes'] as const;

export const EXCHANGE_KEYS = {
  codebookFile: reads(CODE_STAGES, (state) => ({
    labels: state.conceptLabels,
    names: namesOutside(state),
    notes: state.themeChoices.notes,
  })),
  projectFile: reads([...CODE_STAGES, 'tokens', 'stretches', 'spoken'], (state) => ({
    labels: state.conceptLabels,
    names: namesOutside(state),
    notes: state.themeChoices.notes,
    fewest: fewestInStretch(state),
    title: state.title,
    sources: workingSources(state),
    ranks: shownRanks(state),
    types: state.attributeTypes,
    sets: subsetsOf(state),
  })),
};

/** The subsets that were kept under a name, with those of their sources the study works with. */
function subsetsOf(state: StudyState): { name: string; sources: string[] }[] {
  const working = new Set(idsOf(workingSources(state)));
  return Object.entries(state.subsets).map(([name, subset]) => ({
    name,
    sources: idsOf(sourcesIn(state, subset)).filter((id) => working.has(id)),
  }));
}

/** Themes as codes with their definitions and colours, concepts as codes inside them; those in no theme by themselves. */
function* codesOf({
  take,
  own,
}: Pick<ContextOf<typeof EXCHANGE_KEYS.codebookFile>, 'take' | 'own'>): Stepwise<QdaCode[]> {
  const concepts = yield* take('concepts');
  const { themes, themeOf } = yield* take('themes');
  const { rename, renameAnyCase } = renamerOf(own.names);
  const labels = conceptLabels(own.labels, concepts).map(renameAnyCase);
  const conceptCode = (i: number, colour?: string): QdaCode => ({
    id: `concept ${concepts.keys[i]}`,
    name: labels[i],
    ...(colour === undefined ? {} : { colour }),
  });
  return [
    ...themes.map(({ letter, label, concepts: members }): QdaCode => {
      const colour = inkOf(letter);
      return {
        id: `theme ${letter}`,
        name: renameAnyCase(label),
        description: rename(ownValue(own.notes, letter) ?? ''),
        colour,
        codes: members.map((i) => conceptCode(i, colour)),
      };
    }),
    ...concepts.keys.flatMap((_, i) => (themeOf[i] < 0 ? [conceptCode(i)] : [])),
  ];
}

/** A passage that speaks to a theme, by its place in its source. */
interface ThemePassage {
  readonly start: number;
  readonly end: number;
  readonly theme: number;
}

/** The passages that speak to each theme, source by source: whole sentences, so that they can be read by themselves. */
function passagesBySource(
  themes: readonly Theme[],
  {
    spoken,
    stretches,
    tokens,
    fewest,
  }: {
    readonly spoken: StageResults['spoken'];
    readonly stretches: Windows;
    readonly tokens: Tokens;
    readonly fewest: number;
  },
  sources: number,
): (source: number) => ThemePassage[] {
  const [stretch, theme] = [new Int32List(), new Int32List()];
  const first = new Int32Array(sources + 1);
  const rows = themes.map(({ concepts }) => ({ concepts, fewest }));
  // Stretches stand in the order of the texts: those of a source are in a row.
  eachRowSpoken(spoken, rows, (w, row) => {
    stretch.push(w);
    theme.push(row);
    first[stretches.source[w] + 1]++;
  });
  for (let s = 0; s < sources; s++) first[s + 1] += first[s];
  const [stretchOf, themeOf] = [stretch.done(), theme.done()];
  return (source) =>
    Array.from({ length: first[source + 1] - first[source] }, (_, k) => {
      const i = first[source] + k;
      const w = stretchOf[i];
      return {
        start: tokens.sentenceStart[sentenceAt(tokens, stretches.first[w])],
        end: tokens.sentenceEnd[sentenceAt(tokens, stretches.end[w] - 1)],
        theme: themeOf[i],
      };
    });
}

export const EXCHANGE_VIEWS: ViewMakers<ExchangeViews, typeof EXCHANGE_KEYS> = {
  *codebookFile(_, context) {
    return { bytes: strToU8(writeCodebook(yield* codesOf(context))) };
  },

  *projectFile({ notes }, { take, own, original }) {
    const codes = yield* codesOf({ take, own });
    const concepts = yield* take('concepts');
    const { themes } = yield* take('themes');
    const tokens = yield* take('tokens');
    const stretches = yield* take('stretches');
    const spoken = yield* take('spoken');
    const passages = passagesBySource(
      themes,
      { spoken, stretches, tokens, fewest: own.fewest },
      own.sources.length,
    );
    yield 0.5;
    const { occurrence, occurrenceFirst, occurrenceEnd } = concepts;
    // Mentions stand in the order of the texts: those of a source are in a row.
    const firstMention = new Int32Array(own.sources.length + 1);
    for (const token of occurrenceFirst) firstMention[tokens.sentenceSource[sentenceAt(tokens, token)] + 1]++;
    for (let s = 0; s < own.sources.length; s++) firstMention[s + 1] += firstMention[s];
    const renamer = renamerOf(own.names);
    const selectionsOf = (s: number): QdaSelection[] => {
      const { placeOf } = renamer.renamed(original(own.sources[s].id));
      const selection = (start: number, end: number, code: string): QdaSelection => ({
        start: placeOf(start, 'start'),
        end: placeOf(end, 'end'),
        codes: [code],
      });
      const mentions = Array.from(
        { length: firstMention[s + 1] - firstMention[s] },
        (_, k) => firstMention[s] + k,
      );
      return [
        ...passages(s).map(({ start, end, theme }) => selection(start, end, `theme ${themes[theme].letter}`)),
        ...mentions.map((i) =>
          selection(
            tokens.start[occurrenceFirst[i]],
            tokens.end[occurrenceEnd[i] - 1],
            `concept ${concepts.keys[occurrence[i]]}`,
          ),
        ),
      ];
    };
    const renamed = renamedSources(own.sources, renamer);
    const bytes = yield* writeQdaProject({
      title: renamer.renameAnyCase(own.title),
      codes,
      types: Object.fromEntries(
        Object.entries(own.types).map(([name, type]) => [renamer.renameAnyCase(name), type]),
      ),
      sets: own.sets.map(({ name, sources }) => ({ name: renamer.renameAnyCase(name), sources })),
      sources: inShownOrder(own.ranks)
        .map((s) => ({ ...renamed[s], s }))
        .map(({ id, name, attributes, s }) => ({
          id,
          name,
          attributes: Object.fromEntries(
            Object.entries(attributes).filter(([, value]) => value.trim() !== ''),
          ),
          get text() {
            return renamer.renamed(original(id)).text;
          },
          get selections() {
            return selectionsOf(s);
          },
        })),
      notes: notes
        .filter(({ note }) => note.trim() !== '')
        .map(({ id, note }) => {
          const text = renamer.rename(note);
          return { id, name: text.trim().slice(0, 60), text };
        }),
    });
    return { bytes };
  },
};
