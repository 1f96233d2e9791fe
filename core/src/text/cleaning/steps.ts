import type { StepDescription } from './steps/describe.ts';
import { accents } from './steps/accents.ts';
import { addresses } from './steps/addresses.ts';
import { capitals } from './steps/capitals.ts';
import { handles } from './steps/handles.ts';
import { hashtags } from './steps/hashtags.ts';
import { hyphens } from './steps/hyphens.ts';
import { lineBreaks } from './steps/line-breaks.ts';
import { lines } from './steps/lines.ts';
import { numbers } from './steps/numbers.ts';
import { punctuation } from './steps/punctuation.ts';
import { remarks } from './steps/remarks.ts';
import { repeats } from './steps/repeats.ts';
import { replace } from './steps/replace.ts';
import { shortWords } from './steps/short-words.ts';
import { symbols } from './steps/symbols.ts';
import { tags } from './steps/tags.ts';
import { timestamps } from './steps/timestamps.ts';
import { typography } from './steps/typography.ts';
import { whiteSpace } from './steps/white-space.ts';

/**
 * Every kind of cleaning step by the name it has in a study file, in the order that suits most texts: what is markup
 * first, what looks at whole words last. One more is one more file in steps/, and its name here and in cleaning.ts.
 */
export const STEPS = {
  tags,
  timestamps,
  remarks,
  lines,
  hyphens,
  lineBreaks,
  addresses,
  handles,
  hashtags,
  replace,
  typography,
  symbols,
  numbers,
  punctuation,
  accents,
  repeats,
  case: capitals,
  short: shortWords,
  space: whiteSpace,
} as const;

export type CleaningKind = keyof typeof STEPS;

export const CLEANING_KINDS = Object.keys(STEPS) as readonly CleaningKind[];

/** What is set of a step of a kind. */
export type SetOfKind<K extends CleaningKind> = Parameters<(typeof STEPS)[K]['say']>[0];

/** What each kind of step is set to. */
type Actions = { readonly [K in CleaningKind]: { readonly kind: K } & SetOfKind<K> };
export type CleaningAction<K extends CleaningKind = CleaningKind> = Actions[K];

/** One cleaning step with what can be set about it. `id` tells steps of one kind apart. */
export type CleaningStep = { readonly id: string; readonly on: boolean } & CleaningAction;

/** What is known of a kind of step, whatever its fields. */
export function stepDescription(kind: CleaningKind): Omit<StepDescription, 'say'> {
  return STEPS[kind];
}

/** A step as a part of the method sentence. */
export function stepText<K extends CleaningKind>(step: CleaningAction<K>): string {
  return SAYERS[step.kind].say(step);
}

/** The same descriptions, so that the compiler sees that a kind's step goes to that kind's words. */
const SAYERS: { readonly [K in CleaningKind]: { say(set: CleaningAction<K>): string } } = STEPS;

/** A step of a kind as it is when it is added. */
export function newStep(kind: CleaningKind, present: readonly CleaningStep[]): CleaningStep {
  let number = 1;
  while (present.some((step) => step.id === `${kind}-${number}`)) number++;
  const { fields, repeatable } = stepDescription(kind);
  const usual = Object.entries(fields).map(([name, field]) => [name, field.usual]);
  return {
    id: repeatable ? `${kind}-${number}` : kind,
    on: true,
    kind,
    ...Object.fromEntries(usual),
  } as CleaningStep;
}

/** The steps with one more where it suits best: before the first that usually comes later. */
export function withStep(steps: readonly CleaningStep[], step: CleaningStep): CleaningStep[] {
  const rank = CLEANING_KINDS.indexOf(step.kind);
  const at = steps.findIndex((each) => CLEANING_KINDS.indexOf(each.kind) > rank);
  return at < 0 ? [...steps, step] : [...steps.slice(0, at), step, ...steps.slice(at)];
}

/** The steps a study begins with. */
export const FIRST_STEPS: readonly CleaningStep[] = (
  ['hyphens', 'addresses', 'handles', 'numbers', 'case'] as const
).map((kind) => newStep(kind, []));
