import { inkOf } from './drawn-colours.ts';

/** A theme's letter in its ink; a dot for a loose concept. */
export function ThemeLetter({ letter }: { letter: string }) {
  return letter ? (
    <b className="theme-letter" style={{ color: inkOf(letter) }}>
      {letter}
    </b>
  ) : (
    <span className="theme-letter quiet" title="in no theme">
      ·
    </span>
  );
}
