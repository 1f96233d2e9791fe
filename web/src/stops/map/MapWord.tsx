import type { PointerEvent } from 'react';
import type { MapLabel } from '@green-thicket/core/map/scene-types';
import type { MapShapes } from '@green-thicket/core/map/shapes';
import { decisionByKey, KEYS_SAID } from '../../pieces/key-decisions.ts';
import { pressKeys } from '../../pieces/press-keys.ts';
import { scaledType } from '../../pieces/scaled-type.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import type { useArrowWords } from '../../pieces/use-arrow-words.ts';
import { DRAWN } from '../../pieces/drawn-colours.ts';
import { pinned, type useWordDrag } from './use-word-drag.ts';
import styles from './MapDrawing.module.css';

/** A word of the map with the bar under it. */
export function MapWord({
  label,
  shape: { x, y, type, weight, ink, halo, haloWidth, bar },
  conceptKey: key,
  isPicked,
  isFaint,
  toNext,
  drag,
}: {
  readonly label: MapLabel;
  readonly shape: MapShapes['words'][number];
  readonly conceptKey: string;
  readonly isPicked: boolean;
  readonly isFaint: boolean;
  readonly toNext: ReturnType<typeof useArrowWords>;
  readonly drag: ReturnType<typeof useWordDrag>;
}) {
  const { state, decide } = useStudy();
  const { select } = useSelection();
  const pick = (): void => select({ kind: 'concept', key });
  const pinOrUnpin = () =>
    label.pinned
      ? ({ kind: 'unpinConcepts', keys: [key] } as const)
      : pinned(key, label.x, label.y, state.settings.map.sheet);
  const look = isPicked ? 'here' : isFaint ? styles.faint : '';
  return (
    <g
      role="button"
      tabIndex={-1}
      aria-label={label.text}
      data-word={key}
      className={`${styles.mapWord} ${look}`.trim()}
      aria-pressed={isPicked}
      onClick={() => {
        if (!drag.wasDragged()) pick();
      }}
      onPointerDown={(event: PointerEvent<SVGGElement>) => drag.begin(event, label.concept)}
      onKeyDown={(event) => {
        if (toNext(event)) return;
        const decision = event.key.toLowerCase() === 'p' ? pinOrUnpin() : decisionByKey(event, key);
        if (decision) decide(decision);
        else pressKeys(pick)(event);
      }}
    >
      <title>{`${label.text}${label.pinned ? ', pinned' : ''}. Enter reads it, ${KEYS_SAID}, P ${label.pinned ? 'unpins it' : 'pins it here'}, arrows go to the next word`}</title>
      <text
        {...scaledType(x, y, type)}
        fontWeight={weight}
        fill={isPicked ? DRAWN.rustInk : ink}
        stroke={halo}
        strokeWidth={haloWidth}
      >
        {label.text}
      </text>
      <rect
        x={x}
        y={bar.y}
        width={bar.width}
        height={bar.height}
        rx={bar.round}
        fill={isPicked ? DRAWN.rust : ink}
      />
      {label.pinned && (
        <circle cx={x + bar.width + 4} cy={bar.y + bar.height / 2} r={2.2} fill={DRAWN.rust} />
      )}
    </g>
  );
}
