import type { StudySettings, StudyState } from '../study.ts';
import type * as schemaFields from '../schema-fields.ts';

/** The fields that schemas are made of. */
export type SchemaFields = typeof schemaFields;

interface Kind {
  readonly kind: string;
}

/** What a decision makes of a study. */
export interface Applier<D> {
  (state: StudyState, decision: D): StudyState;
  /** Whether it reads or changes the study's lists of words, which a run of decisions about words holds loose. */
  readonly withLists?: true;
}

/** What each kind of decision of a group makes of a study. */
export type Appliers<D extends Kind> = {
  readonly [K in D['kind']]: Applier<Extract<D, { kind: K }>>;
};

/** Of a decision of another group that keeps, drops or merges words too. */
export const withLists = <D>(apply: (state: StudyState, decision: D) => StudyState): Applier<D> =>
  Object.assign((state: StudyState, decision: D) => apply(state, decision), { withLists: true } as const);

/** Each kind of decision of a group in a few words, for the undo button and the record. */
export type Sayers<D extends Kind> = {
  readonly [K in D['kind']]: (decision: Extract<D, { kind: K }>) => string;
};

/** What a decision of each kind holds beside its kind. */
export type FieldsOf<D extends Kind> = Readonly<Record<D['kind'], schemaFields.Joi.PartialSchemaMap>>;

/** Some words as a list that stays short. */
export const few = (words: readonly string[]): string =>
  words.length <= 3 ? words.join(', ') : `${words.slice(0, 2).join(', ')} and ${words.length - 2} more`;

/** A study with a part of its settings changed. */
export function changeSettings<K extends keyof StudySettings>(
  state: StudyState,
  part: K,
  change: Partial<StudySettings[K]>,
): StudyState {
  return { ...state, settings: { ...state.settings, [part]: { ...state.settings[part], ...change } } };
}
