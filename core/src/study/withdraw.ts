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
