import { counted, inFigures } from '@green-thicket/core/base/wording';
import type { StepReport } from '@green-thicket/core/text/cleaning/cleaning-report';
import { stepDescription, type CleaningStep } from '@green-thicket/core/text/cleaning/steps';
import styles from './StepReportCard.module.css';

/** White space that would not be seen, made visible. */
export function visible(text: string): string {
  return text
    .replace(/\n/g, '↵')
    .replace(/\t/g, '⇥')
    .replace(/^ +$/g, (spaces) => '␣'.repeat(spaces.length));
}

/** A stretch of text with its line ends shown by a mark. */
const inOneLine = (text: string): string => text.replace(/[ \t]*\n\s*/g, ' ↵ ');

/** How often a step finds something, in words. */
export function placesText(report: StepReport, on: boolean): string {
  if (report.fault !== undefined) return report.fault;
  if (report.places === 0) return on ? 'finds nothing here' : 'would find nothing here';
  const places = counted(report.places, 'place');
  return on ? `${places} in ${counted(report.sources, 'source')}` : `${places} would change`;
}

/** A step explained: what it does, how often, before and after in the study's own text, and what it takes most often. */
export function StepReportCard({ step, report }: { step: CleaningStep; report: StepReport | undefined }) {
  const { name, help } = stepDescription(step.kind);
  return (
    <section className={styles.stepCard} aria-label={`What ${name} does`}>
      <h3>{name}</h3>
      <p className="quiet">{help}</p>
      {report && <p>{placesText(report, step.on)}</p>}
      {report?.example && (
        <dl className={styles.stepExample}>
          <dt>Before</dt>
          <dd>{inOneLine(report.example.before)}</dd>
          <dt>After</dt>
          <dd>{inOneLine(report.example.after)}</dd>
        </dl>
      )}
      {report && report.top.length > 0 && (
        <ol className={styles.stepTop} aria-label="Most frequent">
          {report.top.map(({ piece, replacement, count }) => (
            <li key={`${piece}\u0000${replacement}`}>
              <span className={styles.stepPiece}>
                {visible(piece)}
                {replacement.trim() !== '' && <> → {visible(replacement)}</>}
              </span>
              <span className="row-figure">{inFigures(count)}</span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
