/** A page shows at most this many characters of a source at once; more would make it slow. */
const LONGEST_TEXT = 80_000;

/** The part of a long text around a place, from a line's or word's beginning where there is one near. */
export function partAround(text: string, at: number, longest = LONGEST_TEXT): { start: number; end: number } {
  if (text.length <= longest) return { start: 0, end: text.length };
  const wished = Math.max(0, Math.min(at - longest / 2, text.length - longest));
  const gap = text.slice(wished, wished + 2000).search(/\s/);
  const start = wished === 0 ? 0 : wished + gap + 1;
  return { start, end: Math.min(text.length, start + longest) };
}
