/** What a source must be to belong to a subset; all conditions must hold. */
export type Condition =
  /** The attribute has one of these values; the empty one is “no value”. */
  | { readonly kind: 'values'; readonly attribute: string; readonly values: readonly string[] }
  /** The attribute, a number or a date, is from `from` to `to`; an empty end is open. Dates are ISO 8601. */
  | { readonly kind: 'range'; readonly attribute: string; readonly from: string; readonly to: string };

export type Subset = readonly Condition[];
