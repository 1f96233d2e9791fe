import { COMPARE_APPLY, type CompareDecision } from './decisions/compare.ts';
import { ATTRIBUTE_APPLY, type AttributeDecision } from './decisions/attributes.ts';
import type { Applier, Appliers } from './decisions/kinds.ts';
import { MAP_APPLY, type MapDecision } from './decisions/map.ts';
import { PSEUDONYM_APPLY, type PseudonymDecision } from './decisions/pseudonyms.ts';
import { SETTING_APPLY, type SettingDecision } from './decisions/settings.ts';
import { SOURCE_APPLY, type SourceDecision } from './decisions/sources.ts';
import { THEME_APPLY, type ThemeDecision } from './decisions/themes.ts';
import type { WordDecision } from './decisions/words.ts';
import { looseLists } from './decisions/word-lists.ts';
import type { StudyState } from './study.ts';

/** One recorded choice of the researcher's. */
export type Decision =
  | SourceDecision
  | AttributeDecision
  | WordDecision
  | SettingDecision
  | ThemeDecision
  | CompareDecision
  | PseudonymDecision
  | MapDecision;

const APPLY: Appliers<Exclude<Decision, WordDecision>> = {
  ...SOURCE_APPLY,
  ...ATTRIBUTE_APPLY,
  ...SETTING_APPLY,
  ...THEME_APPLY,
  ...COMPARE_APPLY,
  ...PSEUDONYM_APPLY,
  ...MAP_APPLY,
};
const APPLY_BY_KIND: ReadonlyMap<string, Applier<never>> = new Map(Object.entries(APPLY));

/** Whether a decision that is not about words reads or changes the lists of words all the same. */
export const touchesLists = ({ kind }: Decision): boolean => APPLY_BY_KIND.get(kind)?.withLists ?? false;

/** The state after one more decision. */
export function decide(state: StudyState, decision: Decision): StudyState {
  const apply = APPLY_BY_KIND.get(decision.kind);
  if (apply) return apply(state, decision as never);
  // All others are about lists of words.
  const lists = looseLists(state);
  lists.apply(decision);
  return lists.into(state);
}
