/** What stands where a file wants to know when it was made: the first day that archives can tell, so that bytes stay the same. */
export const NO_TIME = new Date(1980, 0, 1, 12);
