import { patternFault } from '../patterns.ts';
import { stepDescription, type CleaningStep } from './steps.ts';
import { isPattern, valueOfField } from './steps/describe.ts';

/** Why a cleaning step's pattern can't be used, or undefined where it can or the step has none. */
export function stepFault(step: CleaningStep): string | undefined {
  for (const [name, field] of Object.entries(stepDescription(step.kind).fields)) {
    if (isPattern(field, step)) return patternFault(String(valueOfField(step, name)));
  }
  return undefined;
}
