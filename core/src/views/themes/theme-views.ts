import { alsoSteady } from '../../themes/resolution.ts';
import { conceptLabels } from '../../engine/resources.ts';
import { bandOf } from '../../themes/bands.ts';
import { choicesOf } from '../../themes/braid.ts';
import { fewestInStretch } from '../../engine/stage-keys.ts';
import { joinedInto } from '../../themes/choices.ts';
import { letterAfter } from '../../themes/letters.ts';
import { ownValue } from '../../base/records.ts';
import { reachedByThemes, sharesOfStretches, wordsMissed } from '../../themes/coverage.ts';
import type { LinksOnTrail } from '../links/link-view-types.ts';
import type {
  ConceptsOnTrail,
  CoverageView,
  MapView,
  SteadinessView,
  ThemesOnTrail,
  ThemesView,
  WordsOnTrail,
} from './theme-view-types.ts';
import { nothing, reads, type View, type ViewMakers } from '../view.ts';

/** The views of Links, Themes, Map and Compare, and the figures of the trail. */
export interface ThemeViews {
  wordsOnTrail: View<null, WordsOnTrail>;
  conceptsOnTrail: View<null, ConceptsOnTrail>;
  linksOnTrail: View<null, LinksOnTrail>;
  themesOnTrail: View<null, ThemesOnTrail>;
  themes: View<null, ThemesView>;
  coverage: View<null, CoverageView>;
  steadiness: View<null, SteadinessView>;
  map: View<null, MapView>;
}

/** Words named of what no theme reaches. */
const MOST_MISSED = 15;

const sum = (values: Iterable<number>): number => {
  let all = 0;
  for (const value of values) all += value;
  return all;
};

export const THEME_KEYS = {
  // Each stop's figures by themselves: the first stand while the rest is computed.
  wordsOnTrail: reads(['tokens'], nothing),
  conceptsOnTrail: reads(['candidates', 'concepts'], nothing),
  linksOnTrail: reads(['windows', 'links'], nothing),
  themesOnTrail: reads(['themes', 'spoken', 'sweep'], (state) => ({
    fewest: fewestInStretch(state),
    isFound: state.settings.themes.resolution === 'auto',
  })),
  themes: reads(['concepts', 'themes', 'spoken', 'sweep'], ({ conceptLabels, themeChoices }) => ({
    labels: conceptLabels,
    choices: themeChoices,
  })),
  coverage: reads(['tokens', 'candidates', 'concepts', 'themes', 'stretches', 'spoken'], (state) => ({
    labels: state.conceptLabels,
    fewest: fewestInStretch(state),
  })),
  steadiness: reads(['concepts', 'themes', 'resampled'], nothing),
  map: reads(['concepts', 'map'], nothing),
};

export const THEME_VIEWS: ViewMakers<ThemeViews, typeof THEME_KEYS> = {
  *wordsOnTrail(_, { take }) {
    return { words: (yield* take('tokens')).type.length };
  },

  *conceptsOnTrail(_, { take }) {
    const candidates = (yield* take('candidates')).keys.length;
    return { candidates, concepts: (yield* take('concepts')).keys.length };
  },

  *linksOnTrail(_, { take }) {
    const windows = (yield* take('windows')).count;
    return { windows, links: (yield* take('links')).standing };
  },

  *themesOnTrail(_, { take, own }) {
    const { themes, themeOf, resolution, modularity } = yield* take('themes');
    const reached = reachedByThemes(yield* take('spoken'), themeOf, themes.length, own.fewest);
    return {
      themes: themes.length,
      reached: reached.length === 0 ? 0 : sum(reached) / reached.length,
      resolution,
      modularity,
      also: own.isFound && themes.length > 0 ? alsoSteady(yield* take('sweep'), resolution) : [],
    };
  },

  *themes(_, { take, own: { labels: given, choices } }) {
    const concepts = yield* take('concepts');
    const { keys, mentions } = concepts;
    const { themes, themeOf, foundIn, perhaps, modularity, resolution, register } = yield* take('themes');
    const isPerhaps = new Set(perhaps.flat());
    const sweep = yield* take('sweep');
    const ofStretches = sharesOfStretches(yield* take('spoken'), keys.length);
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
          ofStretches: ofStretches[i],
          placed: placed[i] !== undefined && !isLost(i),
          ...(joinedInto(choices.joined, foundIn[i]) === letter ? {} : { foundIn: foundIn[i] }),
        })),
      })),
      loose: keys.flatMap((key, i) =>
        themeOf[i] < 0 && !isAside.has(key) && !isPerhaps.has(i)
          ? [{ ...named(i), placed: placed[i] === '' }]
          : [],
      ),
      perhaps: perhaps.map((group) => group.map(named)),
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
      choices: choicesOf(sweep),
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
    const { draws, overlap, comesBack, together, lean, leaning } = yield* take('resampled');
    if (draws === 0) return { draws, themes: [], concepts: [] };
    return {
      draws,
      themes: themes.map(({ letter }, t) => ({
        letter,
        band: bandOf(comesBack[t]),
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
};
