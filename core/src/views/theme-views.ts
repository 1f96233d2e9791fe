import { conceptLabels } from '../engine/resources.ts';
import { comparedAttribute } from '../study/groups.ts';
import { bandOf, DRAWS } from '../themes/redraw.ts';
import { fewestInStretch } from '../engine/stage-keys.ts';
import { reachedByThemes, wordsMissed } from '../themes/coverage.ts';
import type {
  CompareView,
  CoverageView,
  LinkRow,
  LinksView,
  MapView,
  Overview,
  SteadinessView,
  ThemesView,
} from './view-types.ts';
import { nothing, reads, type View, type ViewMakers } from './view.ts';

/** The views of Links, Themes, Map and Compare, and the figures of the trail. */
export interface ThemeViews {
  overview: View<null, Overview>;
  links: View<{ readonly concept: string | null; readonly limit: number }, LinksView>;
  themes: View<null, ThemesView>;
  coverage: View<null, CoverageView>;
  steadiness: View<null, SteadinessView>;
  map: View<null, MapView>;
  compare: View<null, CompareView>;
}

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
    minimumTogether: state.settings.links.minimumTogether,
  })),
  themes: reads(['concepts', 'themes', 'sweep'], (state) => ({ labels: state.conceptLabels })),
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
    const { minimumTogether } = own;
    const strengths: number[] = [];
    for (let i = 0; i < links.strength.length; i++) {
      if (links.both[i] >= minimumTogether) strengths.push(links.strength[i]);
    }
    return {
      rows,
      standing: links.standing,
      pairs: links.source.length,
      linkedConcepts: linked.size,
      concepts: keys.length,
      windows: windows.count,
      strengths,
    };
  },

  *themes(_, { take, own }) {
    const concepts = yield* take('concepts');
    const { keys, mentions } = concepts;
    const themes = yield* take('themes');
    const sweep = yield* take('sweep');
    const labels = conceptLabels(own.labels, concepts);
    return {
      themes: themes.themes.map(({ letter, label, share, concepts }) => ({
        letter,
        label,
        share,
        concepts: concepts.map((i) => ({
          key: keys[i],
          label: labels[i],
          mentions: mentions[i],
        })),
      })),
      loose: keys.flatMap((key, i) => (themes.themeOf[i] < 0 ? [{ key, label: labels[i] }] : [])),
      modularity: themes.modularity,
      resolution: themes.resolution,
      sweep,
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
    const { overlap, comesBack, together } = yield* take('redrawn');
    return {
      draws: DRAWS,
      themes: themes.map(({ letter }, t) => ({
        letter,
        band: bandOf(overlap[t]),
        comesBack: comesBack[t],
        overlap: overlap[t],
      })),
      concepts: keys.flatMap((key, i) => (themeOf[i] < 0 ? [] : [{ key, together: together[i] }])),
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
