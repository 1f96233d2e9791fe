import { conceptLabels } from '../../engine/resources.ts';
import { stopForm } from '../../concepts/stop-words.ts';
import { byCodeUnits } from '../../base/order.ts';
import { ownValue } from '../../base/records.ts';
import { networkInForce } from '../../study/in-force.ts';
import { reads, type View, type ViewMakers } from '../view.ts';

/** A node of a network that was made elsewhere. */
export interface NodeRow {
  readonly key: string;
  readonly label: string;
  /** Letter of its theme; empty where it is in none. */
  readonly letter: string;
  /** Its links, and their weights summed. */
  readonly links: number;
  readonly weight: number;
  /** `weak` where others with stronger links are worked with. */
  readonly status: 'taken' | 'dropped' | 'weak';
}

/** The view of a study that is a network without texts. */
export interface NetworkViews {
  /** Its nodes, those with the strongest links first. */
  nodes: View<null, { readonly rows: readonly NodeRow[] }>;
}

export const NETWORK_KEYS = {
  nodes: reads(['concepts', 'links', 'themes'], (state) => ({
    labels: state.conceptLabels,
    dropped: state.dropped,
    stopWords: state.stopWords,
    merges: state.merges,
    network: networkInForce(state),
  })),
};

export const NETWORK_VIEWS: ViewMakers<NetworkViews, typeof NETWORK_KEYS> = {
  *nodes(_, { take, own: { labels: given, dropped, stopWords, merges, network } }) {
    const concepts = yield* take('concepts');
    const { source, target, strength } = yield* take('links');
    const { themes, themeOf } = yield* take('themes');
    const labels = conceptLabels(given, concepts);
    const count = new Int32Array(concepts.keys.length);
    const weight = new Float64Array(concepts.keys.length);
    for (let i = 0; i < source.length; i++) {
      for (const end of [source[i], target[i]]) {
        count[end]++;
        weight[end] += strength[i];
      }
    }
    const rows = concepts.keys.map((key, i): NodeRow => ({
      key,
      label: labels[i],
      letter: themeOf[i] < 0 ? '' : themes[themeOf[i]].letter,
      links: count[i],
      weight: weight[i],
      status: 'taken',
    }));
    const isTaken = new Set(concepts.keys);
    const isDropped = new Set(dropped);
    const isStopped = new Set(stopWords.map(stopForm));
    const isOut = (key: string): boolean => isDropped.has(key) || isStopped.has(stopForm(key));
    const others = (network?.concepts ?? [])
      .filter((key) => !isTaken.has(key) && (isOut(key) || ownValue(merges, key) === undefined))
      .sort(byCodeUnits)
      .map((key): NodeRow => ({
        key,
        label: ownValue(given, key) ?? key,
        ...{ letter: '', links: 0, weight: 0 },
        status: isOut(key) ? 'dropped' : 'weak',
      }));
    return { rows: [...rows, ...others] };
  },
};
