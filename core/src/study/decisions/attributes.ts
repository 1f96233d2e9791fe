import type { AttributeType } from '../attributes.ts';
import type { Subset } from '../subset.ts';
import type { StudySettings, StudyState } from '../study.ts';
import { ownValue, withoutWords } from '../../base/records.ts';
import { few, type Appliers, type FieldsOf, type Sayers, type SchemaFields } from './kinds.ts';

/** Decisions about what is known of the sources. */
export type AttributeDecision =
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
  | { readonly kind: 'removeAttribute'; readonly attribute: string };

export const ATTRIBUTE_APPLY: Appliers<AttributeDecision> = {
  setAttribute(state, decision) {
    const ids = new Set(decision.ids);
    return {
      ...state,
      sources: state.sources.map((source) =>
        ids.has(source.id)
          ? { ...source, attributes: { ...source.attributes, [decision.attribute]: decision.value } }
          : source,
      ),
    };
  },
  setValues(state, decision) {
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
  },
  setAttributeType: (state, decision) => ({
    ...state,
    attributeTypes: { ...state.attributeTypes, [decision.attribute]: decision.type },
  }),
  renameAttribute: (state, decision) => renameAttribute(state, decision.attribute, decision.name.trim()),
  removeAttribute: (state, decision) => ({
    ...state,
    settings: withoutConditionsOn(state.settings, decision.attribute),
    sources: state.sources.map((source) => ({
      ...source,
      attributes: withoutWords(source.attributes, (name) => name === decision.attribute),
    })),
  }),
};

export const ATTRIBUTE_SAY: Sayers<AttributeDecision> = {
  setAttribute: (decision) => `set ${decision.attribute}`,
  setValues: (decision) => `set ${few(Object.keys(decision.values))}`,
  setAttributeType: (decision) => `read ${decision.attribute} as ${decision.type}`,
  renameAttribute: (decision) => `call ${decision.attribute} ${decision.name}`,
  removeAttribute: (decision) => `remove the attribute ${decision.attribute}`,
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const attributeDecisionSchemas = ({
  Joi,
  key,
  id,
  value,
  attributeType,
}: SchemaFields): FieldsOf<AttributeDecision> => ({
  setAttribute: {
    ids: Joi.array().items(id).required(),
    attribute: key.required(),
    value: value.required(),
  },
  setValues: {
    values: Joi.object().pattern(key, Joi.object().pattern(id, value)).required(),
  },
  setAttributeType: { attribute: key.required(), type: attributeType.required() },
  renameAttribute: { attribute: key.required(), name: key.required() },
  removeAttribute: { attribute: key.required() },
});

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
