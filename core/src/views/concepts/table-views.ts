import { strToU8 } from 'fflate';
import { tfIdf } from '../../concepts/distinct.ts';
import { wordPairs } from '../../concepts/word-pairs.ts';
import { tableNumber, writeCsv } from '../../formats/csv.ts';
import {
  NETWORK_FORMATS,
  type NetworkFormat,
  type WrittenNetwork,
} from '../../formats/write/network-write.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { countPlainly } from '../../text/plain-counts.ts';
import { conceptLabels, stopWordsOf } from '../../engine/resources.ts';
import { idsOf, stopWordChoices } from '../../engine/stage-keys.ts';
import type { WordPair } from '../../concepts/word-pairs.ts';
import { attributeNames, groupsByValue, groupValues } from '../../study/groups.ts';
import { namesOutside, type StudyState } from '../../study/study.ts';
import { inShownOrder, rowsInShownOrder, shownRanks, workingSources } from '../../study/subset.ts';
import { renamerOf } from '../../study/pseudonyms.ts';
import { renamedSources } from '../reading/passage-files.ts';
import { byMeasure, measuresOf, type Links, type Measured } from '../../network/links.ts';
import { reads, type ContextOf, type View, type ViewMakers } from '../view.ts';
import type { CleanedFileView } from '../sources/collection-view-types.ts';
import type { MatrixFigure, MatrixView, PlainCountsRow } from './concept-view-types.ts';
import { ownValue } from '../../base/records.ts';

/** The views that are tables of the collection: sources by concepts, words side by side, plain counts. */
export interface TableViews {
  matrix: View<{ readonly figure: MatrixFigure }, MatrixView>;
  matrixFile: View<{ readonly figure: MatrixFigure }, CleanedFileView>;
  /** The links that stand as a weighted adjacency matrix; 0 where there is none. */
  adjacencyFile: View<null, CleanedFileView>;
  /** Concepts and links with their figures, themes and places on the map, for other programs. */
  networkFile: View<{ readonly as: NetworkFormat }, CleanedFileView>;
  pairs: View<{ readonly limit: number }, { readonly pairs: readonly WordPair[]; readonly total: number }>;
  /** By source, or by the groups of an attribute. */
  plainCounts: View<
    { readonly attribute: string | null },
    { readonly rows: readonly PlainCountsRow[]; readonly all: PlainCountsRow }
  >;
}

const matrixReads = (state: StudyState) => ({
  ids: idsOf(workingSources(state)),
  labels: state.conceptLabels,
});

export const TABLE_KEYS = {
  matrix: reads(['tokens', 'concepts', 'counts', 'windows'], (state) => ({
    ...matrixReads(state),
    ranks: shownRanks(state),
  })),
  matrixFile: reads(['tokens', 'concepts', 'counts', 'windows'], (state) => ({
    ...matrixReads(state),
    sources: workingSources(state),
    ranks: shownRanks(state),
    names: namesOutside(state),
  })),
  adjacencyFile: reads(['concepts', 'links'], (state) => ({
    labels: state.conceptLabels,
    names: namesOutside(state),
  })),
  networkFile: reads(['candidates', 'concepts', 'links', 'themes', 'map'], (state) => ({
    labels: state.conceptLabels,
    title: state.title,
    names: namesOutside(state),
  })),
  pairs: reads(['tokens', 'wordLanguages'], (state) => ({ choices: stopWordChoices(state) })),
  plainCounts: reads(['tokens'], (state, { attribute }: TableViews['plainCounts']['question']) => {
    const sources = workingSources(state);
    return attribute === null
      ? { names: sources.map(({ name }) => name), ranks: shownRanks(state), values: null }
      : { names: [], ranks: [], values: groupValues(state, attribute) };
  }),
};

/** A link by every measure, in the digits of tables. */
export function roundedMeasures(links: Links, link: number): Measured {
  const measured = measuresOf(links, link);
  return byMeasure((name) => tableNumber(measured[name]));
}

/** What texts tell of a link, named as in links.csv. */
const figuresOf = (links: Links, i: number): Readonly<Record<string, string | number>> => ({
  windows_both: links.both[i],
  meetings: links.meetings[i],
  sources: links.sources[i],
  ...roundedMeasures(links, i),
  q: tableNumber(links.q[i]),
  q_sources: tableNumber(links.qBetween[i]),
  beyond_chance: links.beyond[i] === 1 ? 'by meetings' : 'by sources',
});

export const TABLE_VIEWS: ViewMakers<TableViews, typeof TABLE_KEYS> = {
  *matrix({ figure }, context) {
    const view = yield* matrixOf(figure, context);
    const { ranks } = context.own;
    return {
      ...view,
      sourceIds: inShownOrder(ranks).map((s) => view.sourceIds[s]),
      values: rowsInShownOrder(view.values, ranks, view.keys.length),
    };
  },

  *matrixFile({ figure }, context) {
    const { labels: given, values } = yield* matrixOf(figure, context);
    const renamer = renamerOf(context.own.names);
    const labels = given.map(renamer.renameAnyCase);
    const sources = renamedSources(context.own.sources, renamer);
    const order = inShownOrder(context.own.ranks);
    const attributes = attributeNames(order.map((s) => sources[s]));
    const rows = order.map((s) => [
      sources[s].name,
      ...attributes.map((name) => ownValue(sources[s].attributes, name) ?? ''),
      ...labels.map((_, c) => tableNumber(values[s * labels.length + c])),
    ]);
    return { bytes: strToU8(writeCsv(['source', ...attributes, ...labels], rows)) };
  },

  *adjacencyFile(_, { take, own: { labels: given, names } }) {
    const concepts = yield* take('concepts');
    const links = yield* take('links');
    const labels = conceptLabels(given, concepts).map(renamerOf(names).renameAnyCase);
    const n = labels.length;
    const weights = new Float64Array(n * n);
    for (let i = 0; i < links.standing; i++) {
      const [a, b] = [links.source[i], links.target[i]];
      weights[a * n + b] = weights[b * n + a] = links.strength[i];
    }
    const rows = labels.map((label, row) => [
      label,
      ...labels.map((_, column) => tableNumber(weights[row * n + column])),
    ]);
    return { bytes: strToU8(writeCsv(['concept', ...labels], rows)) };
  },

  *networkFile({ as }, { take, own }) {
    const candidates = yield* take('candidates');
    const concepts = yield* take('concepts');
    const links = yield* take('links');
    const { themes, themeOf } = yield* take('themes');
    const { labels: placed } = yield* take('map');
    const { renameAnyCase } = renamerOf(own.names);
    const labels = conceptLabels(own.labels, concepts).map(renameAnyCase);
    const ids = concepts.keys.map(renameAnyCase);
    const at = new Map(placed.map((label) => [label.concept, label]));
    const network: WrittenNetwork = {
      name: renameAnyCase(own.title),
      nodes: concepts.keys.map((_, i) => {
        const c = concepts.candidate[i];
        const place = at.get(i);
        const theme = themeOf[i] < 0 ? undefined : themes[themeOf[i]];
        return {
          id: ids[i],
          values: {
            label: labels[i],
            // What only texts could tell is not said of a network that came without.
            ...(c < 0
              ? {}
              : {
                  mentions: concepts.mentions[i],
                  sources: concepts.sources[i],
                  spread: tableNumber(candidates.spread[c]),
                  pull: tableNumber(candidates.pull[c]),
                }),
            theme: theme?.letter ?? '',
            theme_name: renameAnyCase(theme?.label ?? ''),
            ...(place ? { x: place.x, y: place.y } : {}),
          },
        };
      }),
      edges: Array.from({ length: links.standing }, (_, i) => ({
        source: ids[links.source[i]],
        target: ids[links.target[i]],
        values: {
          weight: tableNumber(links.strength[i]),
          ...(Number.isNaN(links.q[i]) ? {} : figuresOf(links, i)),
        },
      })),
    };
    return { bytes: strToU8(NETWORK_FORMATS[as].write(network)) };
  },

  *pairs({ limit }, { take, own: { choices } }) {
    const tokens = yield* take('tokens');
    return wordPairs(tokens, stopWordsOf(choices, yield* take('wordLanguages')), limit);
  },

  *plainCounts(_, { take, own: { names: sourceNames, ranks, values } }) {
    const tokens = yield* take('tokens');
    const numbers = (values ?? sourceNames).map((_, i) => i);
    const row = (name: string, members: readonly number[]): PlainCountsRow => ({
      name,
      sources: members.length,
      ...countPlainly(tokens, members),
    });
    const all = row('all', numbers);
    if (values === null) return { rows: inShownOrder(ranks).map((i) => row(sourceNames[i], [i])), all };
    const { names, groupOf } = groupsByValue(values);
    const groups = [...names.map((name, group) => ({ name, group })), { name: 'no value', group: -1 }]
      .map(({ name, group }) => ({ name, members: numbers.filter((i) => groupOf[i] === group) }))
      .filter(({ members }) => members.length > 0);
    return { rows: groups.map(({ name, members }) => row(name, members)), all };
  },
};

/** Sources by kept concepts: mentions, share of the source's windows, or mentions × ln(sources / sources with it). */
function* matrixOf(
  figure: MatrixFigure,
  { take, own: { ids, labels: given } }: ContextOf<typeof TABLE_KEYS.matrix>,
): Stepwise<MatrixView> {
  const tokens = yield* take('tokens');
  const concepts = yield* take('concepts');
  const width = concepts.keys.length;
  const values = new Float64Array(ids.length * width);
  const labels = conceptLabels(given, concepts);
  const view = { keys: concepts.keys, labels, sourceIds: ids, values };
  if (figure === 'windowShare') {
    const counts = yield* take('counts');
    const windows = yield* take('windows');
    const perSource = new Int32Array(ids.length);
    for (let w = 0; w < windows.count; w++) {
      const source = windows.source[w];
      perSource[source]++;
      for (let i = counts.windowFirst[w]; i < counts.windowFirst[w + 1]; i++) {
        values[source * width + counts.inWindow[i]]++;
      }
    }
    for (let s = 0; s < ids.length; s++) {
      for (let c = 0; c < width; c++) if (perSource[s] > 0) values[s * width + c] /= perSource[s];
    }
    return view;
  }
  let next = 0;
  for (let s = 0; s < ids.length; s++) {
    const limit = tokens.sentenceFirst[tokens.sourceFirst[s + 1]];
    for (; next < concepts.occurrence.length && concepts.occurrenceFirst[next] < limit; next++) {
      values[s * width + concepts.occurrence[next]]++;
    }
  }
  if (figure === 'mentions') return view;
  for (let c = 0; c < width; c++) {
    let sourcesWith = 0;
    for (let s = 0; s < ids.length; s++) if (values[s * width + c] > 0) sourcesWith++;
    for (let s = 0; s < ids.length; s++) {
      values[s * width + c] = tfIdf(values[s * width + c], sourcesWith, ids.length);
    }
  }
  return view;
}
