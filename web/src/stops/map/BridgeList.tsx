import { useMemo } from 'react';
import type { MapView } from '@green-thicket/core/views/view-types';
import { useSelection } from '../../pieces/selection.ts';
import styles from './MapStop.module.css';

/** Bridges that are listed. */
const MOST = 8;

/** The strongest links between themes. */
export function BridgeList({ map: { scene, keys } }: { map: MapView }) {
  const { select } = useSelection();
  const bridges = useMemo(() => {
    const labelOf = new Map(scene.labels.map((label) => [label.concept, label]));
    return scene.links
      .filter((link) => link.bridge)
      .slice(0, MOST)
      .flatMap(({ source, target }) => {
        const [a, b] = [labelOf.get(source), labelOf.get(target)];
        return a && b ? [{ a, b, keys: [keys[source], keys[target]] as const }] : [];
      });
  }, [scene, keys]);
  if (bridges.length === 0) return null;
  return (
    <>
      <h2 className="pane-title">Between themes</h2>
      <ul className="plain-list">
        {bridges.map(({ a, b, keys: ends }) => (
          <li key={ends.join('—')}>
            <button
              type="button"
              className={`row-button ${styles.bridgeRow}`}
              onClick={() => select({ kind: 'link', keys: [...ends] })}
            >
              <span>
                {scene.parcels[a.theme].letter} — {scene.parcels[b.theme].letter}
              </span>
              <span className="row-name">
                {a.text} · {b.text}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
