import type { Piece } from '../text/reading-part.ts';
import type { WordKind } from '../text/parts-of-speech.ts';
import type { CleaningStep } from '../text/steps.ts';
import type { LinkSettings } from '../network/links.ts';
import type { WindowSettings } from '../network/windows.ts';
import type { ThemeSettings } from '../themes/themes.ts';
import type { MapSettings } from '../map/scene.ts';
import type { AttributeType } from './attributes.ts';
import { withRecipe, type Recipe } from './recipe.ts';
import { looseLists } from './fold-lists.ts';
import type { Subset } from './subset.ts';
import {
  EMPTY_STUDY,
  type CompareSettings,
  type ConceptSettings,
  type SourceSettings,
  type SpeakerSettings,
  type StudySettings,
  type StudySource,
  type StudyState,
} from './study.ts';
import { ownValue, withoutWords } from '../numeric/records.ts';

/** One recorded choice of the researcher's. */
export type Decision =
  | { readonly kind: 'renameStudy'; readonly title: string }
  | {
      readonly kind: 'addSources';
      readonly sources: readonly StudySource[];
      /** What is worth knowing of how they came in, such as how many rows of a table had no text. */
      readonly note?: string;
      /** Types of attributes that came with them. */
      readonly types?: Readonly<Record<string, AttributeType>>;
    }
  /** Source id → the sources that take its place: sections of it, or what each of its speakers said. */
  | { readonly kind: 'splitSources'; readonly parts: Readonly<Record<string, readonly StudySource[]>> }
  /** Source id → the pieces of its text that are not read. */
  | { readonly kind: 'setCuts'; readonly cuts: Readonly<Record<string, readonly Piece[]>> }
  | { readonly kind: 'removeSources'; readonly ids: readonly string[] }
  | {
      readonly kind: 'setAttribute';
      readonly ids: readonly string[];
      readonly attribute: string;
      readonly value: string;
    }
  /** Attribute → source id → value. */
  | {
      readonly kind: 'setValues';
      readonly values: Readonly<Record<string, Readonly<Record<string, string>>>>;
    }
  | { readonly kind: 'setAttributeType'; readonly attribute: string; readonly type: AttributeType }
  | { readonly kind: 'renameAttribute'; readonly attribute: string; readonly name: string }
  | { readonly kind: 'removeAttribute'; readonly attribute: string }
  | { readonly kind: 'setSources'; readonly change: Partial<SourceSettings> }
  | { readonly kind: 'keepSubset'; readonly name: string; readonly subset: Subset }
  | { readonly kind: 'forgetSubset'; readonly name: string }
  | { readonly kind: 'applyRecipe'; readonly recipe: Recipe }
  | { readonly kind: 'setSpeakers'; readonly change: Partial<SpeakerSettings> }
  /** All steps as they are to be, and what of them is new, in a few words. */
  | { readonly kind: 'setCleaning'; readonly steps: readonly CleaningStep[]; readonly what: string }
  | { readonly kind: 'setConcepts'; readonly change: Partial<ConceptSettings> }
  | { readonly kind: 'keepConcepts'; readonly keys: readonly string[] }
  | { readonly kind: 'dropConcepts'; readonly keys: readonly string[] }
  | { readonly kind: 'leaveConcepts'; readonly keys: readonly string[] }
  | { readonly kind: 'addStopWords'; readonly words: readonly string[] }
  /** Words are stopped; phrases are dropped, since their words may be concepts by themselves. */
  | { readonly kind: 'neverShow'; readonly words: readonly string[]; readonly phrases: readonly string[] }
  | { readonly kind: 'removeStopWords'; readonly words: readonly string[] }
  /** Words of the published stop list that are let back in, and no longer. */
  | { readonly kind: 'allowWords'; readonly words: readonly string[] }
  | { readonly kind: 'stopAllowing'; readonly words: readonly string[] }
  /** Words, small letters, that are something else than was found; null leaves them to what was found. */
  | { readonly kind: 'setWordKind'; readonly words: readonly string[]; readonly as: WordKind | null }
  | { readonly kind: 'mergeConcepts'; readonly into: string; readonly keys: readonly string[] }
  /** Several merges at once, as from a list of synonyms. */
  | {
      readonly kind: 'mergeMany';
      readonly groups: readonly { readonly into: string; readonly keys: readonly string[] }[];
    }
  /** A suggested merge that is refused for good: the two keys, sorted. */
  | { readonly kind: 'refuseMerge'; readonly keys: readonly [string, string] }
  /** A concept’s variants are concepts of their own again; of a variant, that one alone. */
  | { readonly kind: 'splitConcept'; readonly key: string }
  | { readonly kind: 'renameConcept'; readonly key: string; readonly label: string }
  | { readonly kind: 'setWindows'; readonly change: Partial<WindowSettings> }
  | { readonly kind: 'setLinks'; readonly change: Partial<LinkSettings> }
  | { readonly kind: 'setThemes'; readonly change: Partial<ThemeSettings> }
  | { readonly kind: 'renameTheme'; readonly letter: string; readonly name: string }
  | { readonly kind: 'setMap'; readonly change: Partial<MapSettings> }
  | { readonly kind: 'setCompare'; readonly change: Partial<CompareSettings> };

/** A decision in the record. Records form a tree: undo moves the head to the parent, nothing is ever taken out. */
export interface DecisionRecord {
  /** From 1, in the order they were made. */
  readonly seq: number;
  /** The record this one was made on; 0 for the empty study. */
  readonly parent: number;
  /** ISO 8601, UTC. */
  readonly time: string;
  readonly decision: Decision;
  readonly reason?: string;
}

/** A study's record of decisions with its markers. */
export interface DecisionLog {
  readonly records: readonly DecisionRecord[];
  /** The record in force; 0 for none. */
  readonly head: number;
  /** The end of the line that redo follows. */
  readonly tip: number;
}

const without = (from: readonly string[], keys: readonly string[]): string[] => {
  const gone = new Set(keys);
  return from.filter((key) => !gone.has(key));
};
const withAll = (to: readonly string[], keys: readonly string[]): string[] => [...new Set([...to, ...keys])];

/** Sources with more of them; one that is there already is not there twice. */
function withSources(sources: readonly StudySource[], more: readonly StudySource[]): readonly StudySource[] {
  const ids = new Set(sources.map(({ id }) => id));
  const fresh = more.filter(({ id }) => !ids.has(id) && ids.add(id));
  return fresh.length === 0 ? sources : [...sources, ...fresh];
}

/** Sources some of which are parted; a part that is there already is not there twice. */
function withParts(
  sources: readonly StudySource[],
  parts: Readonly<Record<string, readonly StudySource[]>>,
): readonly StudySource[] {
  const ids = new Set(sources.map(({ id }) => id).filter((id) => ownValue(parts, id) === undefined));
  return sources.flatMap((source) => {
    const own = ownValue(parts, source.id);
    return own === undefined ? [source] : own.filter(({ id }) => !ids.has(id) && ids.add(id));
  });
}

function changeSettings<K extends keyof StudySettings>(
  state: StudyState,
  part: K,
  change: Partial<StudySettings[K]>,
): StudyState {
  return { ...state, settings: { ...state.settings, [part]: { ...state.settings[part], ...change } } };
}

/** The state after one more decision. */
export function decide(state: StudyState, decision: Decision): StudyState {
  switch (decision.kind) {
    case 'renameStudy':
      return { ...state, title: decision.title };
    case 'addSources':
      return {
        ...state,
        sources: withSources(state.sources, decision.sources),
        attributeTypes: { ...decision.types, ...state.attributeTypes },
      };
    case 'splitSources':
      return {
        ...state,
        sources: withParts(state.sources, decision.parts),
      };
    case 'setCuts':
      return {
        ...state,
        sources: state.sources.map((source) => {
          const cuts = ownValue(decision.cuts, source.id);
          return cuts === undefined ? source : { ...source, cuts };
        }),
      };
    case 'removeSources':
      return { ...state, sources: state.sources.filter((source) => !decision.ids.includes(source.id)) };
    case 'setAttribute': {
      const ids = new Set(decision.ids);
      return {
        ...state,
        sources: state.sources.map((source) =>
          ids.has(source.id)
            ? { ...source, attributes: { ...source.attributes, [decision.attribute]: decision.value } }
            : source,
        ),
      };
    }
    case 'setValues':
      return {
        ...state,
        sources: state.sources.map((source) => {
          const own = Object.entries(decision.values).flatMap(([attribute, values]) => {
            const value = ownValue(values, source.id);
            return value === undefined ? [] : [[attribute, value] as const];
          });
          return own.length === 0
            ? source
            : { ...source, attributes: { ...source.attributes, ...Object.fromEntries(own) } };
        }),
      };
    case 'setAttributeType':
      return {
        ...state,
        attributeTypes: { ...state.attributeTypes, [decision.attribute]: decision.type },
      };
    case 'renameAttribute':
      return renameAttribute(state, decision.attribute, decision.name.trim());
    case 'setSources':
      return changeSettings(state, 'sources', decision.change);
    case 'keepSubset':
      return { ...state, subsets: { ...state.subsets, [decision.name]: decision.subset } };
    case 'forgetSubset': {
      return { ...state, subsets: withoutWords(state.subsets, (name) => name === decision.name) };
    }
    case 'applyRecipe':
      return withRecipe(state, decision.recipe);
    case 'removeAttribute':
      return {
        ...state,
        settings: withoutConditionsOn(state.settings, decision.attribute),
        sources: state.sources.map((source) => ({
          ...source,
          attributes: withoutWords(source.attributes, (name) => name === decision.attribute),
        })),
      };
    case 'setSpeakers':
      return changeSettings(state, 'speakers', decision.change);
    case 'setCleaning':
      return changeSettings(state, 'cleaning', { steps: decision.steps });
    case 'setConcepts':
      return changeSettings(state, 'concepts', decision.change);
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
      const dropped = decide(state, { kind: 'dropConcepts', keys: decision.phrases });
      return decide(dropped, { kind: 'addStopWords', words: decision.words });
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
        (now, { into, keys }) => decide(now, { kind: 'mergeConcepts', into, keys }),
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
    case 'setWindows':
      return changeSettings(state, 'windows', decision.change);
    case 'setLinks':
      return changeSettings(state, 'links', decision.change);
    case 'setThemes':
      return changeSettings(state, 'themes', decision.change);
    case 'renameTheme': {
      const others = withoutWords(state.themeNames, (letter) => letter === decision.letter);
      const name = decision.name.trim();
      return { ...state, themeNames: name === '' ? others : { ...others, [decision.letter]: name } };
    }
    case 'setMap':
      return changeSettings(state, 'map', decision.change);
    case 'setCompare':
      return changeSettings(state, 'compare', decision.change);
  }
}

/** Fewer decisions than this are made one after the other: taking the lists up costs more. */
const FEW = 20;

/** The state after many more decisions: what `decide` gives decision by decision, in time of what each changes. */
export function decideAll(state: StudyState, decisions: readonly Decision[]): StudyState {
  if (decisions.length < FEW) return decisions.reduce(decide, state);
  let now = state;
  let lists = looseLists(now);
  for (const decision of decisions) {
    if (lists.apply(decision)) continue;
    if (decision.kind === 'applyRecipe') {
      // A recipe adds to the lists, so they are made before and taken up anew after it.
      now = decide(lists.into(now), decision);
      lists = looseLists(now);
    } else now = decide(now, decision);
  }
  return lists.into(now);
}

/** A subset can't ask for an attribute that is gone. */
function withoutConditionsOn(settings: StudySettings, attribute: string): StudySettings {
  const subset = settings.sources.subset.filter((condition) => condition.attribute !== attribute);
  return { ...settings, sources: { ...settings.sources, subset } };
}

function renameAttribute(state: StudyState, attribute: string, name: string): StudyState {
  const renamed = (each: string): string => (each === attribute ? name : each);
  const inSubset = (subset: Subset): Subset =>
    subset.map((condition) => ({ ...condition, attribute: renamed(condition.attribute) }));
  const { sources, compare } = state.settings;
  return {
    ...state,
    sources: state.sources.map((source) => ({
      ...source,
      attributes: Object.fromEntries(
        Object.entries(source.attributes).map(([each, value]) => [renamed(each), value]),
      ),
    })),
    attributeTypes: Object.fromEntries(
      Object.entries(state.attributeTypes).map(([each, type]) => [renamed(each), type]),
    ),
    subsets: Object.fromEntries(
      Object.entries(state.subsets).map(([each, subset]) => [each, inSubset(subset)]),
    ),
    settings: {
      ...state.settings,
      sources: { ...sources, subset: inSubset(sources.subset) },
      compare: { ...compare, attribute: renamed(compare.attribute) },
    },
  };
}

/** The records in force, first to last: from the head back to the empty study. */
export function recordsInForce(log: DecisionLog): DecisionRecord[] {
  const bySeq = new Map(log.records.map((record) => [record.seq, record]));
  const line: DecisionRecord[] = [];
  for (let record = bySeq.get(log.head); record; record = bySeq.get(record.parent)) line.push(record);
  return line.reverse();
}

/** The study its decisions amount to. */
export function foldDecisions(log: DecisionLog): StudyState {
  return decideAll(
    EMPTY_STUDY,
    recordsInForce(log).map(({ decision }) => decision),
  );
}

/** States that were folded before, by the sequence number of their last decision; the latest used stands last. */
export type FoldedStates = Map<number, StudyState>;

/** How many states are held: so many steps back and forth cost nothing. */
const HELD_STATES = 200;

/**
 * The study its decisions amount to, from the nearest state that was folded before. The same decisions give the same
 * object, so that whatever is known of it stays known.
 *
 * @param folded states of the same log; the one returned is added
 */
export function foldOnto(log: DecisionLog, folded: FoldedStates): StudyState {
  const line = recordsInForce(log);
  let from = line.length;
  while (from > 0 && !folded.has(line[from - 1].seq)) from--;
  const nearest = from === 0 ? EMPTY_STUDY : (folded.get(line[from - 1].seq) ?? EMPTY_STUDY);
  const state = decideAll(
    nearest,
    line.slice(from).map(({ decision }) => decision),
  );
  folded.delete(log.head);
  folded.set(log.head, state);
  for (const oldest of folded.keys()) {
    if (folded.size <= HELD_STATES) break;
    folded.delete(oldest);
  }
  return state;
}

/** The head after one undo; the same where there is nothing to undo. */
export function undone(log: DecisionLog): number {
  return log.records.find((record) => record.seq === log.head)?.parent ?? 0;
}

/** The head after one redo; the same where there is nothing to redo. */
export function redone(log: DecisionLog): number {
  const parentOf = new Map(log.records.map((record) => [record.seq, record.parent]));
  let at = log.tip;
  while (at !== 0 && parentOf.get(at) !== log.head) at = parentOf.get(at) ?? 0;
  return at === 0 ? log.head : at;
}
