import type { Occurring } from '../concepts/renumbered.ts';
import { ranked } from '../base/order.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { Windows } from '../network/windows.ts';
import { npmi } from '../network/measures.ts';
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
  /** Words the first topics are begun with, a list each: they count as if they had been met there before. */
  readonly seeds?: readonly (readonly number[])[];
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
  const { topics, seed, sweeps = SWEEPS, seeds = [] } = settings;
  const random = seededRandom(seed, 50_000 + topics);
  const inDocument = new Int32Array(documents * topics);
  const ofWord = new Int32Array(words * topics);
  const inTopic = new Int32Array(topics);
  const seeded = new Map(
    seeds.slice(0, topics).flatMap((own, topic) => own.map((each) => [each, topic] as const)),
  );
  // Every mention of a seed word begins in its topic; what they bring with them decides whether they stay.
  const topicOf = Int32Array.from(word, (each) => {
    const drawn = Math.floor(random() * topics);
    return seeded.get(each) ?? drawn;
  });
  const { prior, priorOf } = priorsWith(seeds, words, topics, word.length);
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
        sum += ((inDocument[d + t] + ALPHA) * (ofWord[w + t] + prior[w + t])) / (inTopic[t] + priorOf[t]);
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
        (sumOfWord[w * topics + t] + kept * prior[w * topics + t]) / (sumInTopic[t] + kept * priorOf[t]);
  }
  const all = Math.max(1, word.length * kept);
  return { wordShare, share: sumInTopic.map((each) => each / all), topicOf };
}

/** A seed word counts in its topic as if it had made up so large a share of all mentions there already. */
const SEED_SHARE = 0.02;

/** The priors of words in topics, words × topics, with what seeds add; and their sum for each topic. */
function priorsWith(
  seeds: readonly (readonly number[])[],
  words: number,
  topics: number,
  mentions: number,
): { prior: Float64Array; priorOf: Float64Array } {
  const prior = new Float64Array(words * topics).fill(BETA);
  const priorOf = new Float64Array(topics).fill(BETA * words);
  const more = Math.max(1, (SEED_SHARE * mentions) / topics);
  seeds.slice(0, topics).forEach((own, topic) => {
    for (const word of own) {
      prior[word * topics + topic] += more;
      priorOf[topic] += more;
    }
  });
  return { prior, priorOf };
}

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

/** The documents of a corpus that pass. */
function documentsOf(corpus: Corpus, passes: (document: number) => boolean): Corpus {
  const taken = [...corpus.word.keys()].filter((i) => passes(corpus.document[i]));
  return {
    ...corpus,
    word: Int32Array.from(taken, (i) => corpus.word[i]),
    document: Int32Array.from(taken, (i) => corpus.document[i]),
  };
}

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
          weight[t] = sum += (inDocument[t] + ALPHA) * model.wordShare[t * words + word[i]];
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
          ((inDocument[t] + ALPHA) / (folded.length + topics * ALPHA)) * model.wordShare[t * words + word[i]];
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
