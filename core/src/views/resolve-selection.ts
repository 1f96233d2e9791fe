import { alongPath } from '../reading/branches.ts';
import { hitsIn, hitsOf, NO_HITS, type Hits } from '../reading/hits.ts';
import { type PassageQuery } from '../reading/passages.ts';
import { nearHits } from '../reading/near.ts';
import { findHits, readQuery, SearchError } from '../reading/search.ts';
import { sentenceOfTokens, type Tokens } from '../text/tokens.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { conceptLabels, fewestInWindow, languageOf } from '../engine/stage-inputs.ts';
import { groupsOf } from '../study/groups.ts';
import type { StudySource } from '../study/study.ts';
import { workingSources } from '../study/subset.ts';
import type { ViewContext } from './view-context.ts';
import type { FollowingSelection, Selection, Within } from './view-types.ts';
import { ownValue } from '../base/records.ts';

const sentencesOfTokens = new WeakMap<Tokens, Int32Array>();
export function sentencesOf(tokens: Tokens): Int32Array {
  let sentences = sentencesOfTokens.get(tokens);
  if (!sentences) sentencesOfTokens.set(tokens, (sentences = sentenceOfTokens(tokens)));
  return sentences;
}

/** What a selection asks for: windows of chosen concepts, or places of words. */
export interface Resolved {
  readonly title: string;
  readonly query: PassageQuery;
  readonly hits?: Hits;
  readonly fault?: string;
}

const NOTHING: PassageQuery = { kind: 'concepts', concepts: [] };

function* searched(typed: string, { engine, study, lexicon }: ViewContext): Stepwise<Resolved> {
  const tokens = yield* engine.compute('tokens', study);
  const terms = yield* engine.compute('terms', study);
  const languages = yield* engine.compute('languages', study);
  const title = /^["“„]/.test(typed) ? typed : `“${typed}”`;
  try {
    const isEnglish = languageOf(study.state, languages) === 'en';
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
function* following({ of, direction, words }: FollowingSelection, context: ViewContext): Stepwise<Resolved> {
  const tokens = yield* context.engine.compute('tokens', context.study);
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
function* unchosen(key: string, { engine, study }: ViewContext): Stepwise<Resolved> {
  const candidates = yield* engine.compute('candidates', study);
  const asked = candidates.keys.indexOf(key);
  const { occurrence, occurrenceFirst, occurrenceEnd } = candidates;
  const hits = hitsOf(occurrence, occurrenceFirst, occurrenceEnd, (candidate) => candidate === asked);
  return { title: ownValue(study.state.conceptLabels, key) ?? key, query: NOTHING, hits };
}

/** Every mention a selection stands for: of its concepts, in the sources it names, or of what was searched for. */
export function* hitsOfSelection(
  selection: Selection,
  context: ViewContext,
): Stepwise<{ title: string; hits: Hits; fault?: string }> {
  const { title, query, hits, fault } = yield* resolveSelection(selection, context);
  if (hits) return { title, hits, ...(fault === undefined ? {} : { fault }) };
  const { engine, study } = context;
  const concepts = yield* engine.compute('concepts', study);
  const tokens = yield* engine.compute('tokens', study);
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
  { engine, study }: ViewContext,
): Stepwise<Resolved> {
  const concepts = yield* engine.compute('concepts', study);
  const labels = conceptLabels(study.state, asked);
  const numbers = asked.map((key) => concepts.keys.indexOf(key));
  const title = labels.join(HOW_WORDS[how]);
  const missing = labels.filter((_, i) => numbers[i] < 0);
  if (missing.length > 0 && how !== 'all') {
    // Places need no windows, so candidates that are not kept are read all the same.
    const candidates = yield* engine.compute('candidates', study);
    const wanted = new Set(asked.map((key) => candidates.keys.indexOf(key)));
    if (!wanted.has(-1)) {
      const { occurrence, occurrenceFirst, occurrenceEnd } = candidates;
      if (how === 'any') {
        const hits = hitsOf(occurrence, occurrenceFirst, occurrenceEnd, (each) => wanted.has(each));
        return { title, query: NOTHING, hits };
      }
      const tokens = yield* engine.compute('tokens', study);
      return { title, query: NOTHING, hits: nearHits(tokens, sentencesOf(tokens), candidates, wanted) };
    }
  }
  if (missing.length > 0) {
    const fault = `${missing.join(', ')} ${missing.length === 1 ? 'is no kept concept' : 'are no kept concepts'}; keep ${missing.length === 1 ? 'it' : 'them'} at Concepts to read several together.`;
    return { title, query: NOTHING, fault };
  }
  if (how !== 'near') return { title, query: { kind: 'concepts', concepts: numbers, any: how === 'any' } };
  const tokens = yield* engine.compute('tokens', study);
  return { title, query: NOTHING, hits: nearHits(tokens, sentencesOf(tokens), concepts, new Set(numbers)) };
}

/** Numbers of the sources that are meant. */
export function sourcesWithin(sources: readonly StudySource[], within: Within): Set<number> {
  const values = new Map<string, Set<string>>();
  for (const { attribute, value } of 'groups' in within ? within.groups : []) {
    values.set(attribute, (values.get(attribute) ?? new Set()).add(value));
  }
  const isMeant = (source: StudySource): boolean =>
    'sourceId' in within
      ? source.id === within.sourceId
      : [...values].every(([attribute, any]) =>
          any.has((ownValue(source.attributes, attribute) ?? '').trim()),
        );
  return new Set(sources.flatMap((source, i) => (isMeant(source) ? [i] : [])));
}

export function queryWithin(query: PassageQuery, meant: ReadonlySet<number>): PassageQuery {
  const held = query.sources;
  return { ...query, sources: held ? new Set([...held].filter((source) => meant.has(source))) : meant };
}

/** What a selection asks of the passages; one that is gone from the study asks for nothing. */
export function* resolveSelection(selection: Selection, context: ViewContext): Stepwise<Resolved> {
  if (selection.kind === 'search') return yield* searched(selection.query, context);
  if (selection.kind === 'following') return yield* following(selection, context);
  const { engine, study } = context;
  const { keys } = yield* engine.compute('concepts', study);
  const labels = conceptLabels(study.state, keys);
  const nothing: PassageQuery = { kind: 'concepts', concepts: [] };
  if (selection.kind === 'several') return yield* several(selection, context);
  if (selection.kind === 'concept' || selection.kind === 'link') {
    const asked = selection.kind === 'concept' ? [selection.key] : selection.keys;
    const concepts = asked.map((key) => keys.indexOf(key));
    if (selection.kind === 'concept' && concepts[0] < 0) return yield* unchosen(selection.key, context);
    const title = asked.map((key, i) => (concepts[i] < 0 ? key : labels[concepts[i]])).join(' — ');
    return { title, query: concepts.includes(-1) ? nothing : { kind: 'concepts', concepts } };
  }
  const { themes } = yield* engine.compute('themes', study);
  const theme = themes.find(({ letter }) => letter === selection.letter);
  if (!theme) return { title: selection.letter, query: nothing };
  const query = { kind: 'theme', concepts: theme.concepts, fewest: fewestInWindow(study.state) } as const;
  const title = `${theme.letter} ${theme.label}`;
  if (selection.kind === 'theme') return { title, query };
  const { names, groupOf } = groupsOf(workingSources(study.state), selection.attribute);
  const group = names.indexOf(selection.group);
  const sources = new Set(Array.from(groupOf.keys()).filter((s) => group >= 0 && groupOf[s] === group));
  return { title: `${title} · ${selection.group}`, query: { ...query, sources } };
}
