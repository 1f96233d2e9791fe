import { expect } from 'chai';
import { finish } from '../../src/base/stepwise.ts';
import { randomInteger, seededRandom } from '../../src/numeric/random.ts';
import { findTopics, mixtures, topicOfWord, topWords, type Corpus } from '../../src/themes/topics.ts';
import { findBestTopics } from '../../src/themes/topic-beginnings.ts';
import { tryNumbers } from '../../src/themes/topic-numbers.ts';
import { asking, exampleStudy } from '../examples.ts';

const TOPICS = 5;
const WORDS = 100;
/** Documents of one topic, or of two, whose words follow planted shares: 20 of its own each, falling. */
function planted(seed: number): { corpus: Corpus; share: Float64Array } {
  const random = seededRandom(seed);
  const share = new Float64Array(TOPICS * WORDS);
  for (let t = 0; t < TOPICS; t++) {
    let sum = 0;
    for (let i = 0; i < 20; i++) sum += share[t * WORDS + t * 20 + i] = 1 / (2 + i);
    for (let w = 0; w < WORDS; w++) share[t * WORDS + w] /= sum;
  }
  const draw = (topic: number): number => {
    let at = random();
    for (let w = 0; w < WORDS; w++) if ((at -= share[topic * WORDS + w]) < 0) return w;
    return topic * 20;
  };
  const word: number[] = [];
  const document: number[] = [];
  for (let d = 0; d < 400; d++) {
    const mixture = [randomInteger(random, TOPICS), randomInteger(random, TOPICS)];
    for (let i = 0; i < 15; i++) {
      word.push(draw(mixture[random() < 0.7 ? 0 : 1]));
      document.push(d);
    }
  }
  return {
    corpus: {
      word: Int32Array.from(word),
      document: Int32Array.from(document),
      words: WORDS,
      documents: 400,
    },
    share,
  };
}

const UNEQUAL = 8;
/** The same of topics of unlike size, the first six times the last, in short documents with words that all topics have. */
function plantedUnequal(seed: number): { corpus: Corpus; share: Float64Array } {
  const random = seededRandom(seed);
  const [own, shared] = [15, 40];
  const words = UNEQUAL * own + shared;
  const share = new Float64Array(UNEQUAL * words);
  const falls = Array.from({ length: own }, (_, i) => 1 / (i + 2));
  const all = falls.reduce((sum, each) => sum + each, 0);
  for (let t = 0; t < UNEQUAL; t++) {
    falls.forEach((each, i) => (share[t * words + t * own + i] = (0.8 * each) / all));
    for (let i = 0; i < shared; i++) share[t * words + UNEQUAL * own + i] = 0.2 / shared;
  }
  const draw = (weights: ArrayLike<number> & Iterable<number>): number => {
    let at = random() * [...weights].reduce((sum, each) => sum + each, 0);
    for (let i = 0; i < weights.length; i++) if ((at -= weights[i]) < 0) return i;
    return weights.length - 1;
  };
  const sizes = Array.from({ length: UNEQUAL }, (_, t) => 1 / (t + 1.5));
  const [word, document]: number[][] = [[], []];
  for (let d = 0; d < 1000; d++) {
    const first = draw(sizes);
    const second = random() < 0.3 ? draw(sizes) : first;
    for (let i = 3 + randomInteger(random, 6); i > 0; i--) {
      const topic = random() < 0.6 ? first : second;
      word.push(draw(share.subarray(topic * words, (topic + 1) * words)));
      document.push(d);
    }
  }
  return {
    corpus: { word: Int32Array.from(word), document: Int32Array.from(document), words, documents: 1000 },
    share,
  };
}

function cosine(a: Float64Array, b: Float64Array): number {
  const dot = (x: Float64Array, y: Float64Array): number => x.reduce((sum, each, i) => sum + each * y[i], 0);
  return dot(a, b) / Math.sqrt(dot(a, a) * dot(b, b));
}

describe('topics', () => {
  it('recover what was planted: a mean cosine over 0.9', () => {
    for (const seed of [1, 2, 3]) {
      const { corpus, share } = planted(seed);
      const model = finish(findTopics(corpus, { topics: TOPICS, seed }));
      const row = (shares: Float64Array, t: number): Float64Array =>
        shares.subarray(t * WORDS, (t + 1) * WORDS);
      const best = Array.from({ length: TOPICS }, (_, t) =>
        Math.max(
          ...Array.from({ length: TOPICS }, (__, u) => cosine(row(share, t), row(model.wordShare, u))),
        ),
      );
      expect(best.reduce((sum, each) => sum + each, 0) / TOPICS).to.be.above(0.9);
    }
  });

  it('of unlike size are found too, wherever the search begins: a mean cosine over 0.9, none under 0.6', () => {
    for (const seed of [1, 2]) {
      const { corpus, share } = plantedUnequal(seed);
      for (const begin of [1, 2]) {
        const { model, agreement } = finish(findBestTopics(corpus, { topics: UNEQUAL, seed: begin }));
        const row = (shares: Float64Array, t: number): Float64Array =>
          shares.subarray(t * corpus.words, (t + 1) * corpus.words);
        const best = Array.from({ length: UNEQUAL }, (_, t) =>
          Math.max(
            ...Array.from({ length: UNEQUAL }, (__, u) => cosine(row(share, t), row(model.wordShare, u))),
          ),
        );
        expect(best.reduce((sum, each) => sum + each, 0) / UNEQUAL).to.be.above(0.9);
        expect(Math.min(...best)).to.be.above(0.6);
        expect(agreement).to.be.within(0.7, 1);
      }
    }
  }).timeout(60_000);

  it('of a large collection begin where those of a part of it end', () => {
    const { corpus, share } = planted(2);
    // The same documents four times over: more than is searched.
    const times = 4;
    const large: Corpus = {
      ...corpus,
      word: Int32Array.from(
        { length: times * corpus.word.length },
        (_, i) => corpus.word[i % corpus.word.length],
      ),
      document: Int32Array.from(
        { length: times * corpus.word.length },
        (_, i) => corpus.document[i % corpus.word.length] + 400 * Math.floor(i / corpus.word.length),
      ),
      documents: 400 * times,
    };
    const { model } = finish(findBestTopics(large, { topics: TOPICS, seed: 1 }));
    expect(model.topicOf).to.have.length(large.word.length);
    for (let t = 0; t < TOPICS; t++) {
      const found = Array.from({ length: TOPICS }, (_, u) =>
        cosine(
          share.subarray(t * WORDS, (t + 1) * WORDS),
          model.wordShare.subarray(u * WORDS, (u + 1) * WORDS),
        ),
      );
      expect(Math.max(...found)).to.be.above(0.9);
    }
  }).timeout(60_000);

  it('are as many as foretell best what was not learnt from, and belong together best', () => {
    const { corpus } = planted(5);
    const tried = finish(tryNumbers(corpus, [2, 3, 5, 8], 1));
    const best = tried.reduce((least, each) => (each.perplexity < least.perplexity ? each : least));
    expect(best.topics).to.be.within(5, 8);
    expect(tried[2].perplexity).to.be.below(0.9 * tried[0].perplexity);
    expect(tried.every(({ coherence }) => coherence >= -1 && coherence <= 1)).to.equal(true);
    // Of words dealt blindly nothing can be foretold: perplexity is near the number of words.
    const random = seededRandom(9);
    const dealt: Corpus = { ...corpus, word: corpus.word.map(() => randomInteger(random, WORDS)) };
    expect(finish(tryNumbers(dealt, [4], 1))[0].perplexity).to.be.above(0.85 * WORDS);
  });

  it('begin with words of one’s own, which stay together', () => {
    const { corpus } = planted(6);
    const seeds = [
      [60, 61, 62],
      [0, 1, 2],
    ];
    const model = finish(findTopics(corpus, { topics: TOPICS, seed: 3, seeds }));
    seeds.forEach((own, topic) => {
      const top = topWords(model, topic, WORDS, 12);
      for (const word of own) expect(top, `topic ${topic}`).to.include(word);
    });
  });

  it('have shares that sum to 1, by words and by sources, and are the same for the same seed', () => {
    const { corpus } = planted(4);
    const model = finish(findTopics(corpus, { topics: 7, seed: 2, sweeps: 40 }));
    for (let t = 0; t < 7; t++) {
      const sum = model.wordShare.subarray(t * WORDS, (t + 1) * WORDS).reduce((all, each) => all + each, 0);
      expect(sum).to.be.closeTo(1, 1e-9);
    }
    expect(model.share.reduce((all, each) => all + each, 0)).to.be.closeTo(1, 1e-9);
    // Documents 0 to 199 are of one source, the others of a second; a third says nothing.
    const sourceOf = Int32Array.from({ length: 400 }, (_, d) => (d < 200 ? 0 : 1));
    const mixture = mixtures(corpus, model.topicOf, sourceOf, 3, 7);
    for (const [source, sum] of [1, 1, 0].entries())
      expect(mixture.subarray(source * 7, source * 7 + 7).reduce((all, each) => all + each, 0)).to.be.closeTo(
        sum,
        1e-9,
      );
    expect(finish(findTopics(corpus, { topics: 7, seed: 2, sweeps: 40 }))).to.deep.equal(model);
    const [first] = topWords(model, 0, WORDS, 3);
    expect(model.wordShare[first]).to.equal(Math.max(...model.wordShare.subarray(0, WORDS)));
    expect(topicOfWord(model, first, WORDS)).to.be.within(0, 6);
  });

  it('take nothing, one word, and more topics than there is to say', () => {
    const nothing = { word: new Int32Array(0), document: new Int32Array(0), words: 0, documents: 0 };
    expect(Array.from(finish(findTopics(nothing, { topics: 3, seed: 1 })).share)).to.deep.equal([0, 0, 0]);
    const one = { word: Int32Array.of(0), document: Int32Array.of(0), words: 1, documents: 1 };
    const { share } = finish(findTopics(one, { topics: 200, seed: 1 }));
    expect(share.reduce((all, each) => all + each, 0)).to.be.closeTo(1, 1e-9);
  });

  it('stand beside the themes: which of whose concepts, and how far they agree', () => {
    const words = ['rain wind bench shelter', 'fare rent wage pass'].map((each) => each.split(' '));
    const paragraph = (topic: number, i: number): string => {
      const [a, b, c, d] = words[topic].map((_, at) => words[topic][(at + i) % 4]);
      return `The ${a} and the ${b} came with the ${c}, and the ${d} was there.`;
    };
    const study = exampleStudy(
      Array.from({ length: 12 }, (_, s) => ({
        name: `${s}`,
        text: Array.from({ length: 6 }, (__, i) => paragraph(s % 2, s + i)).join('\n\n'),
      })),
    );
    study.decide({ kind: 'setConcepts', change: { minimumMentions: 2, phrases: false } });
    study.decide({ kind: 'setTopics', change: { count: 2 } });
    study.decide({ kind: 'setWindows', change: { repeated: true } });
    const view = asking(study)('topics', null);
    expect(view.topics).to.have.length(2);
    expect(view.agreement).to.be.within(0.8, 1);
    const letters = view.topics.map(({ themes }) => themes[0].letter);
    expect(new Set(letters).size).to.equal(2);
    for (let s = 0; s < 12; s++)
      expect(Math.max(...view.mixture.subarray(2 * s, 2 * s + 2))).to.be.above(0.8);
    // As they are written the same two are found; a topic that is dropped takes its words out; a name goes with its first word.
    study.decide({ kind: 'setTopics', change: { asWritten: true } });
    expect(asking(study)('topics', null).agreement).to.be.within(0.8, 1);
    const [{ words: gone }, { words: left }] = view.topics;
    study.decide({
      kind: 'setTopics',
      change: {
        asWritten: false,
        leftOut: gone.map(({ key }) => key),
        names: { [left[0].key]: 'what is left' },
      },
    });
    const rest = asking(study)('topics', null).topics.flatMap(({ words: each }) =>
      each.map(({ key }) => key),
    );
    expect(rest.some((key) => gone.some((word) => word.key === key))).to.equal(false);
  });
});
