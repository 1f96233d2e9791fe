/** The name of a worker that is told how many cores it may use: those the page knows of, which can be told that they are fewer. */
export const coresAsName = (cores: number): string => `computes with ${cores} cores`;

/** The cores that a worker's name speaks of. */
export const coresInName = (name: string): number => Number(/\d+/.exec(name)?.[0] ?? 1);
