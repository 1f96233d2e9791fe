import type { Decision } from './decisions.ts';
import type { DecisionLog, DecisionRecord } from './record.ts';
import type { ThemeIdentity } from '../themes/identity.ts';
import { withoutWords } from '../base/records.ts';

/** The originals some sources are of, by id: a part has no text of its own. */
export function originalsBehind(
  sources: readonly { readonly id: string; readonly part?: { readonly of: string } }[],
): Set<string> {
  return new Set(sources.map(({ id, part }) => part?.of ?? id));
}

/** Ids of all sources, parts too, that a record ever made of some originals. */
export function everMadeOf({ records }: DecisionLog, originals: ReadonlySet<string>): Set<string> {
  const ids = new Set(originals);
  for (const { decision } of records) {
    if (decision.kind !== 'splitSources') continue;
    for (const { id, part } of Object.values(decision.parts).flat()) {
      if (part && originals.has(part.of)) ids.add(id);
    }
  }
  return ids;
}

function without(decision: Decision, gone: ReadonlySet<string>): Decision {
  const isGone = (id: string): boolean => gone.has(id);
  switch (decision.kind) {
    case 'addSources':
      return { ...decision, sources: decision.sources.filter(({ id }) => !gone.has(id)) };
    case 'splitSources':
      return { ...decision, parts: withoutWords(decision.parts, isGone) };
    case 'setCuts':
      return { ...decision, cuts: withoutWords(decision.cuts, isGone) };
    case 'removeSources':
      return { ...decision, ids: decision.ids.filter((id) => !gone.has(id)) };
    case 'setAttribute': {
      const ids = decision.ids.filter((id) => !gone.has(id));
      // A value that was said of nobody else says nothing any more.
      return { ...decision, ids, value: ids.length === 0 ? '' : decision.value };
    }
    case 'setValues':
      return {
        ...decision,
        values: Object.fromEntries(
          Object.entries(decision.values).map(([name, values]) => [name, withoutWords(values, isGone)]),
        ),
      };
    default:
      return decision;
  }
}

/** The letters' register without the words that no text that is left holds; they may be somebody's name. */
export function registerWithin(register: readonly ThemeIdentity[], texts: Iterable<string>): ThemeIdentity[] {
  const left = new Set(register.flatMap(({ members, places = {} }) => [...members, ...Object.keys(places)]));
  const found = new Set<string>();
  for (const text of texts) {
    const small = text.toLowerCase();
    for (const word of left) if (small.includes(word.toLowerCase())) found.add(word);
    for (const word of found) left.delete(word);
  }
  return register.map((theme) => ({
    ...theme,
    members: theme.members.filter((word) => found.has(word)),
    ...(theme.places ? { places: withoutWords(theme.places, (word) => !found.has(word)) } : {}),
  }));
}

/**
 * A record without the pseudonyms of names that are said nowhere any more: the list of them would be the last place that
 * names who has withdrawn. One that is still said somewhere, in a memo or a word that was decided on, is needed there.
 *
 * @param said texts, and whatever else is told of the study
 */
export function withoutUnsaidNames(log: DecisionLog, said: Iterable<string>): DecisionLog {
  const names = new Set(
    log.records.flatMap(({ decision }) =>
      decision.kind === 'setPseudonyms'
        ? [...Object.keys(decision.change), ...Object.keys(decision.capital ?? {})]
        : [],
    ),
  );
  const others = log.records.filter(({ decision }) => decision.kind !== 'setPseudonyms');
  const unsaid = new Map(Array.from(names, (name) => [name, inSmall(name)]));
  for (const text of [...said, ...wordsIn(others)]) {
    if (unsaid.size === 0) return log;
    const small = inSmall(text);
    for (const [name, sought] of unsaid) if (small.includes(sought)) unsaid.delete(name);
  }
  return {
    ...log,
    records: log.records.map((record): DecisionRecord => {
      const { decision } = record;
      if (decision.kind !== 'setPseudonyms') return record;
      const isUnsaid = (name: string): boolean => unsaid.has(name);
      const { capital, ...rest } = decision;
      return {
        ...record,
        decision: {
          ...rest,
          change: withoutWords(decision.change, isUnsaid),
          ...(capital ? { capital: withoutWords(capital, isUnsaid) } : {}),
        },
      };
    }),
  };
}

/** All that is written in a value made of records and lists, the names of its fields too. */
export function wordsIn(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (value === null || typeof value !== 'object') return [];
  if (Array.isArray(value)) return value.flatMap(wordsIn);
  return Object.entries(value).flatMap(([name, each]) => [name, ...wordsIn(each)]);
}

/** A text in small letters, one space between its words. */
const inSmall = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim();

/**
 * A record as if some sources had never come in: they are in none of its decisions. What was decided of words and settings
 * stays as it is.
 */
export function withoutSources(log: DecisionLog, gone: ReadonlySet<string>): DecisionLog {
  return {
    ...log,
    records: log.records.map((record): DecisionRecord => {
      const decision = without(record.decision, gone);
      return decision === record.decision ? record : { ...record, decision };
    }),
  };
}
