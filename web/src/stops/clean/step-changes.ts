import { useCallback } from 'react';
import { stepDescription, withStep, type CleaningStep } from '@green-thicket/core/text/cleaning/steps';
import { useStudy } from '../../pieces/study-context.ts';

/** What can be done to the list of steps; each is one decision. */
export interface StepChanges {
  readonly steps: readonly CleaningStep[];
  readonly change: (step: CleaningStep) => void;
  readonly switchStep: (step: CleaningStep, on: boolean) => void;
  readonly remove: (step: CleaningStep) => void;
  readonly add: (step: CleaningStep) => void;
  /** Puts a step at a place among the others. */
  readonly move: (id: string, to: number) => void;
}

export function useStepChanges(): StepChanges {
  const { state, decide } = useStudy();
  const { steps } = state.settings.cleaning;
  const set = useCallback(
    (next: readonly CleaningStep[], what: string) => decide({ kind: 'setCleaning', steps: next, what }),
    [decide],
  );
  const nameOf = (step: CleaningStep): string => stepDescription(step.kind).name.toLowerCase();
  const withChanged = (step: CleaningStep): CleaningStep[] =>
    steps.map((each) => (each.id === step.id ? step : each));
  return {
    steps,
    change: (step) => set(withChanged(step), `change the step ${nameOf(step)}`),
    switchStep: (step, on) =>
      set(withChanged({ ...step, on }), `switch ${nameOf(step)} ${on ? 'on' : 'off'}`),
    remove: (step) =>
      set(
        steps.filter((each) => each.id !== step.id),
        `remove the step ${nameOf(step)}`,
      ),
    add: (step) => set(withStep(steps, step), `add the step ${nameOf(step)}`),
    move: (id, to) => {
      const step = steps.find((each) => each.id === id);
      if (!step) return;
      const others = steps.filter((each) => each.id !== id);
      const at = Math.max(0, Math.min(others.length, to));
      if (steps.indexOf(step) === at) return;
      set([...others.slice(0, at), step, ...others.slice(at)], `move the step ${nameOf(step)}`);
    },
  };
}
