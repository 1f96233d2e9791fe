import type { ReactNode } from 'react';
import type { StudyState } from '@green-thicket/core/study/study';
import type { ControlName, SentencePart } from '@green-thicket/core/words/sentences';
import type { LiveFigure } from './live-figure.ts';
import type { ControlDefinition } from '../controls/control-inputs.tsx';

/** A figure that is known without computing anything. */
export type PlainFigure = (state: StudyState) => string;

/** All the frame needs of a stop. */
export interface StopDescription {
  /** On the trail. */
  readonly name: string;
  /** Its live figure on the trail. */
  readonly figure: { readonly plain: PlainFigure } | { readonly useFigure: () => LiveFigure };
  readonly Centre: () => React.JSX.Element;
  /** Whether a list stands left of the centre; none does where the centre itself names the same things. */
  readonly hasLedger?: boolean;
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
