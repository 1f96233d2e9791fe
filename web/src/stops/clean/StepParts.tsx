import { Popover } from 'antd';
import { lazy, Suspense, useRef, useState, type ReactNode } from 'react';
import type { ControlName, SentencePart } from '@green-thicket/core/words/sentences';
import type { CleaningStep } from '@green-thicket/core/text/cleaning/steps';
import { usePointedStep } from './pointed-step.tsx';
import { useStepChanges } from './step-changes.ts';
import styles from './StepParts.module.css';

/** What reads patterns is large and comes with the first step that is edited. */
const StepEditor = lazy(async () => ({ default: (await import('./StepEditor.tsx')).StepEditor }));

/** Pixels the pointer moves before a press on a step is a drag. */
const DRAG_FROM = 6;

/** The steps as parts of the sentence: to point at, edit, drag among each other, or move by Alt and an arrow. */
export function StepParts({
  parts,
  renderControl,
}: {
  parts: readonly SentencePart[];
  renderControl: (name: ControlName, text: string) => ReactNode;
}) {
  const { steps, move } = useStepChanges();
  const [dragged, setDragged] = useState<string>();
  const [over, setOver] = useState<string>();
  return (
    <>
      {parts.map((part) => {
        if (typeof part === 'string') return part;
        if ('control' in part)
          return <span key={part.control}>{renderControl(part.control, part.text)}</span>;
        const step = steps.find((each) => each.id === part.step);
        return (
          step && (
            <StepPart
              key={part.step}
              step={step}
              text={part.text}
              dragged={dragged === part.step}
              target={over === part.step && dragged !== part.step}
              onDrag={(at) => {
                setDragged(part.step);
                setOver(at);
              }}
              onDrop={(at) => {
                setDragged(undefined);
                setOver(undefined);
                const to = steps.findIndex((each) => each.id === at);
                if (to >= 0 && at !== part.step) move(part.step, to);
              }}
            />
          )
        );
      })}
    </>
  );
}

/** The step a point of the page lies on. */
function stepAt(x: number, y: number): string | undefined {
  for (const element of document.elementsFromPoint(x, y)) {
    if (element instanceof HTMLElement && element.dataset.step) return element.dataset.step;
  }
  return undefined;
}

function StepPart({
  step,
  text,
  dragged,
  target,
  onDrag,
  onDrop,
}: {
  step: CleaningStep;
  text: string;
  dragged: boolean;
  target: boolean;
  onDrag: (over: string | undefined) => void;
  onDrop: (over: string | undefined) => void;
}) {
  const { pointed, point } = usePointedStep();
  const { steps, move } = useStepChanges();
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const press = useRef<{ x: number; y: number; moved: boolean }>(undefined);
  const names = [
    `control ${styles.stepPart}`,
    step.on ? '' : 'is-off',
    pointed === step.id ? 'pointed' : '',
    dragged ? 'dragged' : '',
    target ? 'target' : '',
  ];
  const close = (): void => {
    setOpen(false);
    button.current?.focus();
  };
  return (
    <Popover
      open={open}
      onOpenChange={(next) => {
        // A click that ends a drag opens nothing.
        if (!press.current?.moved) setOpen(next);
      }}
      trigger="click"
      destroyOnHidden
      placement="bottomLeft"
      content={
        <Suspense fallback={<p className="quiet">…</p>}>
          <StepEditor step={step} close={close} />
        </Suspense>
      }
    >
      <button
        ref={button}
        type="button"
        className={names.filter(Boolean).join(' ')}
        data-step={step.id}
        aria-expanded={open}
        aria-haspopup="dialog"
        aria-keyshortcuts="Alt+ArrowLeft Alt+ArrowRight"
        title={`${step.on ? '' : 'Switched off. '}Click to edit; drag, or press Alt and an arrow, to move.`}
        onMouseEnter={() => point(step.id)}
        onMouseLeave={() => point(undefined)}
        onFocus={() => point(step.id)}
        onBlur={() => point(undefined)}
        onKeyDown={(event) => {
          if (!event.altKey || (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight')) return;
          event.preventDefault();
          move(step.id, steps.indexOf(step) + (event.key === 'ArrowLeft' ? -1 : 1));
        }}
        onPointerDown={(event) => {
          press.current = { x: event.clientX, y: event.clientY, moved: false };
          event.currentTarget.setPointerCapture(event.pointerId);
        }}
        onPointerMove={(event) => {
          const from = press.current;
          if (!from || !event.currentTarget.hasPointerCapture(event.pointerId)) return;
          if (Math.hypot(event.clientX - from.x, event.clientY - from.y) > DRAG_FROM) from.moved = true;
          if (from.moved) onDrag(stepAt(event.clientX, event.clientY));
        }}
        onPointerUp={(event) => {
          if (press.current?.moved) onDrop(stepAt(event.clientX, event.clientY));
        }}
        onPointerCancel={() => onDrop(undefined)}
      >
        {text}
      </button>
    </Popover>
  );
}
