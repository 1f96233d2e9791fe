import type { Occurring } from '../concepts/renumbered.ts';
import { ranked } from '../base/order.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { Windows } from '../network/windows.ts';
import { seededRandom } from '../numeric/random.ts';

/** What is said in a collection, as documents of things: thing `word[i]` stands in document `document[i]`. */
export interface Corpus {
  readonly word: Int32Array;
  readonly document: Int32Array;
  readonly words: number;
  readonly documents: number;
}

export interface TopicSettings {
  /** K, the number of topics. */
  readonly topics: number;
  readonly seed: number;
  readonly sweeps?: number;
}

/** Topics as latent Dirichlet allocation finds them. */
export interface TopicModel {
  /** φ: the share of each word in a topic, topics × words; rows sum to 1. */
  readonly wordShare: Float64Array;
  /** The share of each topic in all that is said; sums to 1. */
  readonly share: Float64Array;
  /** The topic each mention is counted for, in the last sweep. */
  readonly topicOf: Int32Array;
}

/** Priors: few topics a document, few words a topic, as suits stretches of fifty words and a few hundred terms. */
const ALPHA = 0.1;
const BETA = 0.01;
const SWEEPS = 300;
/** Sweeps at the end over which counts are taken together, one in five. */
const KEPT_FROM = 200;
const KEPT_EVERY = 5;

/** Things by the stretch of text they stand in; those that stand in none, as in what is not counted, are left out. */
export function corpusOf(
  { occurrence, occurrenceFirst, occurrenceEnd }: Occurring,
  words: number,
  stretches: Windows,
): Corpus {
  const word: number[] = [];
  const document: number[] = [];
  let stretch = 0;
  for (let i = 0; i < occurrence.length; i++) {
    while (stretch < stretches.count && stretches.end[stretch] < occurrenceEnd[i]) stretch++;
    if (stretch === stretches.count) break;
    if (occurrenceFirst[i] < stretches.first[stretch] || occurrence[i] >= words) continue;
    word.push(occurrence[i]);
    document.push(stretch);
  }
  return {
    word: Int32Array.from(word),
    document: Int32Array.from(document),
    words,
    documents: stretches.count,
  };
}

/**
 * Latent Dirichlet allocation (Blei, Ng & Jordan 2003) by collapsed Gibbs sampling (Griffiths & Steyvers 2004), seeded: each
 * mention is counted for a topic drawn by how often the topic is in its document and has its word. Takes time in proportion to
 * mentions × topics.
 */
export function* findTopics(
  { word, document, words, documents }: Corpus,
  settings: TopicSettings,
): Stepwise<TopicModel> {
  const { topics, seed, sweeps = SWEEPS } = settings;
  const random = seededRandom(seed, 50_000 + topics);
  const inDocument = new Int32Array(documents * topics);
  const ofWord = new Int32Array(words * topics);
  const inTopic = new Int32Array(topics);
  const topicOf = Int32Array.from(word, () => Math.floor(random() * topics));
  const count = (i: number, by: number): void => {
    const topic = topicOf[i];
    inDocument[document[i] * topics + topic] += by;
    ofWord[word[i] * topics + topic] += by;
    inTopic[topic] += by;
  };
  for (let i = 0; i < word.length; i++) count(i, 1);
  const sumOfWord = new Float64Array(words * topics);
  const sumInTopic = new Float64Array(topics);
  const weight = new Float64Array(topics);
  let kept = 0;
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (let i = 0; i < word.length; i++) {
      count(i, -1);
      const [d, w] = [document[i] * topics, word[i] * topics];
      let sum = 0;
      for (let t = 0; t < topics; t++) {
        sum += ((inDocument[d + t] + ALPHA) * (ofWord[w + t] + BETA)) / (inTopic[t] + BETA * words);
        weight[t] = sum;
      }
      const at = random() * sum;
      let topic = 0;
      while (topic < topics - 1 && weight[topic] <= at) topic++;
      topicOf[i] = topic;
      count(i, 1);
    }
    const isKept =
      sweep >= (sweeps * KEPT_FROM) / SWEEPS && (sweep % KEPT_EVERY === 0 || sweep === sweeps - 1);
    if (isKept) {
      kept++;
      for (let at = 0; at < sumOfWord.length; at++) sumOfWord[at] += ofWord[at];
      for (let t = 0; t < topics; t++) sumInTopic[t] += inTopic[t];
    }
    yield (sweep + 1) / sweeps;
  }
  const wordShare = new Float64Array(topics * words);
  for (let t = 0; t < topics; t++) {
    for (let w = 0; w < words; w++)
      wordShare[t * words + w] =
        (sumOfWord[w * topics + t] + kept * BETA) / (sumInTopic[t] + kept * BETA * words);
  }
  const all = Math.max(1, word.length * kept);
  return { wordShare, share: sumInTopic.map((each) => each / all), topicOf };
}

/** Each source's mixture of topics, sources × topics: shares of its mentions; rows sum to 1, or are 0 where nothing is said. */
export function mixtures(
  { document }: Pick<Corpus, 'document'>,
  topicOf: Int32Array,
  sourceOf: Int32Array,
  sources: number,
  topics: number,
): Float64Array {
  const mixture = new Float64Array(sources * topics);
  const said = new Float64Array(sources);
  for (let i = 0; i < document.length; i++) {
    mixture[sourceOf[document[i]] * topics + topicOf[i]]++;
    said[sourceOf[document[i]]]++;
  }
  for (let at = 0; at < mixture.length; at++) mixture[at] /= Math.max(1, said[Math.floor(at / topics)]);
  return mixture;
}

/** The first words of a topic. */
export const topWords = ({ wordShare }: TopicModel, topic: number, words: number, most: number): number[] =>
  ranked(words, (w) => wordShare[topic * words + w]).slice(0, most);

/** The topic most of a word's mentions would be counted for: by the topic's share and the word's share in it. */
export function topicOfWord({ wordShare, share }: TopicModel, word: number, words: number): number {
  return ranked(share.length, (t) => share[t] * wordShare[t * words + word])[0];
}
