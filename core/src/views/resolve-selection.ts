import { alongPath } from '../reading/branches.ts';
import { hitsIn, hitsOf, NO_HITS, type Hits } from '../reading/hits.ts';
import { type PassageQuery } from '../reading/passages.ts';
import { nearHits } from '../reading/near.ts';
import { findHits, readQuery, SearchError } from '../reading/search.ts';
import { sentenceOfTokens, type Tokens } from '../text/tokens.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { conceptLabels, languageOf } from '../engine/resources.ts';
import { fewestInStretch, idsOf } from '../engine/stage-keys.ts';
import { reachedByThemes } from '../themes/coverage.ts';
import { groupValues } from '../study/groups.ts';
import type { StudyState } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import type { ViewContext } from './view.ts';
import type { FollowingSelection, Selection, Within } from './reading-view-types.ts';
import { ownValue } from '../base/records.ts';

const sentencesOfTokens = new WeakMap<Tokens, Int32Array>();
export function sentencesOf(tokens: Tokens): Int32Array {
  let sentences = sentencesOfTokens.get(tokens);
  if (!sentences) sentencesOfTokens.set(tokens, (sentences = sentenceOfTokens(tokens)));
  return sentences;
}

/** Stages a selection may have to be looked up in. */
export const SELECTION_STAGES = [
  'tokens',
  'terms',
  'languages',
  'candidates',
  'concepts',
  'themes',
  'spoken',
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
  return {
    ids: idsOf(sources),
    /** Attribute and each source's value of it. */
    values: [...new Set(asked)].map((attribute) => ({
      attribute,
      of: groupValues(state, attribute),
    })),
    labels: state.conceptLabels,
    language: state.settings.concepts.language,
    fewest: fewestInStretch(state),
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
  readonly fault?: string;
}

const NOTHING: PassageQuery = { kind: 'concepts', concepts: [] };

function* searched(typed: string, { take, own, lexicon }: SelectionContext): Stepwise<Resolved> {
  const tokens = yield* take('tokens');
  const terms = yield* take('terms');
  const languages = yield* take('languages');
  const title = /^["“„]/.test(typed) ? typed : `“${typed}”`;
  try {
    const isEnglish = languageOf(own.language, languages) === 'en';
    const hits = findHits(
      readQuery(typed),
      tokens,
      terms,
      sentencesOf(tokens),
      isEnglish ? lexicon() : undefined,
    );
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
    const query = { kind: 'missed', concepts: keys.map((_, i) => i), reached } as const;
    return { title: 'What no theme reaches', query };
  }
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
