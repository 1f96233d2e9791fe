import type { MapScene } from '@green-thicket/core/map/scene';
import type { MapShapes } from '@green-thicket/core/map/shapes';
import { useSelection } from '../../pieces/selection.ts';
import { DRAWN } from '../../pieces/drawn-colours.ts';
import type { PickedOnMap } from './picked-on-map.ts';
import styles from './MapDrawing.module.css';

/** Pixels beside a link that still mean it. */
const REACH = 9;

/** Links and bridges; those of what is picked stand out. */
export function MapLinks({
  scene,
  shapes,
  keys,
  picked,
}: {
  readonly scene: MapScene;
  readonly shapes: MapShapes;
  readonly keys: readonly string[];
  readonly picked: PickedOnMap;
}) {
  const { select } = useSelection();
  const isFaint = picked.concepts.size > 0;
  const labels = new Map(scene.labels.map(({ concept, text }) => [concept, text]));
  return scene.links.map(({ source, target }, i) => {
    const { path, stroke, width, opacity, dash } = shapes.links[i];
    const ends: [string, string] = [keys[source], keys[target]];
    const isTouched = picked.touches(...ends);
    return (
      <g
        key={`${source}-${target}`}
        className={styles.mapLink}
        onClick={() => select({ kind: 'link', keys: ends })}
      >
        <path d={path} fill="none" stroke="transparent" strokeWidth={REACH} />
        <path
          d={path}
          fill="none"
          stroke={isTouched ? DRAWN.rust : stroke}
          strokeWidth={width * (isTouched ? 1.3 : 1)}
          strokeDasharray={dash}
          strokeLinecap={dash === undefined ? undefined : 'round'}
          opacity={isTouched ? 0.85 : opacity * (isFaint ? 0.45 : 1)}
        >
          <title>{[source, target].map((end, e) => labels.get(end) ?? ends[e]).join(' — ')}</title>
        </path>
      </g>
    );
  });
}
