/** The sheet a map is drawn on: its units are those of every place and size on the map. */
export const MAP_WIDTH = 1000;
export const MAP_HEIGHT = 860;
export const MARGIN = 10;
/** Room at the foot for concepts that are in no theme. */
export const FOOT = 34;
/** The least type: ten pixels where the map is shown whole in a window of 1280 by 800. */
export const SMALLEST_TYPE = 15.6;

/** A place on the sheet to a tenth, so that the next map begins just where the last one stands. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;
