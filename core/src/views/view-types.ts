// What views are asked and answer, of all stops, for whoever shows them. Views themselves name the file they mean.
export type * from './sources/collection-view-types.ts';
export * from './concepts/concept-view-types.ts';
export type { ColleagueView } from './themes/colleague-types.ts';
export type * from './compare/compare-view-types.ts';
export type * from './report/figure-types.ts';
export type * from './links/link-view-types.ts';
export * from './reading/reading-view-types.ts';
export * from './report/report-types.ts';
export type * from './themes/theme-view-types.ts';
