import { largest } from '../base/extent.ts';
import { hashValue } from '../base/hash.ts';
import { hashOfOwn, placeOf, stageKey, type Own, type StageName } from '../engine/stage-keys.ts';
import type { StudyState } from '../study/study.ts';
import type { ViewName, ViewQuestions } from './asked.ts';
import { EXCHANGE_KEYS } from './exchange/exchange-views.ts';
import { COMPARE_KEYS } from './compare/compare-views.ts';
import { COLLEAGUE_KEYS } from './themes/colleague-views.ts';
import { NAME_KEYS } from './sources/name-views.ts';
import { NETWORK_KEYS } from './links/network-views.ts';
import { REPORT_KEYS } from './report/report-keys.ts';
import { TONE_KEYS } from './compare/tone-views.ts';
import { CLEANING_KEYS } from './clean/cleaning-views.ts';
import { CONCEPT_KEYS } from './concepts/concept-views.ts';
import { LINK_KEYS } from './links/link-views.ts';
import { SHAPING_KEYS } from './themes/shaping-views.ts';
import { READING_KEYS } from './reading/reading-views.ts';
import { SOURCE_KEYS } from './sources/source-views.ts';
import { TABLE_KEYS } from './concepts/table-views.ts';
import { TRIM_KEYS } from './sources/trim-views.ts';
import { THEME_KEYS } from './themes/theme-views.ts';

export type { ViewAnswers, ViewName, ViewQuestions } from './asked.ts';

const VIEW_KEYS = {
  ...SOURCE_KEYS,
  ...TRIM_KEYS,
  ...CLEANING_KEYS,
  ...CONCEPT_KEYS,
  ...READING_KEYS,
  ...TABLE_KEYS,
  ...THEME_KEYS,
  ...LINK_KEYS,
  ...SHAPING_KEYS,
  ...COMPARE_KEYS,
  ...TONE_KEYS,
  ...EXCHANGE_KEYS,
  ...NAME_KEYS,
  ...NETWORK_KEYS,
  ...COLLEAGUE_KEYS,
  ...REPORT_KEYS,
};
/** What can be asked of a network without texts: all else is about words that people said. */
export const WITHOUT_TEXTS: ReadonlySet<ViewName> = new Set<ViewName>([
  ...(['nodes', 'conceptsOnTrail', 'linksOnTrail', 'themesOnTrail', 'links', 'linkMatrix', 'path'] as const),
  ...(['themes', 'howMany', 'beside', 'themeParts', 'map'] as const),
  // Parts of a report that have nothing to say are empty; no names are found where there are no texts.
  ...(['report', 'figure', 'names', 'namesToCheck'] as const),
]);
export type ViewOwn<V extends ViewName> = ReturnType<(typeof VIEW_KEYS)[V]['own']>;

const KEYS: {
  readonly [V in ViewName]: {
    readonly stages: readonly StageName[];
    readonly own: (state: StudyState, question: ViewQuestions[V]) => ViewOwn<V>;
  };
} = VIEW_KEYS;

/** What a view reads of a study itself. */
export const ownOf = <V extends ViewName>(
  view: V,
  state: StudyState,
  question: ViewQuestions[V],
): ViewOwn<V> => KEYS[view].own(state, question);

/** Says whether an answer still holds: as long as it stays the same, so does the answer to the same question. */
export function viewKey<V extends ViewName>(view: V, state: StudyState, question: ViewQuestions[V]): string {
  const own: Own = ownOf(view, state, question);
  return hashValue([KEYS[view].stages.map((stage) => stageKey(stage, state)), hashOfOwn(own)]);
}

/** The last stage a view needs; −1 where it needs none. */
const need = (view: ViewName): number => largest(KEYS[view].stages.map(placeOf), -1);

/** Views that need few stages come before those that need many: the list of words need not wait for the map of them. */
export const byNeed = (a: ViewName, b: ViewName): number => need(a) - need(b);
