import { Button, Input } from 'antd';
import { useMemo, useState } from 'react';
import { ownValue } from '@green-thicket/core/base/records';
import type { Sheet } from '@green-thicket/core/base/sheets';
import type { MapView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { Companions } from './Companions.tsx';
import { MapDrawing } from './MapDrawing.tsx';
import { useZoom } from './use-zoom.ts';
import styles from './MapStop.module.css';

/** How many times larger a step of the zoom makes the map. */
const STEP = 1.4;

/** The concepts that are more steps away from the one picked than asked for; undefined while nothing is isolated. */
function useApart({ keys }: MapView, steps: number): ReadonlySet<string> | undefined {
  const { selection } = useSelection();
  const centre = selection?.kind === 'concept' ? selection.key : undefined;
  const isOn = steps > 0 && centre !== undefined;
  const away = useView('path', { from: centre ?? '', to: null }, isOn).data?.away;
  return useMemo(
    () =>
      isOn && away ? new Set(keys.filter((key) => (ownValue(away, key) ?? Infinity) > steps)) : undefined,
    [isOn, steps, away, keys],
  );
}

/** What stays of a map's sheet while another face of the map is looked at. */
export function useMapSheet(on: Sheet) {
  const [sheet, setSheet] = useState<SVGSVGElement | null>(null);
  const [pane, setPane] = useState<HTMLElement | null>(null);
  const zooming = useZoom(pane, sheet, on);
  const [find, setFind] = useState('');
  const [steps, setSteps] = useState(0);
  return { ...zooming, setSheet, setPane, find, setFind, steps, setSteps };
}

/** The map itself with what finds, zooms and isolates. */
export function MapSheet({
  map,
  isPast,
  sheet: { zoom, zoomBy, showWhole, lookAt, setSheet, setPane, find, setFind, steps, setSteps },
}: {
  map: MapView;
  /** Whether it is that of before while the next is drawn. */
  isPast: boolean;
  sheet: ReturnType<typeof useMapSheet>;
}) {
  const { state } = useStudy();
  const { select } = useSelection();
  const apart = useApart(map, steps);
  const zoomByKeys = ({ key, ctrlKey, metaKey }: React.KeyboardEvent): void => {
    if (ctrlKey || metaKey) return;
    if (key === '+' || key === '=') zoomBy(STEP);
    else if (key === '-') zoomBy(1 / STEP);
    else if (key === '0') showWhole();
  };
  const findConcept = (): void => {
    const wanted = find.trim().toLowerCase();
    const label = map.scene.labels.find((each) => each.text.toLowerCase().includes(wanted));
    if (!label || wanted === '') return;
    lookAt(label.x, label.y);
    select({ kind: 'concept', key: map.keys[label.concept] });
  };
  return (
    <>
      <div className={styles.mapSheet} data-under-reader="">
        <div className={styles.mapTools}>
          <Input
            size="small"
            className="short"
            aria-label="Find on the map"
            placeholder="Find on the map"
            value={find}
            onChange={(event) => setFind(event.target.value)}
            onPressEnter={findConcept}
          />
          <div className={styles.zoomTools}>
            <Button
              size="small"
              aria-label="Zoom in"
              title="Zoom in; on the map, the key +"
              onClick={() => zoomBy(STEP)}
            >
              +
            </Button>
            <Button
              size="small"
              aria-label="Zoom out"
              title="Zoom out; on the map, the key −"
              onClick={() => zoomBy(1 / STEP)}
            >
              −
            </Button>
            <Button size="small" onClick={showWhole}>
              Whole map
            </Button>
          </div>
        </div>
        <div ref={setPane} className={styles.mapPane} onKeyDown={zoomByKeys}>
          <svg
            ref={setSheet}
            className={isPast ? `${styles.conceptMap} dimmed` : styles.conceptMap}
            viewBox={`0 0 ${map.scene.sheet.width} ${map.scene.sheet.height}`}
            role="group"
            aria-label={`Concept map of ${state.title}`}
          >
            <MapDrawing scene={map.scene} keys={map.keys} zoom={zoom} apart={apart} />
          </svg>
        </div>
      </div>
      <Companions map={map} steps={steps} onSteps={setSteps} />
    </>
  );
}
