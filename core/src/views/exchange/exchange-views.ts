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
import { readNumber, type AttributeType } from '../../study/attributes.ts';
import { readDate, type DateOrder } from '../../text/dates.ts';
import type { StageResults } from '../../engine/stages.ts';
import type { Windows } from '../../network/windows.ts';
import { sentenceAt, type Tokens } from '../../text/tokens.ts';
import type { Theme } from '../../themes/themes.ts';
import type { CleanedFileView } from '../sources/collection-view-types.ts';
import { renamerOf, type Renamer } from '../../study/pseudonyms.ts';
import { byCodeUnits } from '../../base/order.ts';
import { renamedSources } from '../reading/passage-files.ts';
import { reads, type ContextOf, type View, type ViewMakers } from '../view.ts';

/** The views that are files for other programs of the trade. */
export interface ExchangeViews {
  /** Themes and concepts as a codebook (REFI-QDA, .qdc). */
  codebookFile: View<null, CleanedFileView>;
  /** The whole study as a project (REFI-QDA, .qdpx); `notes` are the entries of the Notebook: excerpts are codings by their tags. */
  projectFile: View<{ readonly notes: readonly NotebookEntry[] }, CleanedFileView>;
}

const CODE_STAGES = ['concepts', 'themes'] as const;

export const EXCHANGE_KEYS = {
  codebookFile: reads(CODE_STAGES, (state) => ({
    title: state.title,
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
    dateOrder: state.settings.sources.dateOrder ?? 'dmy',
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

/** What a theme's code is known by: theme A of another study is another code where both are brought together. */
const themeCode = (title: string, letter: string): string => `theme ${letter} of ${title}`;
/** What the code of a tag of the Notebook is known by: one code in all studies, as one word is. */
const tagCode = (tag: string): string => `tag ${tag}`;

/** The tags of some entries as codes of the researcher's own, in code-unit order. */
const codesOfTags = (entries: readonly NotebookEntry[], renamer: Renamer): QdaCode[] =>
  [...new Set(entries.flatMap(({ tags }) => tags))]
    .sort(byCodeUnits)
    .map((tag) => ({ id: tagCode(tag), name: renamer.renameAnyCase(tag) }));

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
        id: themeCode(own.title, letter),
        name: renameAnyCase(label),
        description: rename(ownValue(own.notes, letter) ?? ''),
        colour,
        codes: members.map((i) => conceptCode(i, colour)),
      };
    }),
    ...concepts.keys.flatMap((_, i) => (themeOf[i] < 0 ? [conceptCode(i)] : [])),
  ];
}

/** A value as the standard has it: numbers with a point, days as ISO dates; undefined where it is none of its type. */
function valueWritten(value: string, type: AttributeType, order: DateOrder): string | undefined {
  if (type === 'number') {
    const number = readNumber(value);
    return number === undefined || /e/.test(String(number)) ? undefined : String(number);
  }
  if (type === 'text') return value;
  const read = readDate(value, order);
  return read?.grain === 'day' ? read.date : undefined;
}

/**
 * The attributes of sources as a project can hold them, without those that are empty. Where one value is not of its
 * attribute's type, as a month among days, all of them leave as text, so that none is lost.
 */
function attributesWritten(
  attributes: readonly Readonly<Record<string, string>>[],
  types: Readonly<Record<string, AttributeType>>,
  order: DateOrder,
): { types: Record<string, AttributeType>; written: Record<string, string>[] } {
  const given = attributes.map((each) => Object.entries(each).filter(([, value]) => value.trim() !== ''));
  const typeOf = (name: string): AttributeType => ownValue(types, name) ?? 'text';
  const mixed = new Set(
    given
      .flat()
      .filter(([name, value]) => valueWritten(value, typeOf(name), order) === undefined)
      .map(([name]) => name),
  );
  const inForce = (name: string): AttributeType => (mixed.has(name) ? 'text' : typeOf(name));
  return {
    types: Object.fromEntries(Object.keys(types).map((name) => [name, inForce(name)])),
    written: given.map((each) =>
      Object.fromEntries(
        each.map(([name, value]) => [name, valueWritten(value, inForce(name), order) ?? value]),
      ),
    ),
  };
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
    // What was coded by hand, here or before it came in, leaves as it came: passages with their tags and notes.
    const here = new Set(own.sources.map(({ id }) => id));
    const [coded, others] = [true, false].map((isCoded) =>
      notes.filter(({ excerpt }) => (excerpt !== undefined && here.has(excerpt.sourceId)) === isCoded),
    );
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
        ...passages(s).map(({ start, end, theme }) =>
          selection(start, end, themeCode(own.title, themes[theme].letter)),
        ),
        ...coded.flatMap(({ excerpt, tags, note }): QdaSelection[] =>
          excerpt?.sourceId === own.sources[s].id
            ? [
                {
                  start: placeOf(excerpt.start, 'start'),
                  end: placeOf(excerpt.end, 'end'),
                  codes: [...new Set(tags)].map(tagCode),
                  note: renamer.rename(note),
                },
              ]
            : [],
        ),
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
    const { types, written } = attributesWritten(
      renamed.map(({ attributes }) => attributes),
      Object.fromEntries(
        Object.entries(own.types).map(([name, type]) => [renamer.renameAnyCase(name), type]),
      ),
      own.dateOrder,
    );
    const bytes = yield* writeQdaProject({
      title: renamer.renameAnyCase(own.title),
      codes: [...codes, ...codesOfTags(coded, renamer)],
      types,
      sets: own.sets.map(({ name, sources }) => ({ name: renamer.renameAnyCase(name), sources })),
      sources: inShownOrder(own.ranks)
        .map((s) => ({ ...renamed[s], s }))
        .map(({ id, name, s }) => ({
          id,
          name,
          attributes: written[s],
          get text() {
            return renamer.renamed(original(id)).text;
          },
          get selections() {
            return selectionsOf(s);
          },
        })),
      notes: others
        .filter(({ note }) => note.trim() !== '')
        .map(({ id, note }) => {
          const text = renamer.rename(note);
          return { id, name: text.trim().slice(0, 60), text };
        }),
    });
    return { bytes };
  },
};
