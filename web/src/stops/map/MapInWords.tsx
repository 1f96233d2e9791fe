import type { MapView } from '@green-thicket/core/views/view-types';
import { useSelection } from '../../pieces/selection.ts';

/** The map as lists: themes with their concepts, then links, for whoever does not see the drawing. */
export function MapInWords({ map }: { map: MapView }) {
  const { select } = useSelection();
  const { parcels, labels, links, loose } = map.scene;
  const textOf = new Map(labels.map(({ concept, text }) => [concept, text]));
  const nameOf = (concept: number): string => textOf.get(concept) ?? map.keys[concept];
  return (
    <details>
      <summary>The map in words</summary>
      <ul>
        {parcels.map(({ letter, name, theme }) => (
          <li key={letter}>
            <button type="button" className="linklike" onClick={() => select({ kind: 'theme', letter })}>
              {letter} {name}
            </button>
            {': '}
            {labels
              .filter((label) => label.theme === theme)
              .map(({ text }) => text)
              .join(', ')}
          </li>
        ))}
        {loose.length > 0 && <li>In no theme: {loose.map(nameOf).join(', ')}</li>}
      </ul>
      <ul aria-label="Links drawn">
        {links.map(({ source, target, bridge }) => (
          <li key={`${source} ${target}`}>
            <button
              type="button"
              className="linklike"
              onClick={() => select({ kind: 'link', keys: [map.keys[source], map.keys[target]] })}
            >
              {nameOf(source)} — {nameOf(target)}
            </button>
            {bridge && ', a bridge'}
          </li>
        ))}
      </ul>
    </details>
  );
}
