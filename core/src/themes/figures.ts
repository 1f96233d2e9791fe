import type { Graph } from '../network/graph.ts';
import type { Theme } from './themes.ts';

/** Where a theme stands among the others, by its links. */
export interface ThemePlace {
  /** Mean strength of the pairs of its concepts, pairs without a link as 0 (Callon, Courtial & Laville 1991). */
  readonly density: number;
  /** Strength of its links to concepts of other themes, by concept of its own. */
  readonly centrality: number;
  /** Other themes by the strength of the links to each, strongest first. */
  readonly ties: readonly { readonly theme: number; readonly strength: number }[];
}

/** Density and centrality of a theme. */
export function placeOfTheme(
  graph: Graph,
  themes: readonly Theme[],
  themeOf: Int32Array,
  theme: number,
): ThemePlace {
  const { concepts } = themes[theme];
  let inside = 0;
  const outside = new Float64Array(themes.length);
  for (const concept of concepts) {
    for (let e = graph.offset[concept]; e < graph.offset[concept + 1]; e++) {
      const other = themeOf[graph.neighbour[e]];
      if (other === theme) inside += graph.weight[e];
      else if (other >= 0) outside[other] += graph.weight[e];
    }
  }
  const pairs = (concepts.length * (concepts.length - 1)) / 2;
  return {
    // Every link inside was met from both its ends.
    density: pairs === 0 ? 0 : inside / 2 / pairs,
    centrality: concepts.length === 0 ? 0 : outside.reduce((sum, each) => sum + each, 0) / concepts.length,
    ties: [...outside.keys()]
      .filter((other) => outside[other] > 0)
      .sort((a, b) => outside[b] - outside[a] || a - b)
      .map((other) => ({ theme: other, strength: outside[other] })),
  };
}

/** Concepts a theme's coherence is of. */
const TOP = 10;

/**
 * Coherence of a theme: the mean NPMI of the pairs of its ten top concepts.
 *
 * @param npmiOf of two concepts
 * @returns 0 of fewer than two concepts
 */
export function coherenceOf(
  { concepts }: Pick<Theme, 'concepts'>,
  npmiOf: (a: number, b: number) => number,
): number {
  const top = concepts.slice(0, TOP);
  let sum = 0;
  let pairs = 0;
  for (let i = 0; i < top.length; i++) {
    for (let j = i + 1; j < top.length; j++) {
      sum += npmiOf(top[i], top[j]);
      pairs++;
    }
  }
  return pairs === 0 ? 0 : sum / pairs;
}
