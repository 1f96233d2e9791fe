import { Button, Input, Segmented } from 'antd';
import { select as d3Select } from 'd3-selection';
import { zoom as d3Zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { useEffect, useMemo, useRef, useState } from 'react';
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
import styles from './MapStop.module.css';

/** Words grow as the zoom to the power of one less this. */
const TYPE_LAG = 0.3;
/** While the map moves, words are sized anew when it has grown or shrunk so many times: for each of them all are drawn anew. */
const SIZED_ANEW = 1.25;

/** Map: parcels and words; zoom and pan; pick a concept, a link or a theme; save it as a picture. */
export function MapStop() {
  const { state } = useStudy();
  const network = useNetwork();
  const isEmpty = state.sources.length === 0 && !network;
  const { data, isPlaceholderData } = useView('map', null);
  useShownFigure({ kind: 'map' });
  const { selection, select } = useSelection();
  const [sheet, setSheet] = useState<SVGSVGElement | null>(null);
  const zooming = useRef<ZoomBehavior<SVGSVGElement, unknown>>(null);
  const ground = useRef<SVGGElement>(null);
  const [zoom, setZoom] = useState(1);
  const [find, setFind] = useState('');
  const [face, setFace] = useState<'map' | 'groups' | 'difference' | 'time'>('map');
  const [steps, setSteps] = useState(0);
  const drawn = (data?.scene.parcels.length ?? 0) > 0;

  useEffect(() => {
    if (!sheet) return undefined;
    let sizedAt = 1;
    // Type grows less than the map, so that there is more room between words the closer one looks.
    const sizeWords = (zoom: number): void => {
      if (zoom === sizedAt) return;
      sizedAt = zoom;
      sheet.style.setProperty('--word-scale', String(Math.max(1, zoom) ** -TYPE_LAG));
    };
    const behaviour = d3Zoom<SVGSVGElement, unknown>()
      // A word that is dragged does not take the map along.
      .filter(
        (event: MouseEvent) =>
          event.type === 'wheel' ||
          (!event.ctrlKey &&
            event.button === 0 &&
            !(event.target instanceof Element && event.target.closest('[data-word]'))),
      )
      .scaleExtent([0.8, 8])
      .translateExtent([
        [-100, -100],
        [MAP_WIDTH + 100, MAP_HEIGHT + 100],
      ])
      .on('start', ({ sourceEvent }: { sourceEvent: Event | null }) => {
        if (sourceEvent?.type === 'wheel') sheet.setAttribute('data-moving', '');
      })
      .on('zoom', ({ transform }: { transform: ZoomTransform }) => {
        ground.current?.setAttribute('transform', transform.toString());
        const grown = transform.k / sizedAt;
        if (grown > SIZED_ANEW || grown < 1 / SIZED_ANEW) sizeWords(transform.k);
      })
      // Words come in when the map stands, so that the drawing is not made anew while it moves.
      .on('end', ({ transform }: { transform: ZoomTransform }) => {
        sheet.removeAttribute('data-moving');
        sizeWords(transform.k);
        setZoom(Math.max(1, Math.floor(transform.k * 10) / 10));
      });
    const canvas = d3Select(sheet);
    canvas.call(behaviour).on('dblclick.zoom', null);
    setZoom(1);
    zooming.current = behaviour;
    return () => {
      canvas.on('.zoom', null);
    };
  }, [sheet]);

  const zoomBy = (factor: number): void => {
    if (sheet && zooming.current) zooming.current.scaleBy(d3Select(sheet), factor);
  };
  const whole = (): void => {
    if (sheet && zooming.current) zooming.current.transform(d3Select(sheet), zoomIdentity);
  };
  const findConcept = (): void => {
    const wanted = find.trim().toLowerCase();
    const label = data?.scene.labels.find((each) => each.text.toLowerCase().includes(wanted));
    if (!label || wanted === '' || !sheet || !zooming.current) return;
    zooming.current.transform(
      d3Select(sheet),
      zoomIdentity
        .translate(MAP_WIDTH / 2, MAP_HEIGHT / 2)
        .scale(2.2)
        .translate(-label.x, -label.y),
    );
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
      <main className={`stage ${styles.mapStage}`} aria-label="Map">
        {data && !drawn && (
          <div className="empty-stage">
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
          <div className="empty-stage">
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
                      <Button size="small" aria-label="Zoom in" onClick={() => zoomBy(1.4)}>
                        +
                      </Button>
                      <Button size="small" aria-label="Zoom out" onClick={() => zoomBy(1 / 1.4)}>
                        −
                      </Button>
                      <Button size="small" onClick={whole}>
                        Whole map
                      </Button>
                    </div>
                  </div>
                  <svg
                    ref={setSheet}
                    className={isPlaceholderData ? `${styles.conceptMap} dimmed` : styles.conceptMap}
                    viewBox={`0 0 ${MAP_WIDTH} ${MAP_HEIGHT}`}
                    role="group"
                    aria-label={`Concept map of ${state.title}`}
                  >
                    <g ref={ground}>
                      <MapDrawing scene={data.scene} keys={data.keys} zoom={zoom} apart={apart} />
                    </g>
                  </svg>
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
