import type { Point } from './geometry.ts';

/** A label to be put in a parcel; sizes in map units, before any shrinking. */
export interface Label {
  /** What the label starts from: the same key starts in the same place, whatever else is on the map. */
  readonly key: string;
  readonly parcel: number;
  readonly width: number;
  readonly height: number;
  /** The least its size may be multiplied by; 0.3 where it is left out. */
  readonly smallest?: number;
  /** Where it stood last and at what scale: it stays so as long as it may. */
  readonly kept?: { readonly at: Point; readonly scale: number };
  /** Where it was put: it comes before all others, as near to there as its parcel and what was put before it allow. */
  readonly pin?: Point;
}

export interface Placed {
  readonly x: number;
  readonly y: number;
  /** What the label's size was multiplied by to fit its parcel. */
  readonly scale: number;
}

export interface Pull {
  readonly source: number;
  readonly target: number;
  readonly strength: number;
}
