import type { MapScene } from '@green-thicket/core/map/scene';
import type { MapShapes } from '@green-thicket/core/map/shapes';
import { pressKeys } from '../../pieces/press-keys.ts';
import { scaledType } from '../../pieces/scaled-type.ts';
import { useSelection } from '../../pieces/selection.ts';
import { DRAWN } from '../../pieces/drawn-colours.ts';
import styles from './MapDrawing.module.css';

interface Drawn {
  readonly scene: MapScene;
  readonly shapes: MapShapes;
}

/** The themes' plots of land, each with its hatch; one that is picked has a rim. */
export function Parcels({ scene, shapes, picked }: Drawn & { readonly picked: string | undefined }) {
  const { select } = useSelection();
  return (
    <>
      <defs>
        {scene.parcels.map(({ letter }, i) => {
          const { angle, distance, ink, width, opacity } = shapes.parcels[i].hatch;
          return (
            <pattern
              key={letter}
              id={`hatch-${letter}`}
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
      {scene.parcels.map(({ letter, name }, i) => {
        const { path, fill, stroke, width } = shapes.parcels[i];
        const isPicked = picked === letter;
        const pick = (): void => select({ kind: 'theme', letter });
        return (
          <g
            key={letter}
            role="button"
            tabIndex={0}
            className={styles.parcel}
            aria-label={`Theme ${letter}: ${name}`}
            aria-pressed={isPicked}
            onClick={pick}
            onKeyDown={pressKeys(pick)}
          >
            <path
              d={path}
              fill={fill}
              stroke={isPicked ? DRAWN.rust : stroke}
              strokeWidth={isPicked ? 2 * width : width}
            />
            <path d={path} fill={`url(#hatch-${letter})`} />
          </g>
        );
      })}
    </>
  );
}

/** The themes' letters and names, over links and under words. */
export function ParcelNames({ scene, shapes }: Drawn) {
  return scene.parcels.map(({ letter }, i) => {
    const { x, lines, type, weight, letterWeight, ink, halo, haloWidth } = shapes.names[i];
    return (
      <g key={letter} className={styles.parcelName}>
        {lines.map(({ text, y }, line) => (
          <text
            key={`${letter} ${line}`}
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
                  {letter}
                </tspan>{' '}
              </>
            )}
            {text}
          </text>
        ))}
      </g>
    );
  });
}
