import { memo, useRef } from 'react';
import { labelLines, linkPath, roundedPath } from '@green-thicket/core/map/draw';
import { hatchOf, inkOf, NEUTRAL_INK, tint } from '@green-thicket/core/map/palette';
import type { MapScene } from '@green-thicket/core/map/scene';
import { useSelection } from '../../pieces/selection.ts';
import { useArrowWords } from '../../pieces/use-arrow-words.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { decisionByKey, KEYS_SAID } from '../../pieces/key-decisions.ts';
import { scaledType } from '../../pieces/scaled-type.ts';

function onKeys(act: () => void) {
  return (event: React.KeyboardEvent): void => {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    act();
  };
}

/** The scene as elements that can be picked: parcels, links and words. */
export const MapDrawing = memo(function MapDrawing({
  scene,
  keys,
}: {
  scene: MapScene;
  keys: readonly string[];
}) {
  const { decide } = useStudy();
  const { selection, select } = useSelection();
  const pickedConcepts = new Set(
    selection?.kind === 'concept'
      ? [selection.key]
      : selection?.kind === 'link' || selection?.kind === 'several'
        ? selection.keys
        : [],
  );
  const pickedTheme =
    selection?.kind === 'theme' || selection?.kind === 'cell' ? selection.letter : undefined;
  const near = new Set(pickedConcepts);
  for (const link of scene.links) {
    if (selection?.kind !== 'concept') break;
    if (keys[link.source] === selection.key) near.add(keys[link.target]);
    if (keys[link.target] === selection.key) near.add(keys[link.source]);
  }
  const faint = pickedConcepts.size > 0;
  const drawing = useRef<SVGGElement>(null);
  const toNext = useArrowWords(drawing, '.map-word');
  return (
    <g ref={drawing}>
      <defs>
        {scene.parcels.map((parcel) => {
          const { angle, distance } = hatchOf(parcel.letter);
          return (
            <pattern
              key={parcel.letter}
              id={`hatch-${parcel.letter}`}
              width={distance}
              height={distance}
              patternUnits="userSpaceOnUse"
              patternTransform={`rotate(${angle})`}
            >
              <line x1={0} y1={0} x2={0} y2={distance} stroke={parcel.ink} strokeWidth={1} opacity={0.13} />
            </pattern>
          );
        })}
      </defs>
      {scene.parcels.map((parcel) => {
        const path = roundedPath(parcel.polygon);
        const pick = (): void => select({ kind: 'theme', letter: parcel.letter });
        return (
          <g
            key={parcel.letter}
            role="button"
            tabIndex={0}
            className="parcel"
            aria-label={`Theme ${parcel.letter}: ${parcel.name}`}
            aria-pressed={pickedTheme === parcel.letter}
            onClick={pick}
            onKeyDown={onKeys(pick)}
          >
            <path
              d={path}
              fill={tint(parcel.ink, 0.1)}
              stroke={pickedTheme === parcel.letter ? '#B5532B' : tint(parcel.ink, 0.5)}
              strokeWidth={pickedTheme === parcel.letter ? 2.4 : 1.2}
            />
            <path d={path} fill={`url(#hatch-${parcel.letter})`} />
          </g>
        );
      })}
      {scene.links.map((link) => {
        const a = keys[link.source];
        const b = keys[link.target];
        const picked = pickedConcepts.has(a) && pickedConcepts.has(b);
        const touched =
          picked || (selection?.kind === 'concept' && (pickedConcepts.has(a) || pickedConcepts.has(b)));
        const path = linkPath(link);
        const ink = link.bridge ? NEUTRAL_INK : inkOf(scene.parcels[link.theme].letter);
        return (
          <g
            key={`${link.source}-${link.target}`}
            className="map-link"
            onClick={() => select({ kind: 'link', keys: [a, b] })}
          >
            <path d={path} fill="none" stroke="transparent" strokeWidth={9} />
            <path
              d={path}
              fill="none"
              stroke={touched ? '#B5532B' : ink}
              strokeWidth={link.width * (touched ? 1.3 : 1)}
              strokeDasharray={link.bridge ? '1.5 4' : undefined}
              strokeLinecap="round"
              opacity={touched ? 0.85 : (link.bridge ? 0.55 : 0.28) * (faint ? 0.45 : 1)}
            >
              <title>{`${a} — ${b}`}</title>
            </path>
          </g>
        );
      })}
      {scene.parcels.map((parcel) => (
        <text
          key={parcel.letter}
          {...scaledType(parcel.nameX, parcel.nameY + parcel.nameType * 0.35, parcel.nameType)}
          textAnchor="middle"
          className="parcel-name"
          fill={parcel.ink}
          stroke={tint(parcel.ink, 0.08)}
        >
          <tspan className="parcel-letter">{parcel.letter}</tspan> {parcel.name}
        </text>
      ))}
      {scene.labels.map((label) => {
        const { left, base, barY } = labelLines(label);
        const key = keys[label.concept];
        const picked = pickedConcepts.has(key);
        const ink = scene.parcels[label.theme].ink;
        const pick = (): void => select({ kind: 'concept', key });
        return (
          <g
            key={key}
            role="button"
            tabIndex={-1}
            aria-label={label.text}
            className={picked ? 'map-word here' : faint && !near.has(key) ? 'map-word faint' : 'map-word'}
            aria-pressed={picked}
            onClick={pick}
            onKeyDown={(event) => {
              if (toNext(event)) return;
              const decision = decisionByKey(event, key);
              if (decision) decide(decision);
              else onKeys(pick)(event);
            }}
          >
            <title>{`${label.text}. Enter reads it, ${KEYS_SAID}, arrows go to the next word`}</title>
            <text
              {...scaledType(left, base, label.type)}
              fontWeight={label.bold ? 650 : 500}
              fill={picked ? '#8f3f1d' : ink}
              stroke={tint(ink, 0.08)}
            >
              {label.text}
            </text>
            <rect x={left} y={barY} width={label.bar} height={2.4} rx={1.2} fill={picked ? '#B5532B' : ink} />
          </g>
        );
      })}
    </g>
  );
});
