import type { NumberRange } from '../../../base/ranges.ts';
import type { Edit } from '../../offsets.ts';

/** Most characters of a pattern, or of a text to find or to put in its place. */
export const LONGEST_PATTERN = 500;

/** Something that can be set about a step: what it begins with, what it may be, and how it is asked for. */
export type StepField = SwitchField | ChoiceField | NumberField | TextField;

/** On or off. */
export interface SwitchField {
  readonly ask: 'switch';
  readonly label: string;
  readonly usual: boolean;
}

/** One of a few. */
export interface ChoiceField {
  readonly ask: 'choice';
  readonly label: string;
  readonly usual: string | number | boolean;
  readonly options: readonly { readonly value: string | number | boolean; readonly label: string }[];
}

/** A number, with the words before and after it. */
export interface NumberField {
  readonly ask: 'number';
  readonly label: string;
  readonly usual: number;
  readonly range: NumberRange;
  readonly before: string;
  readonly after: string;
}

export interface TextField {
  readonly ask: 'text';
  readonly label: string;
  readonly usual: string;
  /** Most characters. */
  readonly longest: number;
  readonly placeholder: string;
  /** Set where the text is a pattern: always, or while the switch of this name is on. */
  readonly pattern?: { readonly when: 'always' | { readonly switch: string }; readonly placeholder: string };
}

export type StepFields = Readonly<Record<string, StepField>>;

type ValueOf<F extends StepField> = F extends SwitchField
  ? boolean
  : F extends ChoiceField
    ? F['options'][number]['value']
    : F extends NumberField
      ? number
      : string;

/** What is set of a step with these fields. */
export type SetOf<F extends StepFields> = { readonly [Name in keyof F]: ValueOf<F[Name]> };

/** All that is known of a kind of step but what it does to a text. */
export interface StepDescription<F extends StepFields = StepFields> {
  readonly name: string;
  /** What it does, in plain words. */
  readonly help: string;
  /** In the order in which they are asked for and stand in a study file. */
  readonly fields: F;
  /** Whether a study may have several of it. */
  readonly repeatable?: boolean;
  /** The step as a part of the method sentence. */
  readonly say: (set: SetOf<F>) => string;
}

/** Describes a kind of step; what is set of it is known to the compiler by its fields. */
export function describeStep<const F extends StepFields>(
  description: StepDescription<F>,
): StepDescription<F> {
  return description;
}

/**
 * The places a step would change in a text, sorted, not overlapping, none empty.
 *
 * @param context the whole text, where `text` is a part of it
 */
export type FindEdits<D> =
  D extends StepDescription<infer F> ? (text: string, set: SetOf<F>, context: string) => Edit[] : never;

/** What is set of a field of a step. */
export function valueOfField(step: object, name: string): unknown {
  return Object.getOwnPropertyDescriptor(step, name)?.value;
}

/** Whether what is set of a field is a pattern. */
export function isPattern(field: StepField, step: object): boolean {
  if (field.ask !== 'text' || !field.pattern) return false;
  const { when } = field.pattern;
  return when === 'always' || valueOfField(step, when.switch) === true;
}

/** A text of at most forty characters in quotation marks. */
export const quoted = (text: string): string => `“${text.length > 40 ? `${text.slice(0, 40)}…` : text}”`;
