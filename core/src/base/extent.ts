/**
 * The largest of some values, or `floor` where none is larger. Unlike `Math.max(...values)` it takes any number of them: a call
 * with more than about 120,000 arguments overflows the stack.
 *
 * @example largest([3, 7, 5]) // 7
 */
export function largest(values: Iterable<number>, floor = -Infinity): number {
  let most = floor;
  for (const value of values) if (value > most) most = value;
  return most;
}

/**
 * The least of some values, or `ceiling` where none is less.
 *
 * @example least([3, 7, 5]) // 3
 */
export function least(values: Iterable<number>, ceiling = Infinity): number {
  let fewest = ceiling;
  for (const value of values) if (value < fewest) fewest = value;
  return fewest;
}
