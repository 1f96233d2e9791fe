import type { Stepwise } from '../base/stepwise.ts';
import type { Engine } from '../engine/engine.ts';
import type { StudyInput } from '../engine/resources.ts';
import type { StudyState } from '../study/study.ts';
import type { ThemeIdentity } from '../themes/identity.ts';
import type { AskView } from '../views/asked.ts';
import { EXCHANGE_VIEWS } from '../views/exchange/exchange-views.ts';
import { COMPARE_VIEWS } from '../views/compare/compare-views.ts';
import { COLLEAGUE_VIEWS } from '../views/themes/colleague-views.ts';
import { NAME_VIEWS } from '../views/sources/name-views.ts';
import { NETWORK_VIEWS } from '../views/links/network-views.ts';
import { REPORT_VIEWS } from '../report/report-views.ts';
import { TONE_VIEWS } from '../views/compare/tone-views.ts';
import { CLEANING_VIEWS } from '../views/clean/cleaning-views.ts';
import { CONCEPT_VIEWS } from '../views/concepts/concept-views.ts';
import { LINK_VIEWS } from '../views/links/link-views.ts';
import { SHAPING_VIEWS } from '../views/themes/shaping-views.ts';
import { READING_VIEWS } from '../views/reading/reading-views.ts';
import { SOURCE_VIEWS } from '../views/sources/source-views.ts';
import { TRIM_VIEWS } from '../views/sources/trim-views.ts';
import { TABLE_VIEWS } from '../views/concepts/table-views.ts';
import { THEME_VIEWS } from '../views/themes/theme-views.ts';
import type { StageName } from '../engine/stage-keys.ts';
import {
  ownOf,
  type ViewAnswers,
  type ViewName,
  type ViewOwn,
  type ViewQuestions,
} from '../views/view-keys.ts';
import type { ViewContext, ViewLibrary } from '../views/view.ts';

/** What views that are made of others ask them by: of this study, or of another of the same texts. */
interface Asking {
  readonly ask: AskView;
  readonly askAs: (state: StudyState, register: readonly ThemeIdentity[]) => AskView;
}

type Maker<V extends ViewName> = (
  question: ViewQuestions[V],
  context: ViewContext<StageName, ViewOwn<V>> & Asking,
) => Stepwise<ViewAnswers[V]>;

const MAKERS: { readonly [V in ViewName]: Maker<V> } = {
  ...SOURCE_VIEWS,
  ...TRIM_VIEWS,
  ...CLEANING_VIEWS,
  ...CONCEPT_VIEWS,
  ...READING_VIEWS,
  ...TABLE_VIEWS,
  ...THEME_VIEWS,
  ...LINK_VIEWS,
  ...SHAPING_VIEWS,
  ...COMPARE_VIEWS,
  ...TONE_VIEWS,
  ...EXCHANGE_VIEWS,
  ...NAME_VIEWS,
  ...NETWORK_VIEWS,
  ...COLLEAGUE_VIEWS,
  ...REPORT_VIEWS,
};

/** Answers a view in steps, by what its key is made of. */
export function* makeView<V extends ViewName>(
  view: V,
  question: ViewQuestions[V],
  study: StudyInput,
  library: { readonly engine: Engine } & ViewLibrary,
): Stepwise<ViewAnswers[V]> {
  const { engine, original, words, meanings, tone } = library;
  return yield* MAKERS[view](question, {
    take: (stage) => engine.compute(stage, study),
    own: ownOf(view, study.state, question),
    original,
    words,
    meanings,
    tone,
    ask: (other, asked) => makeView(other, asked, study, library),
    askAs: (state, register) => (other, asked) => makeView(other, asked, { state, register }, library),
  });
}
