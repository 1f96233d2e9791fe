import { parseToneLists, type ToneList } from '@green-thicket/core/compare/tone-lists';
import type { Engine } from '@green-thicket/core/engine/engine';
import type { Library, StudyInput } from '@green-thicket/core/engine/resources';
import type { StudyState } from '@green-thicket/core/study/study';
import { inOneStep } from '@green-thicket/core/base/stepwise';
import { knownBy } from '@green-thicket/core/languages/known-by';
import type { Meanings } from '@green-thicket/core/languages/en/meanings';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import { makeView } from '@green-thicket/core/answers/make-view';
import { readLexiconText } from './lexicon-file.ts';
import { toTheEnd } from './usage-error.ts';

/** What a run computes with. */
export interface ComputingWith {
  readonly engine: Engine;
  readonly input: StudyInput;
  readonly library: Library;
  readonly say: (line: string) => void;
}

/** Asks a view of the study, or of what a decision would make of it. */
export type Ask = <V extends ViewName>(
  view: V,
  question: ViewQuestions[V],
  of?: StudyState,
) => ViewAnswers[V];

let tone: ToneList[] | undefined;
/** The published tone lists, read once. */
export const publishedTone = (): ToneList[] => (tone ??= parseToneLists(readLexiconText('tone')));

/** The views of a study as the interface has them. */
export function askOf({ engine, input, library }: ComputingWith): Ask {
  const views = {
    engine,
    original: library.original,
    words: library.words,
    // What words can mean is asked by nothing a run writes.
    meanings: knownBy<Meanings>({}),
    tone: () => inOneStep(publishedTone),
  };
  return (view, question, of = input.state) =>
    toTheEnd(makeView(view, question, { ...input, state: of }, views));
}
