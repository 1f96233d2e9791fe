/** What has a q below this is told as beyond chance: of such finds one in twenty is none. */
export const BEYOND_CHANCE = 0.05;

/**
 * Whether a chance that was adjusted for all that was looked at is small enough to be told.
 *
 * @example isBeyondChance(0.049) // true
 */
export const isBeyondChance = (q: number): boolean => q < BEYOND_CHANCE;
