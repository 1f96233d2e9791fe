import { Button, Input, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { ownValue } from '@green-thicket/core/base/records';
import { counted } from '@green-thicket/core/base/wording';
import { MAP_HEIGHT, MAP_WIDTH } from '@green-thicket/core/map/sheet';
import { useView } from '../../engine/use-view.ts';
import { InTurn } from '../../pieces/InTurn.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useNetwork } from '../../pieces/use-network.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLedger } from '../ThemeLedger.tsx';
import { Companions } from './Companions.tsx';
import { DifferenceMap } from './DifferenceMap.tsx';
import { GroupMaps } from './GroupMaps.tsx';
import { MapDrawing } from './MapDrawing.tsx';
import { MapInWords } from './MapInWords.tsx';
import { MapPicture } from './MapPicture.tsx';
import { TimeMap } from './TimeMap.tsx';
import { useZoom } from './use-zoom.ts';
import styles from './MapStop.module.css';

/** How many times larger a step of the zoom makes the map. */
const STEP = 1.4;

/** Map: parcels and words; zoom and pan; pick a concept, a link or a theme; save it as a picture. */
export function MapStop() {
  const { state } = useStudy();
  const network = useNetwork();
  const isEmpty = state.sources.length === 0 && !network;
  const { data, isPlaceholderData } = useView('map', null);
  useShownFigure({ kind: 'map' });
  const { selection, select } = useSelection();
  const [sheet, setSheet] = useState<SVGSVGElement | null>(null);
  const [pane, setPane] = useState<HTMLElement | null>(null);
  const { zoom, zoomBy, showWhole, lookAt } = useZoom(pane, sheet);
  const [find, setFind] = useState('');
  const [face, setFace] = useState<'map' | 'groups' | 'difference' | 'time'>('map');
  const [steps, setSteps] = useState(0);
  const drawn = (data?.scene.parcels.length ?? 0) > 0;

  const zoomByKeys = ({ key, ctrlKey, metaKey }: React.KeyboardEvent): void => {
    if (ctrlKey || metaKey) return;
    if (key === '+' || key === '=') zoomBy(STEP);
    else if (key === '-') zoomBy(1 / STEP);
    else if (key === '0') showWhole();
  };
  const findConcept = (): void => {
    const wanted = find.trim().toLowerCase();
    const label = data?.scene.labels.find((each) => each.text.toLowerCase().includes(wanted));
    if (!label || wanted === '') return;
    lookAt(label.x, label.y);
    select({ kind: 'concept', key: data?.keys[label.concept] ?? '' });
  };
  const centre = selection?.kind === 'concept' ? selection.key : undefined;
  const away = useView('path', { from: centre ?? '', to: null }, steps > 0 && centre !== undefined).data
    ?.away;
  // The concepts that are further away than asked for; none while nothing is isolated.
  const apart = useMemo(
    () =>
      steps === 0 || centre === undefined || !away || !data
        ? undefined
        : new Set(data.keys.filter((key) => (ownValue(away, key) ?? Infinity) > steps)),
    [steps, centre, away, data],
  );
  const later = data?.scene.labels.filter((label) => label.zoom > zoom).length ?? 0;
  const bridges = useMemo(() => {
    if (!data) return [];
    const labelOf = new Map(data.scene.labels.map((label) => [label.concept, label]));
    return data.scene.links
      .filter((link) => link.bridge)
      .slice(0, 8)
      .flatMap((link) => {
        const a = labelOf.get(link.source);
        const b = labelOf.get(link.target);
        return a && b ? [{ a, b, keys: [data.keys[link.source], data.keys[link.target]] as const }] : [];
      });
  }, [data]);

  return (
    <InTurn>
      <ThemeLedger>
        {bridges.length > 0 && data && (
          <>
            <h2 className="pane-title">Between themes</h2>
            <ul className="plain-list">
              {bridges.map(({ a, b, keys }) => (
                <li key={keys.join('—')}>
                  <button
                    type="button"
                    className={`row-button ${styles.bridgeRow}`}
                    onClick={() => select({ kind: 'link', keys: [...keys] })}
                  >
                    <span>
                      {data.scene.parcels[a.theme].letter} — {data.scene.parcels[b.theme].letter}
                    </span>
                    <span className="row-name">
                      {a.text} · {b.text}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
        {data && drawn && <MapInWords map={data} />}
        {data && later > 0 && (
          <p className="quiet">
            {counted(later, 'word')} more {later === 1 ? 'comes' : 'come'} with zoom.
          </p>
        )}
        {data && data.scene.hidden.length > 0 && (
          <p className="quiet">
            {counted(data.scene.hidden.length, 'word')} found no room in their parcel; Themes lists them.
          </p>
        )}
      </ThemeLedger>
      <main className={`centre ${styles.mapCentre}`} aria-label="Map">
        {data && !drawn && (
          <div className="empty-centre">
            <h2>{isEmpty ? 'No map yet' : 'There is too little to draw'}</h2>
            <p>
              {isEmpty
                ? 'Add texts at Sources; the map draws itself.'
                : network
                  ? 'No themes were found. A lower resolution at Themes may help.'
                  : 'No themes were found. More text, a longer window or a lower cut-off at Links would help.'}
            </p>
          </div>
        )}
        {!data && (
          <div className="empty-centre">
            {isEmpty ? (
              <>
                <h2>No map yet</h2>
                <p>Add texts at Sources; the map draws itself.</p>
              </>
            ) : (
              <p>Drawing the map …</p>
            )}
          </div>
        )}
        {data && drawn && (
          <>
            <div className={styles.mapFaces}>
              {!network && (
                <Segmented
                  size="small"
                  aria-label="How to look at the map"
                  value={face}
                  options={[
                    { value: 'map', label: 'Map' },
                    {
                      value: 'groups',
                      label: 'By group',
                      title: 'The same ground for each group, side by side',
                    },
                    {
                      value: 'difference',
                      label: 'Difference',
                      title: 'What each of two groups says more of',
                    },
                    {
                      value: 'time',
                      label: 'Through time',
                      title: 'The map by periods, moved by hand or playing',
                    },
                  ]}
                  onChange={setFace}
                />
              )}
              {face === 'map' && <MapPicture scene={data.scene} />}
            </div>
            {face !== 'map' && (
              <div className={styles.otherFace}>
                {face === 'groups' && <GroupMaps map={data} />}
                {face === 'difference' && <DifferenceMap map={data} />}
                {face === 'time' && <TimeMap map={data} />}
              </div>
            )}
            {face === 'map' && (
              <>
                <div className={styles.mapSheet}>
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
                      className={isPlaceholderData ? `${styles.conceptMap} dimmed` : styles.conceptMap}
                      viewBox={`0 0 ${MAP_WIDTH} ${MAP_HEIGHT}`}
                      role="group"
                      aria-label={`Concept map of ${state.title}`}
                    >
                      <MapDrawing scene={data.scene} keys={data.keys} zoom={zoom} apart={apart} />
                    </svg>
                  </div>
                </div>
                <Companions map={data} steps={steps} onSteps={setSteps} />
              </>
            )}
          </>
        )}
      </main>
    </InTurn>
  );
}
