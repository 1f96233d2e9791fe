import { conceptLabels } from '../engine/resources.ts';
import { mayStand } from '../network/links.ts';
import type { LinkMatrixView, LinkRow, LinksView } from './view-types.ts';
import { reads, type View, type ViewMakers } from './view.ts';

/** The views of Links. */
export interface LinkViews {
  links: View<{ readonly concept: string | null; readonly limit: number }, LinksView>;
  linkMatrix: View<null, LinkMatrixView>;
}

export const LINK_KEYS = {
  links: reads(['concepts', 'links', 'windows', 'themes'], (state) => ({
    labels: state.conceptLabels,
    settings: state.settings.links,
  })),
  linkMatrix: reads(['concepts', 'links', 'themes'], (state) => ({ labels: state.conceptLabels })),
};

export const LINK_VIEWS: ViewMakers<LinkViews, typeof LINK_KEYS> = {
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
};
