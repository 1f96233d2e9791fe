import type { Stepwise } from '../base/stepwise.ts';
import type { CleaningViews } from './clean/cleaning-views.ts';
import type { ColleagueViews } from './themes/colleague-types.ts';
import type { CompareViews } from './compare/compare-views.ts';
import type { ConceptViews } from './concepts/concept-views.ts';
import type { ExchangeViews } from './exchange/exchange-views.ts';
import type { LinkViews } from './links/link-views.ts';
import type { NameViews } from './sources/name-views.ts';
import type { NetworkViews } from './links/network-views.ts';
import type { ReadingViews } from './reading/reading-views.ts';
import type { ReportViews } from './report/report-types.ts';
import type { ShapingViews } from './themes/shaping-views.ts';
import type { SourceViews } from './sources/source-views.ts';
import type { TableViews } from './concepts/table-views.ts';
import type { ThemeViews } from './themes/theme-views.ts';
import type { ToneViews } from './compare/tone-views.ts';
import type { TrimViews } from './sources/trim-views.ts';

type Views = SourceViews &
  TrimViews &
  CleaningViews &
  ConceptViews &
  ReadingViews &
  TableViews &
  ThemeViews &
  LinkViews &
  ShapingViews &
  CompareViews &
  ToneViews &
  ExchangeViews &
  NameViews &
  NetworkViews &
  ColleagueViews &
  ReportViews;
export type ViewName = keyof Views;
/** What a view is asked for beside the study. */
export type ViewQuestions = { readonly [V in ViewName]: Views[V]['question'] };
export type ViewAnswers = { readonly [V in ViewName]: Views[V]['answer'] };

/** Asks a view of the same study. */
export type AskView = <V extends ViewName>(view: V, question: ViewQuestions[V]) => Stepwise<ViewAnswers[V]>;
