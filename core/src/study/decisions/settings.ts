import type { CleaningStep } from '../../text/cleaning/steps.ts';
import type { LinkSettings } from '../../network/links.ts';
import type { ThemeSettings } from '../../themes/themes.ts';
import type { MapSettings } from '../../map/scene.ts';
import { withRecipe, type Recipe } from '../recipe.ts';
import type { CompareSettings, ConceptSettings, WindowChoice } from '../study.ts';
import { LONGEST } from '../limits.ts';
import {
  changeSettings,
  withLists,
  type Appliers,
  type FieldsOf,
  type Sayers,
  type SchemaFields,
} from './kinds.ts';

/** Decisions about settings and names, and recipes of them. */
export type SettingDecision =
  /** All steps as they are to be, and what of them is new, in a few words. */
  | { readonly kind: 'setCleaning'; readonly steps: readonly CleaningStep[]; readonly what: string }
  | { readonly kind: 'setConcepts'; readonly change: Partial<ConceptSettings> }
  | { readonly kind: 'setWindows'; readonly change: Partial<WindowChoice> }
  | { readonly kind: 'setLinks'; readonly change: Partial<LinkSettings> }
  | { readonly kind: 'setThemes'; readonly change: Partial<ThemeSettings> }
  | { readonly kind: 'setMap'; readonly change: Partial<MapSettings> }
  | { readonly kind: 'setCompare'; readonly change: Partial<CompareSettings> }
  | { readonly kind: 'applyRecipe'; readonly recipe: Recipe };

export const SETTING_APPLY: Appliers<SettingDecision> = {
  setCleaning: (state, decision) => changeSettings(state, 'cleaning', { steps: decision.steps }),
  setConcepts: (state, decision) => changeSettings(state, 'concepts', decision.change),
  setWindows: (state, decision) => changeSettings(state, 'windows', decision.change),
  setLinks: (state, decision) => changeSettings(state, 'links', decision.change),
  setThemes: (state, decision) => changeSettings(state, 'themes', decision.change),
  setMap: (state, decision) => changeSettings(state, 'map', decision.change),
  setCompare: (state, decision) => changeSettings(state, 'compare', decision.change),
  applyRecipe: withLists((state, decision) => withRecipe(state, decision.recipe)),
};

export const SETTING_SAY: Sayers<SettingDecision> = {
  setCleaning: (decision) => decision.what,
  setConcepts: () => 'change how concepts are chosen',
  setWindows: () => 'change the window',
  setLinks: () => 'change what makes a link',
  setThemes: () => 'change the grouping',
  setMap: () => 'change the map',
  setCompare: () => 'change the comparison',
  applyRecipe: () => 'use a recipe',
};

/** What a file may hold of them; handed what checks, which the page does without until something is decided. */
export const settingDecisionSchemas = ({
  Joi,
  steps,
  settingsChange,
  recipeSchema,
}: SchemaFields): FieldsOf<SettingDecision> => ({
  setCleaning: { steps: steps.required(), what: Joi.string().allow('').max(LONGEST.remark).required() },
  setConcepts: { change: settingsChange('concepts') },
  setWindows: { change: settingsChange('windows') },
  setLinks: { change: settingsChange('links') },
  setThemes: { change: settingsChange('themes') },
  setMap: { change: settingsChange('map') },
  setCompare: { change: settingsChange('compare') },
  applyRecipe: { recipe: recipeSchema.required() },
});
