import { holdsTheSame } from '@green-thicket/core/base/same';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import { databaseOf } from '../store/database.ts';
import type { EngineClient } from './engine-client.ts';
import { hashOfAnswer, keepAnswer, KEPT_VIEWS, keptAnswer } from './kept-answers.ts';
import { BEHIND } from './protocol.ts';

/** A view that is asked for. */
export interface AskedFor<V extends ViewName> {
  readonly study: { readonly id: string; readonly head: number };
  readonly view: V;
  readonly question: ViewQuestions[V];
  /** The view's key (`viewKey`). */
  readonly key: string;
}

/** How long after the last answer from what was kept the engine begins to make them too, ms. */
const WARMED_AFTER = 400;

/**
 * Answers views from what was kept with a study, where that is still what would be computed; all others the engine computes,
 * and their answers are kept. Behind what was kept, once it is drawn, the engine computes the same, so that the next decision
 * goes on from it.
 *
 * @param edition tells one edition of what computes from another
 */
export function keptOrAsked(engine: EngineClient, edition: string) {
  let warming:
    { readonly of: string; readonly stop: AbortController; readonly views: (() => void)[] } | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;

  /** Has a view computed behind all else, of the study as it is: whatever is under way for it as it was is stopped. */
  function warm<V extends ViewName>(
    { study, view, question }: AskedFor<V>,
    kept: ViewAnswers[V],
    onOther: (answer: ViewAnswers[V]) => void,
  ): void {
    const of = `${study.id} ${study.head}`;
    if (warming?.of !== of) {
      warming?.stop.abort();
      warming = { of, stop: new AbortController(), views: [] };
    }
    const { stop, views } = warming;
    views.push(() => {
      engine.askView(study, view, question, stop.signal, true).then(
        (answer) => {
          if (!holdsTheSame(kept, answer)) onOther(answer);
        },
        // Whoever asks for it next is told what is wrong.
        () => undefined,
      );
    });
    clearTimeout(timer);
    timer = setTimeout(() => {
      for (const begin of views.splice(0)) begin();
    }, WARMED_AFTER);
  }

  return async <V extends ViewName>(
    asked: AskedFor<V>,
    signal: AbortSignal,
    onOther: (answer: ViewAnswers[V]) => void,
  ): Promise<ViewAnswers[V]> => {
    const { study, view, question, key } = asked;
    if (warming && warming.of !== `${study.id} ${study.head}`) {
      warming.stop.abort();
      warming = undefined;
    }
    if (!KEPT_VIEWS.has(view)) return engine.askView(study, view, question, signal);
    const place = { studyId: study.id, view, hash: hashOfAnswer(edition, key, question) };
    const database = (await databaseOf(study.id))?.name;
    const kept = await keptAnswer(place);
    if (kept !== undefined) {
      if (!BEHIND.has(view)) warm(asked, kept, onOther);
      return kept;
    }
    const answer = await engine.askView(study, view, question, signal);
    if (database !== undefined) keepAnswer(place, database, answer);
    return answer;
  };
}
