/** A number a setting may be. */
export interface NumberRange {
  readonly min: number;
  readonly max: number;
  readonly whole: boolean;
}

/** The range of a share as it is asked for in per cent. */
export const inPercent = ({ min, max }: NumberRange, isWhole: boolean): NumberRange => ({
  min: 100 * min,
  max: 100 * max,
  whole: isWhole,
});

/** The nearest number a setting may be. */
export function within({ min, max, whole: isWhole }: NumberRange, value: number): number {
  const held = Math.min(max, Math.max(min, value));
  return isWhole ? Math.round(held) : held;
}
