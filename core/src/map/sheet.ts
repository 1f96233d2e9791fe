export const MARGIN = 10;
/** Room at the foot for concepts that are in no theme. */
export const FOOT = 34;
/** The least type: eleven pixels where the widest sheet is shown whole in a window of 1280 by 800. */
export const SMALLEST_TYPE = 15.6;

/** A place on the sheet to a tenth, so that the next map begins just where the last one stands. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;
