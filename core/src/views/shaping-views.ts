import { conceptLabels } from '../engine/resources.ts';
import { idsOf } from '../engine/stage-keys.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { choicesOf, groupsAt, neighbourChoice } from '../themes/braid.ts';
import { joinersOf } from '../themes/joiners.ts';
import { splitTheme } from '../themes/split.ts';
import { corpusOf, findTopics, mixtures, topicOfWord, topWords } from '../themes/topics.ts';
import { adjustedMutualInformation } from '../numeric/agreement.ts';
import { byCodeUnits } from '../base/order.ts';
import { workingSources } from '../study/subset.ts';
import type { HowManyView, JoinersView, ThemePartsView, TopicsView } from './view-types.ts';
import { reads, type View, type ViewMakers } from './view.ts';

/** The views with which themes are shaped: how many, what would join, what parts, and a second opinion. */
export interface ShapingViews {
  /** Words that would join a theme. */
  joiners: View<{ readonly letter: string; readonly limit: number }, JoinersView>;
  howMany: View<null, HowManyView>;
  topics: View<{ readonly topics: number }, TopicsView>;
  themeParts: View<{ readonly letter: string }, ThemePartsView>;
}

/** Terms a topic model is made of, the most mentioned; topics at most, and words shown of each. */
const MOST_TERMS = 1000;
const MOST_TOPICS = 200;
const TOPIC_WORDS = 12;

export const SHAPING_KEYS = {
  joiners: reads(['candidates', 'concepts', 'themes', 'stretches', 'spoken'], (state) => ({
    labels: state.conceptLabels,
    dropped: state.dropped,
  })),
  topics: reads(['candidates', 'concepts', 'themes', 'stretches'], (state) => ({
    labels: state.conceptLabels,
    dropped: state.dropped,
    seed: state.settings.themes.seed,
    ids: idsOf(workingSources(state)),
  })),
  howMany: reads(['concepts', 'graph', 'evidence', 'links', 'themes', 'sweep'], ({ settings }) => ({
    seed: settings.themes.seed,
  })),
  themeParts: reads(['concepts', 'graph', 'themes'], ({ conceptLabels, settings }) => ({
    labels: conceptLabels,
    seed: settings.themes.seed,
  })),
};

export const SHAPING_VIEWS: ViewMakers<ShapingViews, typeof SHAPING_KEYS> = {
  *joiners({ letter, limit }, { take, own: { labels: given, dropped } }) {
    const candidates = yield* take('candidates');
    const { keys } = yield* take('concepts');
    const { themes, themeOf } = yield* take('themes');
    const theme = themes.findIndex((each) => each.letter === letter);
    if (theme < 0) return { words: [] };
    const no = new Set([...keys, ...dropped]);
    const labels = conceptLabels(given, candidates);
    const words = joinersOf({
      candidates,
      keys: candidates.keys,
      isWanted: (thing) => !no.has(candidates.keys[thing]),
      stretches: yield* take('stretches'),
      spoken: yield* take('spoken'),
      inTheme: Uint8Array.from(themeOf, (each) => (each === theme ? 1 : 0)),
    });
    return {
      words: words
        .slice(0, limit)
        .map(({ thing, ...figures }) => ({ key: candidates.keys[thing], label: labels[thing], ...figures })),
    };
  },

  *topics({ topics: count }, { take, own: { labels: given, dropped, seed, ids } }) {
    const candidates = yield* take('candidates');
    const { keys } = yield* take('concepts');
    const { themes, themeOf } = yield* take('themes');
    const stretches = yield* take('stretches');
    const labels = conceptLabels(given, candidates);
    const left = new Set(dropped);
    // Words that were dropped are numbered beyond all that is counted.
    const chosen = candidates.keys.flatMap((key, i) => (left.has(key) ? [] : [i])).slice(0, MOST_TERMS);
    const numberOf = new Int32Array(candidates.keys.length).fill(chosen.length);
    chosen.forEach((candidate, term) => (numberOf[candidate] = term));
    const corpus = corpusOf(
      { ...candidates, occurrence: candidates.occurrence.map((thing) => numberOf[thing]) },
      chosen.length,
      stretches,
    );
    const most = Math.max(2, Math.min(MOST_TOPICS, Math.floor(count)));
    const model = yield* findTopics(corpus, { topics: most, seed });
    const letterOf = new Map(
      keys.flatMap((key, i): [string, string][] =>
        themeOf[i] < 0 ? [] : [[key, themes[themeOf[i]].letter]],
      ),
    );
    const topicOf = new Map(
      chosen.map((candidate, term) => [candidates.keys[candidate], topicOfWord(model, term, chosen.length)]),
    );
    const shared = keys.filter((key) => letterOf.has(key) && topicOf.has(key));
    return {
      topics: Array.from({ length: most }, (_, topic) => ({
        share: model.share[topic],
        words: topWords(model, topic, chosen.length, TOPIC_WORDS).map((term) => ({
          key: candidates.keys[chosen[term]],
          label: labels[chosen[term]],
          share: model.wordShare[topic * chosen.length + term],
          letter: letterOf.get(candidates.keys[chosen[term]]) ?? '',
        })),
        themes: themes
          .map(({ letter, concepts }) => ({
            letter,
            here: concepts.filter((i) => topicOf.get(keys[i]) === topic).length,
            of: concepts.length,
          }))
          .filter(({ here }) => here > 0)
          .sort((a, b) => b.here - a.here || byCodeUnits(a.letter, b.letter)),
      })),
      agreement: adjustedMutualInformation(
        Int32Array.from(shared, (key) => themes.findIndex(({ letter }) => letter === letterOf.get(key))),
        Int32Array.from(shared, (key) => topicOf.get(key) ?? 0),
      ),
      sourceIds: ids,
      mixture: mixtures(corpus, model.topicOf, stretches.source, ids.length, most),
    };
  },

  *howMany(_, { take, own: { seed } }) {
    const { keys } = yield* take('concepts');
    const graph = yield* take('graph');
    const grounds = { evidence: yield* take('evidence'), links: yield* take('links') };
    const { themes, themeOf, resolution } = yield* take('themes');
    const sweep = yield* take('sweep');
    const choices = choicesOf(sweep);
    const columns: HowManyView['columns'][number][] = [];
    const named = (groups: readonly (readonly number[])[]): string[][] =>
      groups.map((group) => group.map((i) => keys[i]));
    const beside = function* (side: 'fewer' | 'more'): Stepwise<void> {
      const choice = neighbourChoice(choices, themes.length, side);
      if (!choice) return;
      const groups = yield* groupsAt({ graph, grounds }, choice.resolution, seed);
      columns.push({ ...choice, isNow: false, groups: named(groups) });
    };
    yield* beside('fewer');
    columns.push({
      resolution,
      themes: themes.length,
      steadiness: sweep.find((point) => point.resolution === resolution)?.steadiness ?? 0,
      isNow: true,
      groups: named(themes.map(({ concepts }) => concepts)),
    });
    yield* beside('more');
    return {
      choices,
      columns,
      letterOf: Object.fromEntries(
        keys.flatMap((key, i) => (themeOf[i] < 0 ? [] : [[key, themes[themeOf[i]].letter]])),
      ),
    };
  },

  *themeParts({ letter }, { take, own: { labels: given, seed } }) {
    const concepts = yield* take('concepts');
    const { themes } = yield* take('themes');
    const graph = yield* take('graph');
    const labels = conceptLabels(given, concepts);
    const theme = themes.find((each) => each.letter === letter);
    return {
      parts: splitTheme(graph, theme?.concepts ?? [], seed).map((part) =>
        part.map((i) => ({ key: concepts.keys[i], label: labels[i] })),
      ),
    };
  },
};
