import type { Stepwise } from '../base/stepwise.ts';
import type { ToneList } from '../compare/tone-lists.ts';
import type { KnownOf } from '../languages/known-by.ts';
import type { Meanings } from '../languages/en/meanings.ts';
import type { Library } from '../engine/resources.ts';
import type { Own, StageName } from '../engine/stage-keys.ts';
import type { StageResults } from '../engine/stages.ts';
import type { StudyState } from '../study/study.ts';

/** A view: what it is asked for beside the study, and what it answers. */
export interface View<Question, Answer> {
  readonly question: Question;
  readonly answer: Answer;
}
type ViewTypes<Views> = { readonly [V in keyof Views]: View<unknown, unknown> };

/**
 * What a view reads: results of stages, and a part of the study, which may hang on the question. Its key is made of this, and
 * it is handed this and nothing else.
 */
export interface ViewKey<Question, Stages extends StageName, O extends Own> {
  readonly stages: readonly Stages[];
  readonly own: (state: StudyState, question: Question) => O;
}

export const reads = <const Stages extends StageName, O extends Own, Question = unknown>(
  stages: readonly Stages[],
  own: (state: StudyState, question: Question) => O,
): ViewKey<Question, Stages, O> => ({ stages, own });

/** For a view that reads nothing of the study itself. */
export const nothing = (): Own => ({});

/** What a view may ask for besides the study. */
export interface ViewLibrary extends Pick<Library, 'original' | 'words'> {
  /** What the words of a language can mean; undefined where nothing is known of it. */
  readonly meanings: KnownOf<Meanings>;
  /** The published lists of how words sound. */
  readonly tone: () => Stepwise<readonly ToneList[]>;
}

/** What a view is made from. */
export interface ViewContext<Stages extends StageName, O> extends ViewLibrary {
  readonly take: <S extends Stages>(stage: S) => Stepwise<StageResults[S]>;
  readonly own: O;
}

/** The context of a view by its key. */
export type ContextOf<Key> = Key extends {
  readonly stages: readonly (infer Stages extends StageName)[];
  readonly own: (...asked: never[]) => infer O;
}
  ? ViewContext<Stages, O>
  : never;

/** How each of some views is made, in steps. */
export type ViewMakers<
  Views extends ViewTypes<Views>,
  Keys extends { readonly [V in keyof Views]: unknown },
> = {
  readonly [V in keyof Views]: (
    question: Views[V]['question'],
    context: ContextOf<Keys[V]>,
  ) => Stepwise<Views[V]['answer']>;
};
