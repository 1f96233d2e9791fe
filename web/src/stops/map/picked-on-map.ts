import type { MapScene } from '@green-thicket/core/map/scene';
import type { Selection } from '@green-thicket/core/views/view-types';

/** What of a map is picked, and what is near it. */
export interface PickedOnMap {
  readonly concepts: ReadonlySet<string>;
  readonly theme: string | undefined;
  /** Whether a link is picked, or one of the concept that is. */
  readonly touches: (a: string, b: string) => boolean;
  /** Whether a concept is picked or linked to the one that is. */
  readonly isNear: (key: string) => boolean;
}

/** What a selection picks of a map. */
export function pickedOnMap(
  selection: Selection | null,
  scene: MapScene,
  keys: readonly string[],
): PickedOnMap {
  const one = selection?.kind === 'concept' ? selection.key : undefined;
  const concepts = new Set(
    one !== undefined
      ? [one]
      : selection?.kind === 'link' || selection?.kind === 'several'
        ? selection.keys
        : [],
  );
  const near = new Set(concepts);
  for (const { source, target } of one === undefined ? [] : scene.links) {
    if (keys[source] === one) near.add(keys[target]);
    if (keys[target] === one) near.add(keys[source]);
  }
  return {
    concepts,
    theme: selection?.kind === 'theme' || selection?.kind === 'cell' ? selection.letter : undefined,
    touches: (a, b) => (one === undefined ? concepts.has(a) && concepts.has(b) : a === one || b === one),
    isNear: (key) => near.has(key),
  };
}
