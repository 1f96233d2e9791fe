import { npmi } from '../network/measures.ts';
import { seededRandom } from '../numeric/random.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { documentsOf, findTopics, topWords, type Corpus, type TopicModel } from './topics.ts';

/** How good a number of topics is. */
export interface TopicNumber {
  readonly topics: number;
  /** Of the words of documents that were not learnt from: lower is better. */
  readonly perplexity: number;
  /** Mean NPMI of the pairs of each topic’s ten first words, over documents: −1 to 1, higher is better. */
  readonly coherence: number;
}

/** One document in so many is not learnt from. */
const HELD_OUT = 10;
const TRIED_SWEEPS = 80;
const FOLDED_SWEEPS = 20;
/** Of a larger corpus the first mentions so many are taken, evenly: how many topics there are is told by a part. */
const MOST_TRIED = 60_000;
const TOP_WORDS = 10;

/**
 * Tries numbers of topics: perplexity of held-out documents by document completion (Wallach et al. 2009), each one's odd words
 * folded in and its even words asked for, and the coherence of what is found.
 */
export function* tryNumbers(
  whole: Corpus,
  numbers: readonly number[],
  seed: number,
): Stepwise<TopicNumber[]> {
  const every = Math.max(1, Math.ceil(whole.word.length / MOST_TRIED));
  const corpus = documentsOf(whole, (document) => document % every === 0);
  const learnt = documentsOf(corpus, (document) => Math.floor(document / every) % HELD_OUT !== 0);
  const held = documentsOf(corpus, (document) => Math.floor(document / every) % HELD_OUT === 0);
  const made: TopicNumber[] = [];
  for (const topics of numbers) {
    const model = yield* findTopics(learnt, { topics, seed, sweeps: TRIED_SWEEPS });
    made.push({
      topics,
      perplexity: perplexityOf(model, held, topics, seed),
      coherence: coherenceOf(model, corpus, topics),
    });
  }
  return made;
}

function perplexityOf(
  model: TopicModel,
  { word, document, words }: Corpus,
  topics: number,
  seed: number,
): number {
  const random = seededRandom(seed, 70_000 + topics);
  const sumOfPrior = model.prior.reduce((sum, each) => sum + each, 0);
  let logs = 0;
  let asked = 0;
  for (let from = 0; from < word.length;) {
    let to = from + 1;
    while (to < word.length && document[to] === document[from]) to++;
    const inDocument = new Float64Array(topics);
    const topicOf = new Map<number, number>();
    const folded = Array.from({ length: to - from }, (_, k) => from + k).filter((i) => (i - from) % 2 === 1);
    for (const i of folded) {
      const topic = Math.floor(random() * topics);
      topicOf.set(i, topic);
      inDocument[topic]++;
    }
    const weight = new Float64Array(topics);
    for (let sweep = 0; sweep < FOLDED_SWEEPS; sweep++) {
      for (const i of folded) {
        inDocument[topicOf.get(i) ?? 0]--;
        let sum = 0;
        for (let t = 0; t < topics; t++)
          weight[t] = sum += (inDocument[t] + model.prior[t]) * model.wordShare[t * words + word[i]];
        const at = random() * sum;
        let topic = 0;
        while (topic < topics - 1 && weight[topic] <= at) topic++;
        topicOf.set(i, topic);
        inDocument[topic]++;
      }
    }
    for (let i = from; i < to; i += 2) {
      let chance = 0;
      for (let t = 0; t < topics; t++)
        chance +=
          ((inDocument[t] + model.prior[t]) / (folded.length + sumOfPrior)) *
          model.wordShare[t * words + word[i]];
      logs += Math.log(chance);
      asked++;
    }
    from = to;
  }
  return asked === 0 ? Number.NaN : Math.exp(-logs / asked);
}

function coherenceOf(
  model: TopicModel,
  { word, document, words, documents }: Corpus,
  topics: number,
): number {
  const wanted = new Set(
    Array.from({ length: topics }, (_, t) => topWords(model, t, words, TOP_WORDS)).flat(),
  );
  const documentsWith = new Map<number, Set<number>>();
  word.forEach((each, i) => {
    if (!wanted.has(each)) return;
    const list = documentsWith.get(each);
    if (list) list.add(document[i]);
    else documentsWith.set(each, new Set([document[i]]));
  });
  let sum = 0;
  let pairs = 0;
  for (let t = 0; t < topics; t++) {
    const top = topWords(model, t, words, TOP_WORDS);
    for (let a = 0; a < top.length; a++) {
      for (let b = a + 1; b < top.length; b++) {
        const [first, second] = [documentsWith.get(top[a]), documentsWith.get(top[b])];
        let both = 0;
        for (const each of first ?? []) if (second?.has(each)) both++;
        sum += both === 0 ? -1 : npmi(both, first?.size ?? 0, second?.size ?? 0, documents);
        pairs++;
      }
    }
  }
  return pairs === 0 ? 0 : sum / pairs;
}
