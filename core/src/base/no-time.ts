/** What stands where a file wants to know when it was made: the first day that archives can tell, so that bytes stay the same. */
export const NO_TIME = new Date(1980, 0, 1, 12);

/** Before this a decision has no time of its own: the command line takes none. */
const FIRST_TIME = '1990';
/** Whether a time, ISO 8601, tells when something was done. */
export const isTimed = (time: string): boolean => time >= FIRST_TIME;
