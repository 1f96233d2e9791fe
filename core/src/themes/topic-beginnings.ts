import { within, type Stepwise } from '../base/stepwise.ts';
import { adjustedMutualInformation } from '../numeric/agreement.ts';
import {
  documentsOf,
  findTopics,
  SWEEPS,
  topicOfWord,
  type Corpus,
  type TopicModel,
  type TopicSettings,
} from './topics.ts';

/** Searches that are laid beside each other. */
const SEARCHES = 5;
/** Beginnings of a search. */
const BEGINNINGS = 5;
/** Of a larger corpus, in mentions, every so many-th document is searched; what is found there is where the whole begins. */
const MOST_SEARCHED = 20_000;
/** Sweeps over the whole of such a one: it begins near its end. */
const OF_WHOLE = 100;
/** Sweeps by which the likeliest beginning of a search is told, and the likeliest search. */
const [OF_BEGINNING, OF_SEARCH] = [40, 100];
/** Between the seeds of beginnings. */
const STEP = 7919;

/** The likeliest of several searches, and how far they agree. */
export interface BestTopics {
  readonly model: TopicModel;
  /** Mean adjusted mutual information of the four others with it, over all mentions by their words' topics: 1 where they part them alike. */
  readonly agreement: number;
}

/**
 * Topics by five searches, each of five beginnings of which the likeliest is gone on with; the likeliest of the five stands. With one beginning alone two planted topics of eight were found as one, and
 * another in two halves, in two of three runs (docs/method/themes.md).
 */
export function* findBestTopics(corpus: Corpus, settings: TopicSettings): Stepwise<BestTopics> {
  const { seed, sweeps = SWEEPS } = settings;
  const every = Math.ceil(corpus.word.length / MOST_SEARCHED);
  const searched = every > 1 ? documentsOf(corpus, (document) => document % every === 0) : corpus;
  const work = SEARCHES * (BEGINNINGS * OF_BEGINNING + OF_SEARCH) + sweeps;
  let done = 0;
  const run = function* (own: Partial<TopicSettings> & { readonly sweeps: number }): Stepwise<TopicModel> {
    const asked = Math.min(sweeps, own.sweeps);
    const model = yield* within(
      findTopics(searched, { ...settings, ...own, sweeps: asked }),
      done / work,
      own.sweeps / work,
    );
    done += own.sweeps;
    return model;
  };
  const found: TopicModel[] = [];
  for (let search = 0; search < SEARCHES; search++) {
    const begun: TopicModel[] = [];
    for (let k = 0; k < BEGINNINGS; k++)
      begun.push(yield* run({ seed: seed + (search * BEGINNINGS + k) * STEP, sweeps: OF_BEGINNING }));
    found.push(yield* run({ begun: likeliest(begun), seed: seed + search, sweeps: OF_SEARCH }));
  }
  const best = likeliest(found);
  const others = found.filter((model) => model !== best);
  const agreement =
    others.reduce((sum, model) => sum + agreementOf(best, model, searched), 0) / others.length;
  if (searched === corpus) return { model: yield* run({ begun: best, sweeps }), agreement };
  const topicOfType = Int32Array.from({ length: corpus.words }, (_, word) =>
    topicOfWord(best, word, corpus.words),
  );
  const begun = { prior: best.prior, topicOf: corpus.word.map((word) => topicOfType[word]) };
  const whole = findTopics(corpus, { ...settings, begun, sweeps: Math.min(sweeps, OF_WHOLE) });
  return { model: yield* within(whole, done / work, 1 - done / work), agreement };
}

const likeliest = (models: readonly TopicModel[]): TopicModel =>
  models.reduce((best, model) => (model.likelihood > best.likelihood ? model : best));

/** How far two models part what is said alike: every mention in the topic most mentions of its word are counted for. */
const agreementOf = (one: TopicModel, other: TopicModel, { word, words }: Corpus): number => {
  const [first, second] = [one, other].map((model) => {
    const topicOf = Int32Array.from({ length: words }, (_, each) => topicOfWord(model, each, words));
    return word.map((each) => topicOf[each]);
  });
  return adjustedMutualInformation(first, second);
};
