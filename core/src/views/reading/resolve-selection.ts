import { alongPath } from '../../reading/branches.ts';
import { hitsIn, hitsOf, NO_HITS, type Hits } from '../../reading/hits.ts';
import { type PassageQuery } from '../../reading/passages.ts';
import { nearHits } from '../../reading/near.ts';
import { findHits, readQuery, SearchError } from '../../reading/search.ts';
import { sentenceOfTokens } from '../../text/tokens.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { conceptLabels, lexiconOf } from '../../engine/resources.ts';
import { fewestInStretch, idsOf } from '../../engine/stage-keys.ts';
import { reachedByThemes } from '../../themes/coverage.ts';
import { attributeValues, groupValues, subsetNumbers } from '../../study/groups.ts';
import { periodOf } from '../../base/periods.ts';
import { readDate } from '../../text/dates.ts';
import type { StudyState } from '../../study/study.ts';
import { shownRanks, workingSources } from '../../study/subset.ts';
import type { ViewContext } from '../view.ts';
import type { FollowingSelection, Selection, Within } from './reading-view-types.ts';
import { ownValue } from '../../base/records.ts';
import { remembered } from '../../base/remembered.ts';
import { eachRowSpoken } from '../../compare/rows.ts';
import { tenthsOf } from '../../compare/course.ts';
import { allLists } from '../../compare/tone-lists.ts';
import { readTone, toneBy, type TonedWord } from '../../compare/tone.ts';

/** The sentence of each token, found once. */
export const sentencesOf = remembered(sentenceOfTokens);

/** Stages a selection may have to be looked up in. */
export const SELECTION_STAGES = [
  'tokens',
  'terms',
  'wordLanguages',
  'candidates',
  'concepts',
  'themes',
  'spoken',
  'stretches',
] as const;

/** What is read of a study for selections, in all sources or some: those, the values that are asked for, and names. */
export function readForSelections(state: StudyState, selections: readonly Selection[], within?: Within) {
  const sources = workingSources(state);
  const asked = [
    ...selections
      .map((selection) => (selection.kind === 'following' ? selection.of : selection))
      .flatMap((selection) => (selection.kind === 'cell' ? [selection.attribute] : [])),
    ...(within && 'groups' in within ? within.groups.map(({ attribute }) => attribute) : []),
  ];
  // Only asked of a subset do the subsets matter.
  const ofSubset = within && 'subset' in within ? { subset: subsetNumbers(state, within.subset) } : {};
  return {
    ids: idsOf(sources),
    /** By source: its place where sources are shown. */
    ranks: shownRanks(state),
    /** Attribute and each source's value of it. */
    values: [...new Set(asked)].map((attribute) => ({
      attribute,
      of: groupValues(state, attribute),
    })),
    labels: state.conceptLabels,
    fewest: fewestInStretch(state),
    ...ofSubset,
    ...(within?.when
      ? {
          days: attributeValues(sources, within.when.dates).map(
            (value) => readDate(value, state.settings.sources.dateOrder ?? 'dmy')?.date ?? '',
          ),
        }
      : {}),
    ...(selections.some((selection) => selection.kind === 'stretches' && selection.tone)
      ? { toneLists: state.toneLists }
      : {}),
  };
}
type SelectionOwn = ReturnType<typeof readForSelections>;
type SelectionContext = ViewContext<(typeof SELECTION_STAGES)[number], SelectionOwn>;

/** Each source's value of an attribute that was asked for. */
const valuesOf = ({ values }: SelectionOwn, asked: string): readonly string[] =>
  values.find(({ attribute }) => attribute === asked)?.of ?? [];

/** What a selection asks for: windows of chosen concepts, or places of words. */
export interface Resolved {
  readonly title: string;
  readonly query: PassageQuery;
  readonly hits?: Hits;
  /** Words of a tone list, marked instead of the concepts. */
  readonly toned?: Hits;
  readonly fault?: string;
}

const NOTHING: PassageQuery = { kind: 'concepts', concepts: [] };

function* searched(typed: string, { take, words }: SelectionContext): Stepwise<Resolved> {
  const tokens = yield* take('tokens');
  const terms = yield* take('terms');
  const title = /^["“„]/.test(typed) ? typed : `“${typed}”`;
  try {
    const lexicon = yield* lexiconOf((yield* take('wordLanguages')).read, words);
    const hits = findHits(readQuery(typed), tokens, terms, sentencesOf(tokens), lexicon);
    return { title, query: NOTHING, hits };
  } catch (error) {
    if (error instanceof SearchError) return { title, query: NOTHING, hits: NO_HITS, fault: error.message };
    throw error;
  }
}

/** The mentions of a selection that some words follow, with those words. */
function* following(
  { of, direction, words }: FollowingSelection,
  context: SelectionContext,
): Stepwise<Resolved> {
  const tokens = yield* context.take('tokens');
  const { title, hits } = yield* hitsOfSelection(of, context);
  const along = alongPath(tokens, hits, sentencesOf(tokens), direction, words);
  const more = words.length;
  return {
    title:
      direction === 'after'
        ? `${title} … ${words.join(' ')}`
        : `${[...words].reverse().join(' ')} … ${title}`,
    query: NOTHING,
    hits: {
      first: Int32Array.from(along, (i) => hits.first[i] - (direction === 'before' ? more : 0)),
      end: Int32Array.from(along, (i) => hits.end[i] + (direction === 'after' ? more : 0)),
    },
  };
}

/** The places of a candidate that is no chosen concept. */
function* unchosen(key: string, { take, own }: SelectionContext): Stepwise<Resolved> {
  const candidates = yield* take('candidates');
  const asked = candidates.keys.indexOf(key);
  const { occurrence, occurrenceFirst, occurrenceEnd } = candidates;
  const hits = hitsOf(occurrence, occurrenceFirst, occurrenceEnd, (candidate) => candidate === asked);
  return { title: ownValue(own.labels, key) ?? candidates.written[asked] ?? key, query: NOTHING, hits };
}

/** Every mention a selection stands for: of its concepts, in the sources it names, or of what was searched for. */
export function* hitsOfSelection(
  selection: Selection,
  context: SelectionContext,
): Stepwise<{ title: string; hits: Hits; fault?: string }> {
  const { title, query, hits, fault } = yield* resolveSelection(selection, context);
  if (hits) return { title, hits, ...(fault === undefined ? {} : { fault }) };
  const { take } = context;
  const concepts = yield* take('concepts');
  const tokens = yield* take('tokens');
  const asked = new Set(query.concepts);
  const all = hitsOf(concepts.occurrence, concepts.occurrenceFirst, concepts.occurrenceEnd, (concept) =>
    asked.has(concept),
  );
  const meant = query.sources;
  return { title, hits: meant ? hitsIn(tokens, all, (source) => meant.has(source)) : all };
}

const HOW_WORDS = { all: ' and ', any: ' or ', near: ' near ' } as const;

/** Several concepts together; for windows with all of them each must be a kept one, since windows are counted for those. */
function* several(
  { keys: asked, how }: Extract<Selection, { kind: 'several' }>,
  { take, own }: SelectionContext,
): Stepwise<Resolved> {
  const concepts = yield* take('concepts');
  const numbers = asked.map((key) => concepts.keys.indexOf(key));
  const written = asked.map((key, i) => concepts.written[numbers[i]] ?? key);
  const labels = conceptLabels(own.labels, { keys: asked, written });
  const title = labels.join(HOW_WORDS[how]);
  const missing = labels.filter((_, i) => numbers[i] < 0);
  if (missing.length > 0 && how !== 'all') {
    // Places need no windows, so candidates that are not kept are read all the same.
    const candidates = yield* take('candidates');
    const wanted = new Set(asked.map((key) => candidates.keys.indexOf(key)));
    if (!wanted.has(-1)) {
      const { occurrence, occurrenceFirst, occurrenceEnd } = candidates;
      if (how === 'any') {
        const hits = hitsOf(occurrence, occurrenceFirst, occurrenceEnd, (each) => wanted.has(each));
        return { title, query: NOTHING, hits };
      }
      const tokens = yield* take('tokens');
      return { title, query: NOTHING, hits: nearHits(tokens, sentencesOf(tokens), candidates, wanted) };
    }
  }
  if (missing.length > 0) {
    const fault = `${missing.join(', ')} ${missing.length === 1 ? 'is no kept concept' : 'are no kept concepts'}; keep ${missing.length === 1 ? 'it' : 'them'} at Concepts to read several together.`;
    return { title, query: NOTHING, fault };
  }
  if (how !== 'near') return { title, query: { kind: 'concepts', concepts: numbers, any: how === 'any' } };
  const tokens = yield* take('tokens');
  return { title, query: NOTHING, hits: nearHits(tokens, sentencesOf(tokens), concepts, new Set(numbers)) };
}

/** Numbers of the sources that are meant. */
export function sourcesWithin(own: SelectionOwn, within: Within): Set<number> {
  const { when } = within;
  const meant = sourcesOf(own, within);
  if (!when) return meant;
  const isThen = (day: string | undefined): boolean =>
    day !== undefined && day !== '' && periodOf(day, when.period) === when.value;
  return new Set([...meant].filter((source) => isThen(own.days?.[source])));
}

function sourcesOf(own: SelectionOwn, within: Within): Set<number> {
  if ('subset' in within) return new Set(own.subset);
  const asked = new Map<string, Set<string>>();
  for (const { attribute, value } of 'groups' in within ? within.groups : []) {
    asked.set(attribute, (asked.get(attribute) ?? new Set()).add(value));
  }
  const conditions = [...asked].map(([attribute, any]) => ({ any, of: valuesOf(own, attribute) }));
  const isMeant = (id: string, i: number): boolean =>
    'sourceId' in within ? id === within.sourceId : conditions.every(({ any, of }) => any.has(of[i]));
  return new Set(own.ids.flatMap((id, i) => (isMeant(id, i) ? [i] : [])));
}

export function queryWithin(query: PassageQuery, meant: ReadonlySet<number>): PassageQuery {
  const held = query.sources;
  return { ...query, sources: held ? new Set([...held].filter((source) => meant.has(source))) : meant };
}

/** Stretches of a theme, of concepts, or all; of one tenth of their sources, or of one tone. */
function* stretchesOf(
  { letter, keys, also, tenth, tone: asked }: Extract<Selection, { kind: 'stretches' }>,
  labels: readonly string[],
  { take, own, tone }: SelectionContext,
): Stepwise<Resolved> {
  const concepts = yield* take('concepts');
  const { themes } = yield* take('themes');
  const spoken = yield* take('spoken');
  const stretches = yield* take('stretches');
  const tokens = yield* take('tokens');
  const theme = themes.find((each) => each.letter === letter);
  const numbers = keys.map((key) => concepts.keys.indexOf(key));
  if (numbers.includes(-1) || (letter !== '' && !theme))
    return { title: [letter, ...keys].join(' '), query: NOTHING };
  const row = theme
    ? { concepts: theme.concepts, fewest: own.fewest }
    : { concepts: numbers, fewest: numbers.length };
  const wanted = new Uint8Array(stretches.count).fill(row.concepts.length === 0 ? 1 : 0);
  if (row.concepts.length > 0) eachRowSpoken(spoken, [row], (w) => (wanted[w] = 1));
  const title = [
    theme ? `${theme.letter} ${theme.label}` : numbers.map((i) => labels[i]).join(' — ') || 'Everything said',
  ];
  const second = themes.find((each) => each.letter === also);
  if (second) {
    const both = new Uint8Array(stretches.count);
    eachRowSpoken(spoken, [{ concepts: second.concepts, fewest: own.fewest }], (w) => (both[w] = wanted[w]));
    wanted.set(both);
    title.push(`and ${second.letter} ${second.label}`);
  }
  if (tenth !== undefined) {
    tenthsOf(stretches).forEach((each, w) => {
      if (each !== tenth) wanted[w] = 0;
    });
    title.push(`tenth ${tenth + 1} of the sources`);
  }
  const concerned = [...row.concepts, ...(second?.concepts ?? [])];
  const query = { kind: 'stretches', concepts: concerned, wanted } as const;
  if (!asked) return { title: title.join(' · '), query };
  const list = allLists(yield* tone(), own.toneLists ?? {}).find(({ name }) => name === asked.list);
  const reader = list && readTone(tokens, list);
  const aspect = reader?.aspects.findIndex(({ name }) => name === asked.aspect) ?? -1;
  if (!list || !reader || aspect < 0) return { title: title.join(' · '), query: NOTHING };
  const has = toneBy(tokens, stretches, list);
  for (let w = 0; w < stretches.count; w++) {
    if (has[w * reader.aspects.length + aspect] === 0) wanted[w] = 0;
  }
  const { category, sign } = reader.aspects[aspect];
  const toned: TonedWord[] = [];
  for (let w = 0; w < stretches.count; w++) {
    if (wanted[w] === 0) continue;
    for (const word of reader.wordsIn(stretches.first[w], stretches.end[w])) {
      if (reader.categories[word.category] === category && word.weight * sign > 0) toned.push(word);
    }
  }
  return {
    title: [...title, `${asked.aspect} by ${asked.list}`].join(' · '),
    query,
    toned: {
      first: Int32Array.from(toned, ({ first }) => first),
      end: Int32Array.from(toned, ({ end }) => end),
    },
  };
}

/** What a selection asks of the passages; one that is gone from the study asks for nothing. */
export function* resolveSelection(selection: Selection, context: SelectionContext): Stepwise<Resolved> {
  if (selection.kind === 'search') return yield* searched(selection.query, context);
  if (selection.kind === 'following') return yield* following(selection, context);
  const { take, own } = context;
  const concepts = yield* take('concepts');
  const { keys } = concepts;
  const labels = conceptLabels(own.labels, concepts);
  const nothing: PassageQuery = { kind: 'concepts', concepts: [] };
  if (selection.kind === 'several') return yield* several(selection, context);
  if (selection.kind === 'concept' || selection.kind === 'link') {
    const asked = selection.kind === 'concept' ? [selection.key] : selection.keys;
    const numbers = asked.map((key) => keys.indexOf(key));
    if (selection.kind === 'concept' && numbers[0] < 0) return yield* unchosen(selection.key, context);
    const title = asked.map((key, i) => (numbers[i] < 0 ? key : labels[numbers[i]])).join(' — ');
    return { title, query: numbers.includes(-1) ? nothing : { kind: 'concepts', concepts: numbers } };
  }
  const { themes, themeOf } = yield* take('themes');
  if (selection.kind === 'missed') {
    const spoken = yield* take('spoken');
    const reached = reachedByThemes(spoken, themeOf, themes.length, own.fewest);
    const wanted = Uint8Array.from(reached, (each) => 1 - each);
    return {
      title: 'What no theme reaches',
      query: { kind: 'stretches', concepts: keys.map((_, i) => i), wanted },
    };
  }
  if (selection.kind === 'stretches') return yield* stretchesOf(selection, labels, context);
  const theme = themes.find(({ letter }) => letter === selection.letter);
  if (!theme) return { title: selection.letter, query: nothing };
  const query = { kind: 'theme', concepts: theme.concepts, fewest: own.fewest } as const;
  const title = `${theme.letter} ${theme.label}`;
  if (selection.kind === 'theme') return { title, query };
  const values = valuesOf(own, selection.attribute);
  const isThere = selection.group !== '';
  const sources = new Set(own.ids.flatMap((_, i) => (isThere && values[i] === selection.group ? [i] : [])));
  return { title: `${title} · ${selection.group}`, query: { ...query, sources } };
}
