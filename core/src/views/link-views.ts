import { idsOf } from '../engine/stage-keys.ts';
import { workingSources } from '../study/subset.ts';
import { conceptLabels } from '../engine/resources.ts';
import { mayStand } from '../network/links.ts';
import type { LinkMatrixView, LinkRow, LinksView, WindowExampleView } from './view-types.ts';
import { reads, type View, type ViewMakers } from './view.ts';

/** The views of Links. */
export interface LinkViews {
  links: View<{ readonly concept: string | null; readonly limit: number }, LinksView>;
  linkMatrix: View<null, LinkMatrixView>;
  windowExample: View<null, WindowExampleView>;
}

/** Characters shown before and after a window. */
const AROUND = 120;

export const LINK_KEYS = {
  links: reads(['concepts', 'links', 'windows', 'themes'], (state) => ({
    labels: state.conceptLabels,
    settings: state.settings.links,
  })),
  linkMatrix: reads(['concepts', 'links', 'themes'], (state) => ({ labels: state.conceptLabels })),
  windowExample: reads(['tokens', 'concepts', 'windows', 'counts'], (state) => ({
    labels: state.conceptLabels,
    ids: idsOf(workingSources(state)),
  })),
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

  *windowExample(_, { take, own: { labels: given, ids }, original }) {
    const tokens = yield* take('tokens');
    const concepts = yield* take('concepts');
    const windows = yield* take('windows');
    const { windowFirst, inWindow } = yield* take('counts');
    let best = -1;
    let most = 0;
    for (let w = 0; w < windows.count; w++) {
      const held = windowFirst[w + 1] - windowFirst[w];
      if (held > most) [best, most] = [w, held];
    }
    if (best < 0) return { windows: windows.count };
    const sourceId = ids[windows.source[best]];
    const text = original(sourceId);
    const start = tokens.start[windows.first[best]];
    const end = tokens.end[windows.end[best] - 1];
    const labels = conceptLabels(given, concepts);
    return {
      windows: windows.count,
      example: {
        sourceId,
        start,
        before: text.slice(Math.max(0, start - AROUND), start),
        text: text.slice(start, end),
        after: text.slice(end, end + AROUND),
        words: windows.end[best] - windows.first[best],
        concepts: Array.from(inWindow.subarray(windowFirst[best], windowFirst[best + 1]), (i) => labels[i]),
      },
    };
  },
};
