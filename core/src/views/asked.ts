import type { Stepwise } from '../base/stepwise.ts';
import type { CleaningViews } from './cleaning-views.ts';
import type { ColleagueViews } from './colleague-types.ts';
import type { CompareViews } from './compare-views.ts';
import type { ConceptViews } from './concept-views.ts';
import type { ExchangeViews } from './exchange-views.ts';
import type { LinkViews } from './link-views.ts';
import type { NameViews } from './name-views.ts';
import type { NetworkViews } from './network-views.ts';
import type { ReadingViews } from './reading-views.ts';
import type { ReportViews } from './report-types.ts';
import type { ShapingViews } from './shaping-views.ts';
import type { SourceViews } from './source-views.ts';
import type { TableViews } from './table-views.ts';
import type { ThemeViews } from './theme-views.ts';
import type { ToneViews } from './tone-views.ts';
import type { TrimViews } from './trim-views.ts';

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
