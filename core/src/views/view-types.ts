// What views are asked and answer, of all stops, for whoever shows them. Views themselves name the file they mean.
export type * from './collection-view-types.ts';
export * from './concept-view-types.ts';
export type { ColleagueView } from './colleague-types.ts';
export type * from './compare-view-types.ts';
export type * from './figure-types.ts';
export type * from './link-view-types.ts';
export * from './reading-view-types.ts';
export * from './report-types.ts';
export type * from './theme-view-types.ts';
