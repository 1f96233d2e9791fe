import { useStudy } from '../../pieces/study-context.ts';
import { heightOf, type FieldSize, type PlacedField } from './place-words.ts';
import styles from './WordField.module.css';

/** How far the line moves by an arrow key, as a share of the field's height. */
const STEP = 0.02;

/** The least pull of what is kept, as a height in the field: what it is, and what sets it. */
export function useLeastPull(field: PlacedField) {
  const { up, size } = field;
  const ground = size.height - size.bottom;
  const { state, decide } = useStudy();
  const { minimumPull } = state.settings.concepts;
  const y = heightOf(field, minimumPull);
  // At the foot of the field, all is kept.
  const pullAt = (height: number): number => (height >= ground ? 0 : up.value(1 - height / ground));
  const set = (pull: number): void => {
    const rounded = Math.max(0, Math.round(pull * 100) / 100);
    if (rounded !== minimumPull) decide({ kind: 'setConcepts', change: { minimumPull: rounded } });
  };
  return {
    y,
    pull: minimumPull,
    most: Math.round(up.value(1) * 100) / 100,
    setHeight: (height: number) => set(pullAt(height)),
    /** Moves the line a little way, and the limit by a hundredth at least. */
    step: (direction: 1 | -1) => {
      const height = Math.max(0, Math.min(ground, y - direction * STEP * ground));
      set(minimumPull + direction * Math.max(0.01, direction * (pullAt(height) - minimumPull)));
    },
  };
}

/** The line across the field above which words are kept. */
export function KeepingLine({
  y,
  size: { left, width },
  least,
  onGrasp,
}: {
  /** Where it is drawn, which is elsewhere while it is dragged. */
  y: number;
  size: FieldSize;
  least: ReturnType<typeof useLeastPull>;
  onGrasp: (event: React.PointerEvent) => void;
}) {
  return (
    <g
      className={styles.keepingLine}
      role="slider"
      tabIndex={0}
      aria-label="Least pull of what is kept"
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={least.most}
      aria-valuenow={least.pull}
      transform={`translate(0 ${y})`}
      onPointerDown={(event) => {
        event.stopPropagation();
        onGrasp(event);
      }}
      onKeyDown={(event) => {
        if (event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
        event.preventDefault();
        least.step(event.key === 'ArrowUp' ? 1 : -1);
      }}
    >
      <title>What is above this line is kept. Drag it, or use the arrow keys.</title>
      <rect x={left} y={-6} width={width - left} height={12} />
      <line x1={left} x2={width} y1={0} y2={0} />
    </g>
  );
}
