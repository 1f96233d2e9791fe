import { memo, useMemo, useRef } from 'react';
import type { MapScene } from '@green-thicket/core/map/scene';
import { footWords, shapesOf } from '@green-thicket/core/map/shapes';
import { SMALLEST_TYPE } from '@green-thicket/core/map/sheet';
import { scaledType } from '../../pieces/scaled-type.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useArrowWords } from '../../pieces/use-arrow-words.ts';
import { DRAWN, ON_PAGE } from '../../pieces/drawn-colours.ts';
import { MapLinks } from './MapLinks.tsx';
import { MapWord } from './MapWord.tsx';
import { ParcelNames, Parcels } from './Parcels.tsx';
import { pickedOnMap } from './picked-on-map.ts';
import { useMoves } from './use-moves.ts';
import { useWordDrag } from './use-word-drag.ts';

/** The scene as elements that can be picked: parcels, links and words. */
export const MapDrawing = memo(function MapDrawing({
  scene,
  keys,
  zoom,
  apart,
}: {
  scene: MapScene;
  keys: readonly string[];
  /** Words that came to be shown by this zoom are drawn. */
  zoom: number;
  /** Concepts that are quieted, as they are too far from what is looked at. */
  apart?: ReadonlySet<string>;
}) {
  const { selection } = useSelection();
  const picked = pickedOnMap(selection, scene, keys);
  const drawing = useRef<SVGGElement>(null);
  const shapes = useMemo(() => shapesOf(scene, ON_PAGE), [scene]);
  const toNext = useArrowWords(drawing, '.map-word');
  useMoves(drawing, scene, keys);
  const drag = useWordDrag(drawing, scene, keys);
  const isFaint = (key: string): boolean =>
    apart ? apart.has(key) : picked.concepts.size > 0 && !picked.isNear(key);
  return (
    <g ref={drawing}>
      <Parcels scene={scene} shapes={shapes} picked={picked.theme} />
      <MapLinks scene={scene} shapes={shapes} keys={keys} picked={picked} />
      <ParcelNames scene={scene} shapes={shapes} />
      {footWords(scene).map(({ x, y, text }) => (
        <text key={text} {...scaledType(x, y, SMALLEST_TYPE)} fill={DRAWN.quiet}>
          {text}
        </text>
      ))}
      {scene.labels.map((label, i) => {
        const key = keys[label.concept];
        return (
          label.zoom <= zoom && (
            <MapWord
              key={key}
              label={label}
              shape={shapes.words[i]}
              conceptKey={key}
              isPicked={picked.concepts.has(key)}
              isFaint={isFaint(key)}
              toNext={toNext}
              drag={drag}
            />
          )
        );
      })}
    </g>
  );
});
