import { memo, useMemo, useRef } from 'react';
import { COLOURS } from '../../theme.ts';
import { footWords, shapesOf } from '@green-thicket/core/map/shapes';
import { halfPlanes, isInside } from '@green-thicket/core/map/geometry';
import type { Decision } from '@green-thicket/core/study/decisions';
import type { MapScene } from '@green-thicket/core/map/scene';
import { SMALLEST_TYPE } from '@green-thicket/core/map/sheet';
import { pressKeys } from '../../pieces/press-keys.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useArrowWords } from '../../pieces/use-arrow-words.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { decisionByKey, KEYS_SAID } from '../../pieces/key-decisions.ts';
import { scaledType } from '../../pieces/scaled-type.ts';
import { useMoves } from './use-moves.ts';
import styles from './MapDrawing.module.css';

const tenth = (value: number): number => Math.round(value * 10) / 10;
const pinned = (key: string, x: number, y: number): Decision => ({
  kind: 'pinConcept',
  key,
  at: [tenth(x), tenth(y)],
});

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
  const shapes = useMemo(() => shapesOf(scene), [scene]);
  const toNext = useArrowWords(drawing, '.map-word');
  useMoves(drawing, scene, keys);
  const wasDragged = useRef(false);
  /** Drags a word to another place of its parcel, where it is pinned, or onto another theme’s: it belongs there then. */
  const beginDrag = (event: React.PointerEvent<SVGGElement>, concept: number): void => {
    const word = event.currentTarget;
    const ground = drawing.current;
    if (event.button !== 0 || !ground) return;
    // Else the map would be moved.
    event.stopPropagation();
    wasDragged.current = false;
    const begun = { x: event.clientX, y: event.clientY };
    const onMap = (at: { clientX: number; clientY: number }): DOMPoint =>
      new DOMPoint(at.clientX, at.clientY).matrixTransform(ground.getScreenCTM()?.inverse());
    const from = onMap(event);
    const move = (moved: PointerEvent): void => {
      if (!wasDragged.current && Math.hypot(moved.clientX - begun.x, moved.clientY - begun.y) < 6) return;
      wasDragged.current = true;
      const to = onMap(moved);
      word.setAttribute('transform', `translate(${to.x - from.x} ${to.y - from.y})`);
    };
    const drop = (dropped: PointerEvent): void => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', drop);
      word.removeAttribute('transform');
      if (!wasDragged.current) return;
      const { x, y } = onMap(dropped);
      const parcel = scene.parcels.find(({ polygon }) => isInside(halfPlanes(polygon), x, y));
      const label = scene.labels.find((each) => each.concept === concept);
      if (!parcel || !label) return;
      // Onto another parcel it belongs there; within its own it stays where it was put.
      decide(
        parcel.theme === label.theme
          ? pinned(keys[concept], label.x + x - from.x, label.y + y - from.y)
          : { kind: 'placeConcepts', keys: [keys[concept]], letter: parcel.letter },
      );
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', drop);
  };
  return (
    <g ref={drawing}>
      <defs>
        {scene.parcels.map((parcel, i) => {
          const { angle, distance, ink, width, opacity } = shapes.parcels[i].hatch;
          return (
            <pattern
              key={parcel.letter}
              id={`hatch-${parcel.letter}`}
              width={distance}
              height={distance}
              patternUnits="userSpaceOnUse"
              patternTransform={`rotate(${angle})`}
            >
              <line x1={0} y1={0} x2={0} y2={distance} stroke={ink} strokeWidth={width} opacity={opacity} />
            </pattern>
          );
        })}
      </defs>
      {scene.parcels.map((parcel, i) => {
        const { path, fill, stroke, width } = shapes.parcels[i];
        const pick = (): void => select({ kind: 'theme', letter: parcel.letter });
        return (
          <g
            key={parcel.letter}
            role="button"
            tabIndex={0}
            className={styles.parcel}
            aria-label={`Theme ${parcel.letter}: ${parcel.name}`}
            aria-pressed={pickedTheme === parcel.letter}
            onClick={pick}
            onKeyDown={pressKeys(pick)}
          >
            <path
              d={path}
              fill={fill}
              stroke={pickedTheme === parcel.letter ? COLOURS.rust : stroke}
              strokeWidth={pickedTheme === parcel.letter ? 2 * width : width}
            />
            <path d={path} fill={`url(#hatch-${parcel.letter})`} />
          </g>
        );
      })}
      {scene.links.map((link, i) => {
        const { path, stroke, width, opacity, dash } = shapes.links[i];
        const a = keys[link.source];
        const b = keys[link.target];
        const picked = pickedConcepts.has(a) && pickedConcepts.has(b);
        const touched =
          picked || (selection?.kind === 'concept' && (pickedConcepts.has(a) || pickedConcepts.has(b)));
        return (
          <g
            key={`${link.source}-${link.target}`}
            className={styles.mapLink}
            onClick={() => select({ kind: 'link', keys: [a, b] })}
          >
            <path d={path} fill="none" stroke="transparent" strokeWidth={9} />
            <path
              d={path}
              fill="none"
              stroke={touched ? COLOURS.rust : stroke}
              strokeWidth={width * (touched ? 1.3 : 1)}
              strokeDasharray={dash}
              strokeLinecap={dash === undefined ? undefined : 'round'}
              opacity={touched ? 0.85 : opacity * (faint ? 0.45 : 1)}
            >
              <title>{`${a} — ${b}`}</title>
            </path>
          </g>
        );
      })}
      {scene.parcels.map((parcel, i) => {
        const { x, lines, type, weight, letterWeight, ink, halo, haloWidth } = shapes.names[i];
        return (
          <g key={parcel.letter} className={styles.parcelName}>
            {lines.map(({ text, y }, line) => (
              <text
                key={`${parcel.letter} ${line}`}
                {...scaledType(x, y, type)}
                textAnchor="middle"
                fontWeight={weight}
                fill={ink}
                stroke={halo}
                strokeWidth={haloWidth}
              >
                {line === 0 && (
                  <>
                    <tspan className={styles.parcelLetter} fontWeight={letterWeight}>
                      {parcel.letter}
                    </tspan>{' '}
                  </>
                )}
                {text}
              </text>
            ))}
          </g>
        );
      })}
      {footWords(scene).map(({ x, y, text }) => (
        <text key={text} {...scaledType(x, y, SMALLEST_TYPE)} fill={COLOURS.quiet}>
          {text}
        </text>
      ))}
      {scene.labels.map((label, i) => {
        if (label.zoom > zoom) return null;
        const { x, y, type, weight, ink, halo, haloWidth, bar } = shapes.words[i];
        const key = keys[label.concept];
        const picked = pickedConcepts.has(key);
        const pick = (): void => select({ kind: 'concept', key });
        return (
          <g
            key={key}
            role="button"
            tabIndex={-1}
            aria-label={label.text}
            data-word={key}
            className={
              picked
                ? `${styles.mapWord} here`
                : (apart ? apart.has(key) : faint && !near.has(key))
                  ? `${styles.mapWord} ${styles.faint}`
                  : styles.mapWord
            }
            aria-pressed={picked}
            onClick={() => {
              if (!wasDragged.current) pick();
            }}
            onPointerDown={(event) => beginDrag(event, label.concept)}
            onKeyDown={(event) => {
              if (toNext(event)) return;
              const decision =
                event.key.toLowerCase() === 'p'
                  ? label.pinned
                    ? ({ kind: 'unpinConcepts', keys: [key] } as const)
                    : pinned(key, label.x, label.y)
                  : decisionByKey(event, key);
              if (decision) decide(decision);
              else pressKeys(pick)(event);
            }}
          >
            <title>{`${label.text}${label.pinned ? ', pinned' : ''}. Enter reads it, ${KEYS_SAID}, P ${label.pinned ? 'unpins it' : 'pins it here'}, arrows go to the next word`}</title>
            <text
              {...scaledType(x, y, type)}
              fontWeight={weight}
              fill={picked ? COLOURS.rustInk : ink}
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
              fill={picked ? COLOURS.rust : ink}
            />
            {label.pinned && (
              <circle cx={x + bar.width + 4} cy={bar.y + bar.height / 2} r={2.2} fill={COLOURS.rust} />
            )}
          </g>
        );
      })}
    </g>
  );
});
