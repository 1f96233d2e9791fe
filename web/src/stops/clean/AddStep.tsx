import { inFigures } from '@green-thicket/core/base/wording';
import { useState } from 'react';
import { CLEANING_KINDS, newStep, stepDescription } from '@green-thicket/core/text/cleaning/steps';
import { useView } from '../../engine/use-view.ts';
import type { ControlProps } from '../../controls/control-inputs.tsx';
import { StepReportCard } from './StepReportCard.tsx';
import { useStepChanges } from './step-changes.ts';
import styles from './AddStep.module.css';

/** The steps that could be added, each with what it would do in this study's text. */
export function AddStep({ state, close }: ControlProps) {
  const { steps, add } = useStepChanges();
  const { data } = useView('cleaningSteps', { offers: true });
  const kinds = CLEANING_KINDS.filter(
    (kind) => stepDescription(kind).repeatable || !steps.some((step) => step.kind === kind),
  );
  const [pointed, setPointed] = useState(kinds[0]);
  const reportOf = (kind: (typeof kinds)[number]) => data?.offers.find((offer) => offer.step.kind === kind);
  return (
    <div className={styles.addStep}>
      <ul className="plain-list" aria-label="Steps to add">
        {kinds.map((kind) => {
          const report = reportOf(kind);
          return (
            <li key={kind}>
              <button
                type="button"
                className={kind === pointed ? 'row-button here' : 'row-button'}
                onMouseEnter={() => setPointed(kind)}
                onFocus={() => setPointed(kind)}
                onClick={() => {
                  close();
                  add(newStep(kind, state.settings.cleaning.steps));
                }}
              >
                <span className="row-name">{stepDescription(kind).name}</span>
                <span className="row-figure">
                  {stepDescription(kind).repeatable ? '' : report ? inFigures(report.places) : '…'}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <div className={styles.addStepCard}>
        {kinds.length === 0 ? (
          <p>All steps are in use.</p>
        ) : (
          <StepReportCard step={{ ...newStep(pointed, steps), on: false }} report={reportOf(pointed)} />
        )}
      </div>
    </div>
  );
}
