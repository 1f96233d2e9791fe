import { conceptLabels } from '../engine/resources.ts';
import { comparedAttribute } from '../study/groups.ts';
import { bandOf } from '../themes/bands.ts';
import { DRAWS } from '../themes/redraw.ts';
import { fewestInStretch, idsOf } from '../engine/stage-keys.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { mayStand } from '../network/links.ts';
import { choicesOf, groupsAt, neighbourChoice } from '../themes/braid.ts';
import { joinedInto } from '../themes/choices.ts';
import { letterAfter } from '../themes/letters.ts';
import { joinersOf } from '../themes/joiners.ts';
import { splitTheme } from '../themes/split.ts';
import { corpusOf, findTopics, mixtures, topicOfWord, topWords } from '../themes/topics.ts';
import { adjustedMutualInformation } from '../numeric/agreement.ts';
import { byCodeUnits } from '../base/order.ts';
import { workingSources } from '../study/subset.ts';
import { ownValue } from '../base/records.ts';
import { reachedByThemes, wordsMissed } from '../themes/coverage.ts';
import type {
  CompareView,
  CoverageView,
  HowManyView,
  JoinersView,
  LinkMatrixView,
  LinkRow,
  LinksView,
  MapView,
  Overview,
  SteadinessView,
  ThemePartsView,
  TopicsView,
  ThemesView,
} from './view-types.ts';
import { nothing, reads, type View, type ViewMakers } from './view.ts';

/** The views of Links, Themes, Map and Compare, and the figures of the trail. */
export interface ThemeViews {
  overview: View<null, Overview>;
  links: View<{ readonly concept: string | null; readonly limit: number }, LinksView>;
  linkMatrix: View<null, LinkMatrixView>;
  themes: View<null, ThemesView>;
  coverage: View<null, CoverageView>;
  steadiness: View<null, SteadinessView>;
  /** Words that would join a theme. */
  joiners: View<{ readonly letter: string; readonly limit: number }, JoinersView>;
  howMany: View<null, HowManyView>;
  topics: View<{ readonly topics: number }, TopicsView>;
  themeParts: View<{ readonly letter: string }, ThemePartsView>;
  map: View<null, MapView>;
  compare: View<null, CompareView>;
}

/** Terms a topic model is made of, the most mentioned; topics at most, and words shown of each. */
const MOST_TERMS = 1000;
const MOST_TOPICS = 200;
const TOPIC_WORDS = 12;

/** Words named of what no theme reaches. */
const MOST_MISSED = 15;

const sum = (values: Iterable<number>): number => {
  let all = 0;
  for (const value of values) all += value;
  return all;
};

export const THEME_KEYS = {
  overview: reads(['tokens', 'candidates', 'concepts', 'windows', 'links', 'themes', 'spoken'], (state) => ({
    fewest: fewestInStretch(state),
  })),
  links: reads(['concepts', 'links', 'windows', 'themes'], (state) => ({
    labels: state.conceptLabels,
    settings: state.settings.links,
  })),
  linkMatrix: reads(['concepts', 'links', 'themes'], (state) => ({ labels: state.conceptLabels })),
  themes: reads(['concepts', 'themes', 'sweep'], ({ conceptLabels, themeChoices }) => ({
    labels: conceptLabels,
    choices: themeChoices,
  })),
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
  coverage: reads(['tokens', 'candidates', 'concepts', 'themes', 'stretches', 'spoken'], (state) => ({
    labels: state.conceptLabels,
    fewest: fewestInStretch(state),
  })),
  steadiness: reads(['concepts', 'themes', 'redrawn'], nothing),
  map: reads(['concepts', 'map'], nothing),
  compare: reads(['themes', 'comparison'], (state) => ({ attribute: comparedAttribute(state) })),
};

export const THEME_VIEWS: ViewMakers<ThemeViews, typeof THEME_KEYS> = {
  *overview(_, { take, own }) {
    const tokens = yield* take('tokens');
    const candidates = yield* take('candidates');
    const concepts = yield* take('concepts');
    const windows = yield* take('windows');
    const links = yield* take('links');
    const themes = yield* take('themes');
    const spoken = yield* take('spoken');
    const reached = reachedByThemes(spoken, themes.themeOf, themes.themes.length, own.fewest);
    return {
      words: tokens.type.length,
      candidates: candidates.keys.length,
      concepts: concepts.keys.length,
      links: links.standing,
      windows: windows.count,
      themes: themes.themes.length,
      reached: reached.length === 0 ? 0 : sum(reached) / reached.length,
      resolution: themes.resolution,
      modularity: themes.modularity,
    };
  },

  *links({ concept, limit }, { take, own }) {
    const concepts = yield* take('concepts');
    const { keys } = concepts;
    const links = yield* take('links');
    const windows = yield* take('windows');
    const { themes, themeOf } = yield* take('themes');
    const labels = conceptLabels(own.labels, concepts);
    const letter = (i: number): string => (themeOf[i] < 0 ? '' : themes[themeOf[i]].letter);
    const asked = concept === null ? -1 : keys.indexOf(concept);
    const linked = new Set<number>();
    for (let i = 0; i < links.standing; i++) linked.add(links.source[i]).add(links.target[i]);
    const rows: LinkRow[] = [];
    for (let i = 0; i < links.source.length && rows.length < limit; i++) {
      if (asked >= 0 && links.source[i] !== asked && links.target[i] !== asked) continue;
      if (asked < 0 && !links.stands[i]) break;
      const [a, b] =
        links.target[i] === asked ? [links.target[i], links.source[i]] : [links.source[i], links.target[i]];
      rows.push({
        source: keys[a],
        target: keys[b],
        sourceLabel: labels[a],
        targetLabel: labels[b],
        sourceTheme: letter(a),
        targetTheme: letter(b),
        both: links.both[i],
        strength: links.strength[i],
        npmi: links.npmi[i],
        jaccard: links.jaccard[i],
        cosine: links.cosine[i],
        g2: links.g2[i],
        p: links.p[i],
        q: links.q[i],
        qBetween: links.qBetween[i],
        meetings: links.meetings[i],
        sources: links.sources[i],
        beyond: links.beyond[i] === 1 ? 'within' : links.beyond[i] === 2 ? 'sources' : 'neither',
        stands: links.stands[i] === 1,
      });
    }
    const { settings } = own;
    const strengths: number[] = [];
    const standable: { strength: number[]; source: number[]; target: number[] } = {
      strength: [],
      source: [],
      target: [],
    };
    for (let i = 0; i < links.strength.length; i++) {
      if (links.both[i] >= settings.minimumTogether) strengths.push(links.strength[i]);
      if (!mayStand(links, i, settings)) continue;
      standable.strength.push(links.strength[i]);
      standable.source.push(links.source[i]);
      standable.target.push(links.target[i]);
    }
    return {
      rows,
      standing: links.standing,
      pairs: links.source.length,
      linkedConcepts: linked.size,
      concepts: keys.length,
      windows: windows.count,
      strengths,
      standable,
      labels,
    };
  },

  *linkMatrix(_, { take, own }) {
    const concepts = yield* take('concepts');
    const links = yield* take('links');
    const { themes, themeOf } = yield* take('themes');
    const names = conceptLabels(own.labels, concepts);
    const order = themes.flatMap((theme) => theme.concepts);
    for (let i = 0; i < themeOf.length; i++) if (themeOf[i] < 0) order.push(i);
    const n = order.length;
    const place = new Int32Array(n);
    order.forEach((concept, at) => (place[concept] = at));
    const strength = new Float64Array(n * n).fill(Number.NaN);
    const both = new Int32Array(n * n);
    const stands = new Uint8Array(n * n);
    for (let i = 0; i < links.source.length; i++) {
      const [a, b] = [place[links.source[i]], place[links.target[i]]];
      for (const at of [a * n + b, b * n + a]) {
        strength[at] = links.strength[i];
        both[at] = links.both[i];
        stands[at] = links.stands[i];
      }
    }
    return {
      keys: order.map((i) => concepts.keys[i]),
      labels: order.map((i) => names[i]),
      letters: order.map((i) => (themeOf[i] < 0 ? '' : themes[themeOf[i]].letter)),
      strength,
      both,
      stands,
    };
  },

  *themes(_, { take, own: { labels: given, choices } }) {
    const concepts = yield* take('concepts');
    const { keys, mentions } = concepts;
    const { themes, themeOf, foundIn, modularity, resolution, register } = yield* take('themes');
    const sweep = yield* take('sweep');
    const labels = conceptLabels(given, concepts);
    const named = (i: number): { key: string; label: string } => ({ key: keys[i], label: labels[i] });
    const placed = keys.map((key) => ownValue(choices.placed, key));
    const there = new Set(themes.map(({ letter }) => letter));
    const numberOf = new Map(keys.map((key, i) => [key, i]));
    const isAside = new Set(Object.values(choices.aside).flatMap((theme) => theme.keys));
    const isLost = (i: number): boolean => {
      const letter = placed[i];
      return letter !== undefined && letter !== '' && !there.has(joinedInto(choices.joined, letter));
    };
    return {
      themes: themes.map(({ letter, label, share, by, concepts }) => ({
        letter,
        label,
        share,
        by,
        grows: ownValue(choices.begun, letter)?.grows === true,
        joined: Object.keys(choices.joined).filter((each) => joinedInto(choices.joined, each) === letter),
        note: ownValue(choices.notes, letter) ?? '',
        concepts: concepts.map((i) => ({
          ...named(i),
          mentions: mentions[i],
          placed: placed[i] !== undefined && !isLost(i),
          ...(joinedInto(choices.joined, foundIn[i]) === letter ? {} : { foundIn: foundIn[i] }),
        })),
      })),
      loose: keys.flatMap((key, i) =>
        themeOf[i] < 0 && !isAside.has(key) ? [{ ...named(i), placed: placed[i] === '' }] : [],
      ),
      aside: Object.entries(choices.aside).map(([letter, { name, keys: own }]) => ({
        letter,
        name,
        concepts: own.flatMap((key) => {
          const i = numberOf.get(key);
          return i === undefined ? [] : [named(i)];
        }),
      })),
      astray: keys.flatMap((_, i) => (isLost(i) ? [{ ...named(i), letter: placed[i] ?? '' }] : [])),
      nextLetter: letterAfter([
        ...register.map(({ letter }) => letter),
        ...Object.keys(choices.aside),
        ...Object.keys(choices.begun),
        ...Object.keys(choices.locked),
      ]),
      modularity,
      resolution,
      sweep,
    };
  },

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

  *coverage(_, { take, own }) {
    const tokens = yield* take('tokens');
    const candidates = yield* take('candidates');
    const { occurrenceFirst, occurrenceEnd } = yield* take('concepts');
    const { themes, themeOf } = yield* take('themes');
    const stretches = yield* take('stretches');
    const reached = reachedByThemes(yield* take('spoken'), themeOf, themes.length, own.fewest);
    const labels = conceptLabels(own.labels, candidates);
    const missed = wordsMissed(candidates, candidates.keys.length, stretches, reached, MOST_MISSED);
    return {
      words: (sum(occurrenceEnd) - sum(occurrenceFirst)) / Math.max(1, tokens.type.length),
      stretches: stretches.count,
      reached: sum(reached),
      missed: missed.map(({ thing, missed: mentions, all }) => ({
        key: candidates.keys[thing],
        label: labels[thing],
        mentions,
        all,
      })),
    };
  },

  *steadiness(_, { take }) {
    const { keys } = yield* take('concepts');
    const { themes, themeOf } = yield* take('themes');
    const { overlap, comesBack, together, lean, leaning } = yield* take('redrawn');
    return {
      draws: DRAWS,
      themes: themes.map(({ letter }, t) => ({
        letter,
        band: bandOf(overlap[t]),
        comesBack: comesBack[t],
        overlap: overlap[t],
      })),
      concepts: keys.map((key, i) => ({
        key,
        together: themeOf[i] < 0 ? 0 : together[i],
        lean: lean[i] < 0 ? '' : themes[lean[i]].letter,
        leaning: leaning[i],
      })),
    };
  },

  *map(_, { take }) {
    const { keys } = yield* take('concepts');
    return { scene: yield* take('map'), keys };
  },

  *compare(_, { take, own: { attribute } }) {
    const { themes } = yield* take('themes');
    return {
      attribute,
      themes: themes.map(({ letter, label }) => ({ letter, label })),
      comparison: yield* take('comparison'),
    };
  },
};
