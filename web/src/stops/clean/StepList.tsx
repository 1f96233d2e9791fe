import { Button, Switch } from 'antd';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import { stepDescription } from '@green-thicket/core/text/cleaning/steps';
import { useView } from '../../engine/use-view.ts';
import { usePointedStep } from './pointed-step.tsx';
import { placesText, StepReportCard, visible } from './StepReportCard.tsx';
import { useStepChanges } from './step-changes.ts';
import styles from './StepList.module.css';

/** The steps in their order with how often each finds something; the one pointed at is explained below them. */
export function StepList() {
  const { steps, switchStep, move } = useStepChanges();
  const { pointed, point } = usePointedStep();
  const { data, isPlaceholderData } = useView('cleaningSteps', { offers: false });
  const { data: order } = useView('cleaningOrder', null);
  const reportOf = (id: string) => data?.steps.find((report) => report.id === id);
  const shown = steps.find((step) => step.id === pointed);
  const nameOf = (id: string): string => {
    const step = steps.find((each) => each.id === id);
    return step ? stepDescription(step.kind).name : '';
  };
  return (
    <>
      {steps.length === 0 && <p className="quiet">No steps yet. Add one in the sentence above.</p>}
      <ol
        className={`plain-list step-list${isPlaceholderData ? ' dimmed' : ''}`}
        aria-label="Steps, in order"
      >
        {steps.map((step) => {
          const report = reportOf(step.id);
          return (
            <li
              key={step.id}
              className={`${styles.stepLine}${pointed === step.id ? ' pointed' : ''}`}
              onMouseEnter={() => point(step.id)}
              onMouseLeave={() => point(undefined)}
              onFocus={() => point(step.id)}
              onBlur={() => point(undefined)}
            >
              <span className={styles.stepName}>{stepDescription(step.kind).name}</span>
              <span
                className={report?.fault === undefined ? 'row-figure' : 'control-fault'}
                title={report && placesText(report, step.on)}
              >
                {!report ? '…' : report.fault === undefined ? inFigures(report.places) : '!'}
              </span>
              <Switch
                size="small"
                checked={step.on}
                aria-label={stepDescription(step.kind).name}
                onChange={(on) => switchStep(step, on)}
              />
            </li>
          );
        })}
      </ol>
      {order?.notes.map(({ first, second, words, now, swapped }) => (
        <p key={`${first}-${second}`} className={styles.orderNote}>
          The order of <strong>{nameOf(first).toLowerCase()}</strong> and{' '}
          <strong>{nameOf(second).toLowerCase()}</strong> matters here: the other way round{' '}
          {counted(words, 'word')} would differ
          {now !== '' && swapped !== '' && (
            <>
              , such as {visible(swapped)} for {visible(now)}
            </>
          )}
          .{' '}
          <Button
            size="small"
            type="link"
            onClick={() =>
              move(
                second,
                steps.findIndex((step) => step.id === first),
              )
            }
          >
            Swap them
          </Button>
        </p>
      ))}
      {shown ? (
        <StepReportCard step={shown} report={reportOf(shown.id)} />
      ) : (
        <p className="quiet">
          Counts are over all sources worked with. Point at a step, here or in the sentence, to see only what
          it changes.
        </p>
      )}
    </>
  );
}
