import { withoutWords } from '../../src/base/records.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import type { StudyState } from '../../src/study/study.ts';
import type { NameKind } from '../../src/concepts/name-clues.ts';
import type { WordKind } from '../../src/text/words/parts-of-speech.ts';

const without = (from: readonly string[], keys: readonly string[]): string[] => {
  const gone = new Set(keys);
  return from.filter((key) => !gone.has(key));
};
const withAll = (to: readonly string[], keys: readonly string[]): string[] => [...new Set([...to, ...keys])];

/** What each decision about lists of words does, written plainly and apart from the study's own: to be compared with it. */
export function decidePlainly(state: StudyState, decision: Decision): StudyState {
  switch (decision.kind) {
    case 'keepConcepts':
      return {
        ...state,
        kept: withAll(state.kept, decision.keys),
        dropped: without(state.dropped, decision.keys),
      };
    case 'dropConcepts':
      return {
        ...state,
        kept: without(state.kept, decision.keys),
        dropped: withAll(state.dropped, decision.keys),
      };
    case 'leaveConcepts':
      return {
        ...state,
        kept: without(state.kept, decision.keys),
        dropped: without(state.dropped, decision.keys),
      };
    case 'addStopWords':
      return { ...state, stopWords: withAll(state.stopWords, decision.words) };
    case 'neverShow': {
      const dropped = decidePlainly(state, { kind: 'dropConcepts', keys: decision.phrases });
      return decidePlainly(dropped, { kind: 'addStopWords', words: decision.words });
    }
    case 'removeStopWords':
      return { ...state, stopWords: without(state.stopWords, decision.words) };
    case 'allowWords':
      return {
        ...state,
        allowedWords: withAll(state.allowedWords, decision.words),
        stopWords: without(state.stopWords, decision.words),
      };
    case 'stopAllowing':
      return { ...state, allowedWords: without(state.allowedWords, decision.words) };
    case 'setWordKind': {
      const { as } = decision;
      const words = new Set(decision.words);
      const others = Object.entries(state.wordKinds).filter(([word]) => !words.has(word));
      const said = as === null ? [] : [...words].map((word): [string, WordKind] => [word, as]);
      return { ...state, wordKinds: Object.fromEntries([...others, ...said]) };
    }
    case 'setNameKind': {
      const { as } = decision;
      const names = new Set(decision.names);
      const others = Object.entries(state.nameKinds).filter(([name]) => !names.has(name));
      const said = as === null ? [] : [...names].map((name): [string, NameKind] => [name, as]);
      return { ...state, nameKinds: Object.fromEntries([...others, ...said]) };
    }
    case 'mergeConcepts': {
      const merges = new Map(Object.entries(state.merges));
      // The concept merged into counts for itself, or the variants would run in a circle.
      merges.delete(decision.into);
      for (const key of decision.keys) if (key !== decision.into) merges.set(key, decision.into);
      const moved = new Set(decision.keys);
      for (const [variant, into] of merges) {
        if (moved.has(into) && variant !== decision.into) merges.set(variant, decision.into);
      }
      return { ...state, merges: Object.fromEntries(merges) };
    }
    case 'mergeMany':
      return decision.groups.reduce(
        (now, { into, keys }) => decidePlainly(now, { kind: 'mergeConcepts', into, keys }),
        state,
      );
    case 'refuseMerge':
      return { ...state, refusedMerges: withAll(state.refusedMerges, [decision.keys.join('\t')]) };
    case 'splitConcept':
      return {
        ...state,
        merges: withoutWords(
          state.merges,
          (variant, into) => into === decision.key || variant === decision.key,
        ),
      };
    case 'renameConcept': {
      const others = withoutWords(state.conceptLabels, (key) => key === decision.key);
      const label = decision.label.trim();
      return {
        ...state,
        conceptLabels: label === '' || label === decision.key ? others : { ...others, [decision.key]: label },
      };
    }
    default:
      return decide(state, decision);
  }
}
