import { useEffect, useRef, type ReactNode } from 'react';
import { stepDescription } from '@green-thicket/core/text/cleaning/steps';
import type { CleaningView, TextPlace } from '@green-thicket/core/views/view-types';
import type { CleaningMark } from '@green-thicket/core/text/cleaning/cleaning';
import type { CleaningKind } from '@green-thicket/core/text/cleaning/steps';
import { usePointedStep } from './pointed-step.tsx';
import { useStepChanges } from './step-changes.ts';
import { visible } from './StepReportCard.tsx';
import styles from './CleanText.module.css';

export type TextFace = 'traces' | 'original' | 'clean' | 'both';

/** A source's text in one of its faces, with a place in it marked. */
export function CleanText({
  view,
  face,
  name,
  place,
  goTo,
}: {
  view: CleaningView;
  face: TextFace;
  name: string;
  place: TextPlace | undefined;
  goTo: (at: number) => void;
}) {
  const { text, start, total, lines } = view;
  const body = useRef<HTMLDivElement>(null);
  useEffect(() => {
    body.current?.querySelector(`.${styles.foundPlace}`)?.scrollIntoView({ block: 'center' });
  }, [place, view, face]);
  return (
    <article className={styles.cleanText} aria-label={`Text of ${name}`} ref={body} tabIndex={0}>
      {start > 0 && (
        <button type="button" className="linklike" onClick={() => goTo(Math.max(0, start - 1000))}>
          Earlier in this source
        </button>
      )}
      {(face === 'traces' || face === 'original') && (
        <TracedText view={view} traces={face === 'traces'} place={place} />
      )}
      {face === 'clean' && (
        <div className={styles.cleanBody}>
          {lines
            .map((line) => line.clean)
            .join('\n')
            .trim()}
        </div>
      )}
      {face === 'both' && (
        <div className="both-texts" role="table" aria-label="Original and cleaned, side by side">
          <div role="row" className={styles.bothHead}>
            <span role="columnheader">Original</span>
            <span role="columnheader">Cleaned</span>
          </div>
          {lines.map((line) => {
            const original = text.slice(line.start - start, line.end - start).replace(/\n$/, '');
            if (original.trim() === '' && line.clean.trim() === '') return null;
            return (
              <div role="row" key={line.start} className={styles.bothRow}>
                <span role="cell">{original}</span>
                <span role="cell">{line.clean}</span>
              </div>
            );
          })}
        </div>
      )}
      {start + text.length < total && (
        <button type="button" className="linklike" onClick={() => goTo(start + text.length + 1000)}>
          Later in this source
        </button>
      )}
    </article>
  );
}

/** The original with traces of what each step does to it; where a step is pointed at, of that one alone. */
function TracedText({
  view,
  traces,
  place,
}: {
  view: CleaningView;
  traces: boolean;
  place: TextPlace | undefined;
}) {
  const { pointed } = usePointedStep();
  const { steps } = useStepChanges();
  const kindOf = new Map(steps.map((step) => [step.id, step.kind]));
  const { text, start } = view;
  const marks = view.marks.filter((mark) => (pointed ? mark.step === pointed : traces));
  const parts: ReactNode[] = [];
  let at = 0;
  for (const mark of marks) {
    const from = Math.max(at, mark.start - start);
    const to = Math.min(text.length, mark.end - start);
    if (to <= from) continue;
    for (const part of plain(text, at, from, start, place)) parts.push(part);
    parts.push(
      <Trace
        key={`m${from}`}
        mark={mark}
        kind={kindOf.get(mark.step)}
        pointed={pointed !== undefined}
        isPlace={place !== undefined && mark.start < place.end && mark.end > place.start}
      >
        {text.slice(from, to)}
      </Trace>,
    );
    at = to;
  }
  for (const part of plain(text, at, text.length, start, place)) parts.push(part);
  return <div className={styles.cleanBody}>{parts}</div>;
}

/** Untouched text, with the part of a place that falls in it marked. */
function plain(
  text: string,
  from: number,
  to: number,
  start: number,
  place: TextPlace | undefined,
): ReactNode[] {
  const markFrom = place ? Math.max(from, place.start - start) : to;
  const markTo = place ? Math.min(to, place.end - start) : from;
  if (markTo <= markFrom) return [text.slice(from, to)];
  return [
    text.slice(from, markFrom),
    <mark key={`p${markFrom}`} className={styles.foundPlace}>
      {text.slice(markFrom, markTo)}
    </mark>,
    text.slice(markTo, to),
  ];
}

function Trace({
  mark,
  kind,
  pointed,
  isPlace,
  children,
}: {
  mark: CleaningMark;
  kind: CleaningKind | undefined;
  pointed: boolean;
  isPlace: boolean;
  children: string;
}) {
  const place = isPlace ? ` ${styles.foundPlace}` : '';
  const name = kind ? stepDescription(kind).name : 'Not read: trimmed, or said by someone left out';
  if (kind === 'case') {
    return (
      <span className={`${styles.traceCase}${pointed ? ` ${styles.strong}` : ''}${place}`}>{children}</span>
    );
  }
  const isBreak = /^\s*\n\s*$/.test(children);
  const becomes = mark.replacement.trim() === '' ? '' : mark.replacement;
  return (
    <>
      <del className={`trace${kind ? '' : ` ${styles.traceCut}`}${place}`} title={name}>
        {isBreak && <span className={styles.traceBreak}>↵</span>}
        {children}
      </del>
      {becomes !== '' && (
        <ins className={styles.traceNew} title={name}>
          {visible(becomes)}
        </ins>
      )}
    </>
  );
}
