import type { Period } from '../base/periods.ts';

/** A group of sources: one value of an attribute. */
export interface Group {
  readonly attribute: string;
  readonly value: string;
}

/**
 * The sources something is asked of: those of some groups, of a kept subset, or one. Of groups of one attribute a source need
 * be in any, of each attribute it must be in one: drivers or residents, before the pilot.
 */
export type Within = (
  | { readonly groups: readonly Group[] }
  | { readonly sourceId: string }
  /** A subset kept under a name, without what belongs to an earlier one. */
  | { readonly subset: string }
) & { readonly when?: When };

/** The sources whose date is in a period. */
export interface When {
  /** The attribute that holds dates. */
  readonly dates: string;
  readonly period: Period;
  /** As `periodOf` writes it. */
  readonly value: string;
}
