import type { ReactNode } from 'react';
import type { StudyState } from '@green-thicket/core/study/study';
import type { ControlName, SentencePart } from '@green-thicket/core/words/sentences';
import type { LiveFigure } from './live-figure.ts';
import type { ControlDefinition } from '../controls/control-inputs.tsx';

/** A figure that is known without computing anything. */
export type PlainFigure = (state: StudyState) => string;

/**
 * A list stands left of the centre where it is worked in; where the centre names the same things it is an edge that opens when asked,
 * or there is none.
 */
export type LedgerKind = 'stands' | 'asked' | 'none';

/** All the frame needs of a stop. */
export interface StopDescription {
  /** On the trail. */
  readonly name: string;
  /** Its live figure on the trail. */
  readonly figure: { readonly plain: PlainFigure } | { readonly useFigure: () => LiveFigure };
  readonly Centre: () => React.JSX.Element;
  /** Whether a list stands left of the centre, as it does where this is left out. */
  readonly ledger?: LedgerKind;
  /** The controls of its method sentence. */
  readonly controls: Partial<Readonly<Record<ControlName, ControlDefinition>>>;
  /** Its method sentence, where that is more than words and controls. */
  readonly Sentence?: (props: {
    readonly parts: readonly SentencePart[];
    readonly renderControl: (name: ControlName, text: string) => ReactNode;
  }) => React.JSX.Element;
  /** Stands round the whole page of a study, for what must outlive a visit to another stop. */
  readonly Around?: (props: { readonly children: ReactNode }) => React.JSX.Element;
}
