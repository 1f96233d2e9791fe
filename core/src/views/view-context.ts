import type { Lexicon } from '../text/lexicon.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { Engine } from '../engine/engine.ts';
import type { StudyInput } from '../engine/stage-inputs.ts';
import type { ViewAnswers, ViewName, ViewQuestions } from './view-types.ts';

/** What a view is made from. */
export interface ViewContext {
  readonly engine: Engine;
  readonly study: StudyInput;
  readonly original: (id: string) => string;
  readonly lexicon: () => Lexicon;
}

/** How each of some views is made, in steps. */
export type ViewMakers<Names extends ViewName> = {
  readonly [V in Names]: (question: ViewQuestions[V], context: ViewContext) => Stepwise<ViewAnswers[V]>;
};
