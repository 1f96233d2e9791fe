import { strToU8 } from 'fflate';
import { tfIdf } from '../concepts/distinct.ts';
import { wordPairs } from '../concepts/word-pairs.ts';
import { tableNumber, writeCsv } from '../formats/csv.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { countPlainly } from '../text/plain-counts.ts';
import { conceptLabels, stopWordsOf } from '../engine/stage-inputs.ts';
import { attributeNames, groupsOf } from '../study/groups.ts';
import { workingSources } from '../study/subset.ts';
import type { ViewContext, ViewMakers } from './view-context.ts';
import type { MatrixFigure, MatrixView, PlainCountsRow } from './view-types.ts';
import { ownValue } from '../base/records.ts';

/** The views that are tables of the collection: sources by concepts, words side by side, plain counts. */
export const TABLE_VIEWS: ViewMakers<'matrix' | 'matrixFile' | 'pairs' | 'plainCounts'> = {
  *matrix({ figure }, context) {
    return yield* matrixOf(figure, context);
  },

  *matrixFile({ figure }, context) {
    const { labels, values } = yield* matrixOf(figure, context);
    const sources = workingSources(context.study.state);
    const attributes = attributeNames(sources);
    const rows = sources.map((source, s) => [
      source.name,
      ...attributes.map((name) => ownValue(source.attributes, name) ?? ''),
      ...labels.map((_, c) => tableNumber(values[s * labels.length + c])),
    ]);
    return { bytes: strToU8(writeCsv(['source', ...attributes, ...labels], rows)) };
  },

  *pairs({ limit }, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    const languages = yield* engine.compute('languages', study);
    return wordPairs(tokens, stopWordsOf(study.state, languages), limit);
  },

  *plainCounts({ attribute }, { engine, study }) {
    const tokens = yield* engine.compute('tokens', study);
    const sources = workingSources(study.state);
    const numbers = sources.map((_, i) => i);
    const row = (name: string, members: readonly number[]): PlainCountsRow => ({
      name,
      sources: members.length,
      ...countPlainly(tokens, members),
    });
    const all = row('all', numbers);
    if (attribute === null) return { rows: numbers.map((i) => row(sources[i].name, [i])), all };
    const { names, groupOf } = groupsOf(sources, attribute);
    const groups = [...names.map((name, group) => ({ name, group })), { name: 'no value', group: -1 }]
      .map(({ name, group }) => ({ name, members: numbers.filter((i) => groupOf[i] === group) }))
      .filter(({ members }) => members.length > 0);
    return { rows: groups.map(({ name, members }) => row(name, members)), all };
  },
};

/** Sources by kept concepts: mentions, share of the source's windows, or mentions × ln(sources / sources with it). */
function* matrixOf(figure: MatrixFigure, { engine, study }: ViewContext): Stepwise<MatrixView> {
  const tokens = yield* engine.compute('tokens', study);
  const concepts = yield* engine.compute('concepts', study);
  const sources = workingSources(study.state);
  const width = concepts.keys.length;
  const values = new Float64Array(sources.length * width);
  const labels = conceptLabels(study.state, concepts.keys);
  const view = { keys: concepts.keys, labels, sourceIds: sources.map(({ id }) => id), values };
  if (figure === 'windowShare') {
    const counts = yield* engine.compute('counts', study);
    const windows = yield* engine.compute('windows', study);
    const perSource = new Int32Array(sources.length);
    for (let w = 0; w < windows.count; w++) {
      const source = windows.source[w];
      perSource[source]++;
      for (let i = counts.windowFirst[w]; i < counts.windowFirst[w + 1]; i++) {
        values[source * width + counts.inWindow[i]]++;
      }
    }
    for (let s = 0; s < sources.length; s++) {
      for (let c = 0; c < width; c++) if (perSource[s] > 0) values[s * width + c] /= perSource[s];
    }
    return view;
  }
  let next = 0;
  for (let s = 0; s < sources.length; s++) {
    const limit = tokens.sentenceFirst[tokens.sourceFirst[s + 1]];
    for (; next < concepts.occurrence.length && concepts.occurrenceFirst[next] < limit; next++) {
      values[s * width + concepts.occurrence[next]]++;
    }
  }
  if (figure === 'mentions') return view;
  for (let c = 0; c < width; c++) {
    let sourcesWith = 0;
    for (let s = 0; s < sources.length; s++) if (values[s * width + c] > 0) sourcesWith++;
    for (let s = 0; s < sources.length; s++) {
      values[s * width + c] = tfIdf(values[s * width + c], sourcesWith, sources.length);
    }
  }
  return view;
}
