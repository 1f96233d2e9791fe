import { SHEET_NAMES, sheetOf, type SheetName } from '../../base/sheets.ts';
import { withoutWords } from '../../base/records.ts';
import { few, type Appliers, type FieldsOf, type Sayers, type SchemaFields } from './kinds.ts';

/** Decisions about where words stand on the map. */
export type MapDecision =
  /** A word stays where it was put on a sheet, in map units, as long as its parcel reaches there. */
  | {
      readonly kind: 'pinConcept';
      readonly key: string;
      readonly at: readonly [x: number, y: number];
      /** Left out where sheets had no names. */
      readonly sheet?: SheetName;
    }
  | { readonly kind: 'unpinConcepts'; readonly keys: readonly string[] };

export const MAP_APPLY: Appliers<MapDecision> = {
  pinConcept: (state, { key, at, sheet }) => ({
    ...state,
    mapPins: Object.fromEntries([
      ...Object.entries(withoutWords(state.mapPins, (word) => word === key)),
      [key, [at[0] / sheetOf(sheet).width, at[1] / sheetOf(sheet).height]],
    ]),
  }),
  unpinConcepts(state, { keys }) {
    const asked = new Set(keys);
    return { ...state, mapPins: withoutWords(state.mapPins, (word) => asked.has(word)) };
  },
};

export const MAP_SAY: Sayers<MapDecision> = {
  pinConcept: ({ key }) => `pin ${key} on the map`,
  unpinConcepts: ({ keys }) => `unpin ${few(keys)}`,
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const mapDecisionSchemas = ({ Joi, concept, keys }: SchemaFields): FieldsOf<MapDecision> => {
  const unit = Joi.number().min(-10_000).max(10_000).required();
  return {
    pinConcept: {
      key: concept.required(),
      at: Joi.array().ordered(unit, unit).required(),
      sheet: Joi.valid(...SHEET_NAMES),
    },
    unpinConcepts: { keys: keys.required() },
  };
};
