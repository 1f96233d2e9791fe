import { useStudy } from '../pieces/study-context.ts';
import { isNeverShown, neverShow, showAgain } from '../pieces/never-show.ts';
import shared from './reading.module.css';

/** What is decided about the concept that is read: kept, dropped or never shown, from where its words stand. */
export function ConceptVerdict({ conceptKey: key }: { conceptKey: string }) {
  const { state, decide } = useStudy();
  const kept = state.kept.includes(key);
  const dropped = state.dropped.includes(key);
  const stopped = isNeverShown(state, key);
  const keys = [key];
  return (
    <p className={shared.lookLinks} role="group" aria-label={`What becomes of ${key}`}>
      <button
        type="button"
        className="linklike"
        aria-pressed={kept}
        title="It is a concept whatever its figures are"
        onClick={() => decide({ kind: kept ? 'leaveConcepts' : 'keepConcepts', keys })}
      >
        {kept ? 'Always kept' : 'Always keep'}
      </button>
      <button
        type="button"
        className="linklike"
        aria-pressed={dropped}
        onClick={() => decide({ kind: dropped ? 'leaveConcepts' : 'dropConcepts', keys })}
      >
        {dropped ? 'Dropped' : 'Drop'}
      </button>
      <button
        type="button"
        className="linklike"
        aria-pressed={stopped}
        title={stopped ? 'Takes it off the study’s stop list' : 'Puts it on the study’s stop list'}
        onClick={() => decide(stopped ? showAgain(state, key) : neverShow(keys))}
      >
        {stopped ? 'Never shown' : 'Never show'}
      </button>
    </p>
  );
}
