/** A form in small letters without a possessive ending, as the lexicon has it. */
export function bareForm(form: string): string {
  const small = form.toLowerCase().replaceAll('’', "'");
  return small.endsWith("'s") ? small.slice(0, -2) : small.endsWith("s'") ? small.slice(0, -1) : small;
}
