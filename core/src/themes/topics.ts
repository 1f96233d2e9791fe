import type { Occurring } from '../concepts/renumbered.ts';
import { ranked } from '../base/order.ts';
import type { Stepwise } from '../base/stepwise.ts';
import type { Windows } from '../network/windows.ts';
import { seededRandom, type Random } from '../numeric/random.ts';

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
  /** Where a run that is gone on with had got to. */
  readonly begun?: Pick<TopicModel, 'topicOf' | 'prior'>;
}

/** Topics as latent Dirichlet allocation finds them. */
export interface TopicModel {
  /** φ: the share of each word in a topic, topics × words; rows sum to 1. */
  readonly wordShare: Float64Array;
  /** The share of each topic in all that is said; sums to 1. */
  readonly share: Float64Array;
  /** The topic each mention is counted for, in the last sweep. */
  readonly topicOf: Int32Array;
  /** How common each topic is in a document, as it was learnt. */
  readonly prior: Float64Array;
  /** Logarithm of the chance of words and topics together: of several runs the largest is the best. */
  readonly likelihood: number;
}

/** Priors: few topics a document, few words a topic, as suits stretches of fifty words and a few hundred terms. */
const ALPHA = 0.1;
const BETA = 0.01;
export const SWEEPS = 300;
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
  const { topics, seed, sweeps = SWEEPS, seeds = [], begun } = settings;
  const random = seededRandom(seed, 50_000 + topics);
  const inDocument = new Int32Array(documents * topics);
  const ofWord = new Int32Array(words * topics);
  const inTopic = new Int32Array(topics);
  const seeded = new Map(
    seeds.slice(0, topics).flatMap((own, topic) => own.map((each) => [each, topic] as const)),
  );
  // Every mention of a seed word begins in its topic; what they bring with them decides whether they stay.
  const topicOf = Int32Array.from(word, (each, i) => {
    const drawn = Math.floor(random() * topics);
    return begun ? begun.topicOf[i] : (seeded.get(each) ?? drawn);
  });
  const { prior, priorOf } = priorsWith(seeds, words, topics, word.length);
  const alpha = begun ? begun.prior.slice() : new Float64Array(topics).fill(ALPHA);
  const sampling = { word, document, topicOf, inDocument, ofWord, inTopic, alpha, prior, priorOf };
  for (let i = 0; i < word.length; i++) {
    inDocument[document[i] * topics + topicOf[i]]++;
    ofWord[word[i] * topics + topicOf[i]]++;
    inTopic[topicOf[i]]++;
  }
  const lengths = new Int32Array(documents);
  for (const d of document) lengths[d]++;
  const sumOfWord = new Float64Array(words * topics);
  const sumInTopic = new Float64Array(topics);
  const weight = new Float64Array(topics);
  let kept = 0;
  for (let sweep = 0; sweep < sweeps; sweep++) {
    sampleTopics(sampling, weight, random);
    if ((begun || sweep >= LEARN_FROM) && sweep % LEARN_EVERY === 0) learnPrior(alpha, inDocument, lengths);
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
  return {
    wordShare,
    share: sumInTopic.map((each) => each / all),
    topicOf,
    prior: alpha,
    likelihood: likelihoodOf({ word, document, words, documents }, topicOf, { topics, alpha }),
  };
}

/** Where a run stands. */
interface Sampling extends Pick<Corpus, 'word' | 'document'> {
  readonly topicOf: Int32Array;
  /** Mentions: documents × topics, words × topics, and by topic. */
  readonly inDocument: Int32Array;
  readonly ofWord: Int32Array;
  readonly inTopic: Int32Array;
  readonly alpha: Float64Array;
  readonly prior: Float64Array;
  readonly priorOf: Float64Array;
}

// A function of its own, outside the generator: only then is the loop over all mentions at full speed.
function sampleTopics(
  { word, document, topicOf, inDocument, ofWord, inTopic, alpha, prior, priorOf }: Sampling,
  weight: Float64Array,
  random: Random,
): void {
  const topics = alpha.length;
  // Dividing is the slow part, and only two of these change a mention.
  const perMention = Float64Array.from(inTopic, (count, t) => 1 / (count + priorOf[t]));
  for (let i = 0; i < word.length; i++) {
    const d = document[i] * topics;
    const w = word[i] * topics;
    const last = topicOf[i];
    inDocument[d + last]--;
    ofWord[w + last]--;
    perMention[last] = 1 / (--inTopic[last] + priorOf[last]);
    let sum = 0;
    for (let t = 0; t < topics; t++) {
      sum += (inDocument[d + t] + alpha[t]) * (ofWord[w + t] + prior[w + t]) * perMention[t];
      weight[t] = sum;
    }
    const at = random() * sum;
    let topic = 0;
    while (topic < topics - 1 && weight[topic] <= at) topic++;
    topicOf[i] = topic;
    inDocument[d + topic]++;
    ofWord[w + topic]++;
    perMention[topic] = 1 / (++inTopic[topic] + priorOf[topic]);
  }
}

/** Sweeps before topics' own shares are learnt, and between two such times. */
const [LEARN_FROM, LEARN_EVERY] = [50, 10];

/**
 * Learns how common each topic is (an asymmetric prior over documents, Wallach, Mimno & McCallum 2009) by Minka's fixed point (2000)
 * of the Dirichlet-multinomial, a step a time.
 */
function learnPrior(alpha: Float64Array, inDocument: Int32Array, lengths: Int32Array): void {
  const topics = alpha.length;
  const sum = alpha.reduce((all, each) => all + each, 0);
  let below = 0;
  for (const length of lengths) below += digammaRise(sum, length);
  if (below === 0) return;
  for (let t = 0; t < topics; t++) {
    let above = 0;
    for (let at = t; at < inDocument.length; at += topics) above += digammaRise(alpha[t], inDocument[at]);
    alpha[t] = Math.max(LEAST_ALPHA, (alpha[t] * above) / below);
  }
}
const LEAST_ALPHA = 1e-3;

/** ψ(x + n) − ψ(x) for a whole n: Σ 1 / (x + i). */
function digammaRise(x: number, n: number): number {
  let sum = 0;
  for (let i = 0; i < n; i++) sum += 1 / (x + i);
  return sum;
}

/** ln Γ(x + n) − ln Γ(x) for a whole n. */
function logRise(x: number, n: number): number {
  let sum = 0;
  for (let i = 0; i < n; i++) sum += Math.log(x + i);
  return sum;
}

/** The logarithm of the chance of words and topics together, by which runs are compared (Griffiths & Steyvers 2004). */
function likelihoodOf(
  { word, document, words, documents }: Corpus,
  topicOf: Int32Array,
  { topics, alpha }: { readonly topics: number; readonly alpha: Float64Array },
): number {
  const inDocument = new Int32Array(documents * topics);
  const ofWord = new Int32Array(words * topics);
  const inTopic = new Int32Array(topics);
  const lengths = new Int32Array(documents);
  for (let i = 0; i < word.length; i++) {
    inDocument[document[i] * topics + topicOf[i]]++;
    ofWord[word[i] * topics + topicOf[i]]++;
    inTopic[topicOf[i]]++;
    lengths[document[i]]++;
  }
  const sum = alpha.reduce((all, each) => all + each, 0);
  let found = 0;
  ofWord.forEach((count) => (found += logRise(BETA, count)));
  for (const count of inTopic) found -= logRise(BETA * words, count);
  inDocument.forEach((count, at) => (found += logRise(alpha[at % topics], count)));
  for (const length of lengths) found -= logRise(sum, length);
  return found;
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

/** The documents of a corpus that pass. */
export function documentsOf(corpus: Corpus, passes: (document: number) => boolean): Corpus {
  const taken = [...corpus.word.keys()].filter((i) => passes(corpus.document[i]));
  return {
    ...corpus,
    word: Int32Array.from(taken, (i) => corpus.word[i]),
    document: Int32Array.from(taken, (i) => corpus.document[i]),
  };
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
