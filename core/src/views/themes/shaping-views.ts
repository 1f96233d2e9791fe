import { conceptLabels } from '../../engine/resources.ts';
import { fewestInStretch, idsOf } from '../../engine/stage-keys.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { choicesOf, cutsBeside, groupsAt } from '../../themes/braid.ts';
import { eachRowSpoken } from '../../compare/rows.ts';
import { layBeside, whatBecame, type NamedGroup } from '../../themes/beside.ts';
import { coherenceOf, placeOfTheme, type ThemePlace } from '../../themes/figures.ts';
import { ownValue } from '../../base/records.ts';
import { measuresOf } from '../../network/links.ts';
import { joinersOf } from '../../themes/joiners.ts';
import { splitTheme } from '../../themes/split.ts';
import { findBestTopics } from '../../themes/topic-beginnings.ts';
import { tryNumbers, type TopicNumber } from '../../themes/topic-numbers.ts';
import { corpusOf, mixtures, topicOfWord, topWords, type Corpus } from '../../themes/topics.ts';
import type { StudyState } from '../../study/study.ts';
import { adjustedMutualInformation } from '../../numeric/agreement.ts';
import { byCodeUnits, ranked } from '../../base/order.ts';
import { networkInForce } from '../../study/in-force.ts';
import { inShownOrder, rowsInShownOrder, shownRanks, workingSources } from '../../study/subset.ts';
import type {
  BesideView,
  HowManyView,
  JoinersView,
  ThemeFigures,
  ThemeFiguresView,
  ThemePartsView,
  TopicsView,
} from './theme-view-types.ts';
import { reads, type View, type ViewContext, type ViewMakers } from '../view.ts';

/** The views with which themes are shaped: how many, what would join, what parts, and a second opinion. */
export interface ShapingViews {
  /** Words that would join a theme. */
  joiners: View<{ readonly letter: string; readonly limit: number }, JoinersView>;
  howMany: View<null, HowManyView>;
  topics: View<null, TopicsView>;
  /** How good numbers of topics are. */
  topicNumbers: View<null, { readonly numbers: readonly TopicNumber[] }>;
  themeParts: View<{ readonly letter: string }, ThemePartsView>;
  themeFigures: View<null, ThemeFiguresView>;
  /** The themes of now beside those kept under a name, those another resolution gives, or some others. */
  beside: View<
    { readonly kept: string } | { readonly resolution: number } | { readonly then: readonly NamedGroup[] },
    BesideView
  >;
}

/** Terms a topic model is made of, the most mentioned; topics at most, and words shown of each. */
const MOST_TERMS = 1000;
const MOST_TOPICS = 200;
const TOPIC_WORDS = 12;

/** Numbers of topics that are tried, from 2 to 20. */
const NUMBERS_TRIED = [2, 3, 4, 5, 6, 7, 8, 10, 12, 15, 20] as const;
const TOPIC_STAGES = ['tokens', 'stopped', 'candidates', 'concepts', 'themes', 'stretches'] as const;

const readForTopics = (state: StudyState) => ({
  labels: state.conceptLabels,
  dropped: state.dropped,
  choices: state.topicChoices,
});

/** What a topic model is of: terms by stretch, in their dictionary form or as they are written. */
function* topicCorpus({
  take,
  own: { labels: given, dropped, choices },
}: Pick<
  ViewContext<(typeof TOPIC_STAGES)[number], ReturnType<typeof readForTopics>>,
  'take' | 'own'
>): Stepwise<{ corpus: Corpus; words: string[]; labels: string[] }> {
  const stretches = yield* take('stretches');
  const left = new Set([...dropped, ...choices.leftOut]);
  if (choices.asWritten) {
    const tokens = yield* take('tokens');
    const stopped = yield* take('stopped');
    const types = ranked(tokens.forms.length, (type) => tokens.mentionsOf[type])
      .filter(
        (type) =>
          stopped[type] === 0 && /^\p{L}{2}/u.test(tokens.forms[type]) && !left.has(tokens.forms[type]),
      )
      .slice(0, MOST_TERMS);
    const numberOf = new Int32Array(tokens.forms.length).fill(types.length);
    types.forEach((type, term) => (numberOf[type] = term));
    const first = Int32Array.from(tokens.type.keys());
    const corpus = corpusOf(
      {
        occurrence: tokens.type.map((type) => numberOf[type]),
        occurrenceFirst: first,
        occurrenceEnd: first.map((at) => at + 1),
      },
      types.length,
      stretches,
    );
    const words = types.map((type) => tokens.forms[type]);
    return { corpus, words, labels: words };
  }
  const candidates = yield* take('candidates');
  const labels = conceptLabels(given, candidates);
  // Words that were dropped are numbered beyond all that is counted.
  const chosen = candidates.keys.flatMap((key, i) => (left.has(key) ? [] : [i])).slice(0, MOST_TERMS);
  const numberOf = new Int32Array(candidates.keys.length).fill(chosen.length);
  chosen.forEach((candidate, term) => (numberOf[candidate] = term));
  return {
    corpus: corpusOf(
      { ...candidates, occurrence: candidates.occurrence.map((thing) => numberOf[thing]) },
      chosen.length,
      stretches,
    ),
    words: chosen.map((candidate) => candidates.keys[candidate]),
    labels: chosen.map((candidate) => labels[candidate]),
  };
}

export const SHAPING_KEYS = {
  joiners: reads(['candidates', 'concepts', 'themes', 'stretches', 'spoken'], (state) => ({
    labels: state.conceptLabels,
    dropped: state.dropped,
  })),
  topics: reads(TOPIC_STAGES, (state) => ({
    ...readForTopics(state),
    seed: state.settings.themes.seed,
    ids: idsOf(workingSources(state)),
    ranks: shownRanks(state),
  })),
  topicNumbers: reads(TOPIC_STAGES, (state) => ({
    ...readForTopics(state),
    seed: state.settings.themes.seed,
  })),
  howMany: reads(['concepts', 'graph', 'evidence', 'links', 'themes', 'sweep'], (state) => ({
    seed: state.settings.themes.seed,
    network: networkInForce(state),
  })),
  themeFigures: reads(['concepts', 'graph', 'links', 'themes', 'stretches', 'spoken'], (state) => ({
    labels: state.conceptLabels,
    fewest: fewestInStretch(state),
    sources: workingSources(state).length,
  })),
  beside: reads(['concepts', 'graph', 'evidence', 'links', 'themes'], (state) => ({
    labels: state.conceptLabels,
    groupings: state.groupings,
    seed: state.settings.themes.seed,
    network: networkInForce(state),
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

  *topicNumbers(_, { take, own }) {
    const { corpus } = yield* topicCorpus({ take, own });
    if (corpus.word.length === 0) return { numbers: [] };
    return { numbers: yield* tryNumbers(corpus, NUMBERS_TRIED, own.seed) };
  },

  *topics(_, { take, own }) {
    const { seed, ids, ranks, choices } = own;
    const { keys } = yield* take('concepts');
    const { themes, themeOf } = yield* take('themes');
    const stretches = yield* take('stretches');
    const { corpus, words, labels } = yield* topicCorpus({ take, own });
    const numberOf = new Map(words.map((word, term) => [word, term]));
    const seeds = choices.own.map((own_) => own_.flatMap((word) => numberOf.get(word) ?? []));
    const asked = choices.count ?? Math.max(2, themes.length);
    const most = Math.max(2, choices.own.length, Math.min(MOST_TOPICS, asked));
    const { model, agreement: agreementOfBeginnings } = yield* findBestTopics(corpus, {
      topics: most,
      seed,
      seeds,
    });
    const letterOf = new Map(
      keys.flatMap((key, i): [string, string][] =>
        themeOf[i] < 0 ? [] : [[key, themes[themeOf[i]].letter]],
      ),
    );
    const topicOf = new Map(words.map((word, term) => [word, topicOfWord(model, term, words.length)]));
    const shared = keys.filter((key) => letterOf.has(key) && topicOf.has(key));
    return {
      topics: Array.from({ length: most }, (_topic, topic) => ({
        share: model.share[topic],
        isOwn: topic < choices.own.length,
        name: ownValue(choices.names, words[topWords(model, topic, words.length, 1)[0]] ?? '') ?? '',
        words: topWords(model, topic, words.length, TOPIC_WORDS).map((term) => ({
          key: words[term],
          label: labels[term],
          share: model.wordShare[topic * words.length + term],
          letter: letterOf.get(words[term]) ?? '',
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
      ofBeginnings: agreementOfBeginnings,
      agreement: adjustedMutualInformation(
        Int32Array.from(shared, (key) => themes.findIndex(({ letter }) => letter === letterOf.get(key))),
        Int32Array.from(shared, (key) => topicOf.get(key) ?? 0),
      ),
      sourceIds: inShownOrder(ranks).map((s) => ids[s]),
      mixture: rowsInShownOrder(
        mixtures(corpus, model.topicOf, stretches.source, ids.length, most),
        ranks,
        most,
      ),
    };
  },

  *howMany(_, { take, own: { seed, network } }) {
    const { keys } = yield* take('concepts');
    const graph = yield* take('graph');
    const grounds = network ? undefined : { evidence: yield* take('evidence'), links: yield* take('links') };
    const { themes, themeOf, resolution } = yield* take('themes');
    const sweep = yield* take('sweep');
    const named = (groups: readonly (readonly number[])[]): string[][] =>
      groups.map((group) => group.map((i) => keys[i]));
    const columns: HowManyView['columns'][number][] = [
      {
        resolution,
        themes: themes.length,
        steadiness: sweep.find((point) => point.resolution === resolution)?.steadiness ?? 0,
        isNow: true,
        groups: named(themes.map(({ concepts }) => concepts)),
      },
    ];
    const cuts = cutsBeside(choicesOf(sweep), themes.length);
    for (const [i, cut] of cuts.entries()) {
      const groups = yield* groupsAt({ graph, grounds }, cut.resolution, seed);
      columns.push({ ...cut, isNow: false, groups: named(groups) });
      yield (i + 1) / cuts.length;
    }
    columns.sort((a, b) => a.themes - b.themes || a.resolution - b.resolution);
    return {
      columns,
      letterOf: Object.fromEntries(
        keys.flatMap((key, i) => (themeOf[i] < 0 ? [] : [[key, themes[themeOf[i]].letter]])),
      ),
    };
  },

  *themeFigures(_, { take, own }) {
    const concepts = yield* take('concepts');
    const graph = yield* take('graph');
    const links = yield* take('links');
    const { themes, themeOf } = yield* take('themes');
    const stretches = yield* take('stretches');
    const spoken = yield* take('spoken');
    const labels = conceptLabels(own.labels, concepts);
    const places = themes.map((_theme, t) => placeOfTheme(graph, themes, themeOf, t));
    const rank = (t: number, of: (place: ThemePlace) => number): number =>
      1 + places.filter((place) => of(place) > of(places[t])).length;
    const rows = themes.map((theme) => ({ concepts: theme.concepts, fewest: own.fewest }));
    const count = themes.length;
    // Stretches that speak to both of two themes, and the sources that speak to each.
    const together = new Int32Array(count * count);
    const heard = themes.map(() => new Set<number>());
    let at = -1;
    let here: number[] = [];
    const tally = (): void => {
      for (const a of here) for (const b of here) if (a !== b) together[a * count + b]++;
    };
    eachRowSpoken(spoken, rows, (w, theme) => {
      if (w !== at) {
        tally();
        [at, here] = [w, []];
      }
      here.push(theme);
      heard[theme].add(stretches.source[w]);
    });
    tally();
    const size = concepts.keys.length;
    const pairOf = (a: number, b: number): number => Math.min(a, b) * size + Math.max(a, b);
    // Of pairs within a theme.
    const npmiWithin = new Map<number, number>();
    // The strongest link that stands between two themes: links stand by falling strength.
    const bridges = new Map<number, number>();
    for (let i = 0; i < links.source.length; i++) {
      const [a, b] = [links.source[i], links.target[i]];
      const [first, second] = [themeOf[a], themeOf[b]];
      if (first >= 0 && first === second) npmiWithin.set(pairOf(a, b), measuresOf(links, i).npmi);
      if (i >= links.standing || first < 0 || second < 0 || first === second) continue;
      for (const both of [first * count + second, second * count + first])
        if (!bridges.has(both)) bridges.set(both, i);
    }
    const meetsOf = (t: number): ThemeFigures['meets'] =>
      ranked(count, (other) => together[t * count + other])
        .filter((other) => together[t * count + other] > 0)
        .map((other) => {
          const link = bridges.get(t * count + other);
          return {
            letter: themes[other].letter,
            label: themes[other].label,
            stretches: together[t * count + other],
            ...(link === undefined
              ? {}
              : {
                  bridge: {
                    keys: [concepts.keys[links.source[link]], concepts.keys[links.target[link]]] as const,
                    label: `${labels[links.source[link]]} — ${labels[links.target[link]]}`,
                  },
                }),
          };
        });
    return {
      rows: themes.map((theme, t) => ({
        letter: theme.letter,
        label: theme.label,
        concepts: theme.concepts.length,
        share: theme.share,
        mentions: theme.concepts.reduce((sum, i) => sum + concepts.mentions[i], 0),
        sources: heard[t].size,
        ofSources: own.sources,
        // Two that never share a window keep no company at all.
        coherence: coherenceOf(theme, (a, b) => npmiWithin.get(pairOf(a, b)) ?? -1),
        density: places[t].density,
        centrality: places[t].centrality,
        densityRank: rank(t, ({ density }) => density),
        centralityRank: rank(t, ({ centrality }) => centrality),
        meets: meetsOf(t),
      })),
    };
  },

  *beside(question, { take, own: { labels: given, groupings, seed, network } }) {
    const concepts = yield* take('concepts');
    const { themes } = yield* take('themes');
    const labels = conceptLabels(given, concepts);
    const now = themes.map(({ letter, label, concepts: of }) => ({
      letter,
      label,
      keys: of.map((i) => concepts.keys[i]),
    }));
    let then: readonly NamedGroup[];
    if ('kept' in question) then = ownValue(groupings, question.kept) ?? [];
    else if ('then' in question) then = question.then;
    else {
      const grounds = network
        ? undefined
        : { evidence: yield* take('evidence'), links: yield* take('links') };
      const groups = yield* groupsAt({ graph: yield* take('graph'), grounds }, question.resolution, seed);
      then = groups.map((group, i) => ({
        letter: String(i + 1),
        label: group
          .slice(0, 3)
          .map((concept) => labels[concept])
          .join(', '),
        keys: group.map((concept) => concepts.keys[concept]),
      }));
    }
    return {
      then,
      now,
      ...layBeside(then, now),
      labels: Object.fromEntries(concepts.keys.map((key, i) => [key, labels[i]])),
      became: whatBecame(then, now),
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
