/** The letter of the n-th theme ever seen: A … Z, AA, AB … */
export function letterAt(index: number): string {
  const last = String.fromCharCode(65 + (index % 26));
  return index < 26 ? last : letterAt(Math.floor(index / 26) - 1) + last;
}

/** The number of a letter, as `letterAt` has it. */
export function indexOfLetter(letter: string): number {
  let index = 0;
  for (const each of letter) index = index * 26 + each.charCodeAt(0) - 64;
  return index - 1;
}

/** The first letter after all of these. */
export function letterAfter(letters: readonly string[]): string {
  return letterAt(letters.reduce((most, letter) => Math.max(most, indexOfLetter(letter) + 1), 0));
}
