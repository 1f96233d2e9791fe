import type { Piece } from '../text/reading-part.ts';
import type { WordKind } from '../text/parts-of-speech.ts';
import type { CleaningStep } from '../text/steps.ts';
import type { LinkSettings } from '../network/links.ts';
import type { WindowSettings } from '../network/windows.ts';
import type { ThemeSettings } from '../themes/themes.ts';
import type { MapSettings } from '../map/scene.ts';
import type { AttributeType } from './attributes.ts';
import { withRecipe, type Recipe } from './recipe.ts';
import { looseLists, type ListDecision } from './fold-lists.ts';
import type { Subset } from './subset.ts';
import {
  type CompareSettings,
  type ConceptSettings,
  type SourceSettings,
  type SpeakerSettings,
  type StudySettings,
  type StudySource,
  type StudyState,
} from './study.ts';
import { ownValue, withoutWords } from '../base/records.ts';

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
    default: {
      // All others are about lists of words.
      const listed: ListDecision = decision;
      const lists = looseLists(state);
      lists.apply(listed);
      return lists.into(state);
    }
  }
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
