import { idsOf } from '../../engine/stage-keys.ts';
import { personsOf, workingSources } from '../../study/subset.ts';
import { conceptLabels } from '../../engine/resources.ts';
import { voicedStrength } from '../../compare/strength.ts';
import { byCodeUnits } from '../../base/order.ts';
import { stepsFrom, strongestPath } from '../../network/paths.ts';
import { backbone } from '../../network/backbone.ts';
import { mayStand, measuresOf, type Links } from '../../network/links.ts';
import type {
  CompanyView,
  LinkMatrixView,
  LinkRow,
  LinksView,
  PathView,
  RepeatedSentencesView,
  TwoConceptsRow,
  TwoConceptsView,
  WindowExampleView,
} from './link-view-types.ts';
import { reads, type View, type ViewMakers } from '../view.ts';

/** The views of Links. */
export interface LinkViews {
  links: View<{ readonly concept: string | null; readonly limit: number }, LinksView>;
  /** Pairs that share fewer windows than chance has it, the surest first. */
  rarer: View<{ readonly limit: number }, { readonly rows: readonly LinkRow[]; readonly total: number }>;
  company: View<{ readonly concept: string; readonly limit: number }, CompanyView>;
  twoConcepts: View<{ readonly keys: readonly [string, string] }, TwoConceptsView>;
  /** The path of strongest links between two concepts, and how many links each concept is away from the first. */
  path: View<{ readonly from: string; readonly to: string | null }, PathView>;
  linkMatrix: View<null, LinkMatrixView>;
  windowExample: View<null, WindowExampleView>;
  repeatedSentences: View<null, RepeatedSentencesView>;
}

/** Links of the sparser view are under this chance by the disparity filter, as is usual for it. */
const BACKBONE_LEVEL = 0.05;
const BEYOND: Readonly<Record<number, LinkRow['beyond']>> = { 0: 'neither', 1: 'within', 2: 'sources' };

/** A pair as a row of a table, its ends in the order given. */
function linkRow(
  i: number,
  [a, b]: readonly [number, number],
  {
    keys,
    labels,
    links,
    inBackbone,
  }: {
    readonly keys: readonly string[];
    readonly labels: readonly string[];
    readonly links: Links;
    readonly inBackbone: boolean;
  },
): LinkRow {
  return {
    source: keys[a],
    target: keys[b],
    sourceLabel: labels[a],
    targetLabel: labels[b],
    both: links.both[i],
    strength: links.strength[i],
    ...measuresOf(links, i),
    p: links.p[i],
    q: links.q[i],
    qBetween: links.qBetween[i],
    meetings: links.meetings[i],
    sources: links.sources[i],
    beyond: BEYOND[links.beyond[i]],
    stands: links.stands[i] === 1,
    inBackbone,
  };
}

/** Pairs named where no link stands, and the windows they share at least. */
const MOST_NEAREST = 12;
const NEAREST_TOGETHER = 2;

/** Where no link stands, the pairs that meet oftener than by chance, those first that chance makes least. */
function nearestToLinks({ standing, source, both, up, beyond, p }: Links): number[] {
  // Where some are beyond chance, the other settings are too strict for them.
  if (standing > 0 || beyond.some((each) => each > 0)) return [];
  return Array.from(source.keys())
    .filter((i) => up[i] === 1 && both[i] >= NEAREST_TOGETHER)
    .sort((a, b) => p[a] - p[b] || both[b] - both[a] || a - b)
    .slice(0, MOST_NEAREST);
}

/** Characters shown before and after a window. */
const AROUND = 120;

export const LINK_KEYS = {
  links: reads(['concepts', 'links', 'windows'], (state) => ({
    labels: state.conceptLabels,
    settings: state.settings.links,
  })),
  rarer: reads(['concepts', 'links'], (state) => ({
    labels: state.conceptLabels,
    largest: state.settings.links.maximumQ,
  })),
  repeatedSentences: reads(['tokens', 'repeated'], (state) => ({ ids: idsOf(workingSources(state)) })),
  company: reads(['concepts', 'counts', 'windows', 'links', 'evidence', 'themes'], (state) => ({
    labels: state.conceptLabels,
    sources: workingSources(state).length,
    personOf: personsOf(state),
  })),
  twoConcepts: reads(['concepts', 'counts', 'links', 'themes'], (state) => ({ labels: state.conceptLabels })),
  path: reads(['concepts', 'links'], (state) => ({ labels: state.conceptLabels })),
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
    const labels = conceptLabels(own.labels, concepts);
    const asked = concept === null ? -1 : keys.indexOf(concept);
    const linked = new Set<number>();
    for (let i = 0; i < links.standing; i++) linked.add(links.source[i]).add(links.target[i]);
    const sparse = backbone(
      keys.length,
      {
        source: links.source.subarray(0, links.standing),
        target: links.target.subarray(0, links.standing),
        weight: links.strength.subarray(0, links.standing).map((each) => Math.max(each, 1e-6)),
      },
      BACKBONE_LEVEL,
    );
    const rows: LinkRow[] = [];
    // A concept that was dropped keeps no company.
    const end = concept !== null && asked < 0 ? 0 : links.source.length;
    for (let i = 0; i < end && rows.length < limit; i++) {
      if (asked >= 0 && links.source[i] !== asked && links.target[i] !== asked) continue;
      if (asked < 0 && !links.stands[i]) break;
      const [a, b] =
        links.target[i] === asked ? [links.target[i], links.source[i]] : [links.source[i], links.target[i]];
      rows.push(linkRow(i, [a, b], { keys, labels, links, inBackbone: sparse[i] === 1 }));
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
      nearest: nearestToLinks(links).map((i) =>
        linkRow(i, [links.source[i], links.target[i]], { keys, labels, links, inBackbone: false }),
      ),
    };
  },

  *rarer({ limit }, { take, own: { labels: given, largest } }) {
    const concepts = yield* take('concepts');
    const links = yield* take('links');
    const labels = conceptLabels(given, concepts);
    const found: number[] = [];
    for (let i = 0; i < links.source.length; i++) {
      if (links.up[i] === 0 && links.q[i] < largest) found.push(i);
    }
    found.sort((a, b) => links.p[a] - links.p[b] || a - b);
    const named = { keys: concepts.keys, labels, links, inBackbone: false };
    return {
      rows: found.slice(0, limit).map((i) => linkRow(i, [links.source[i], links.target[i]], named)),
      total: found.length,
    };
  },

  *repeatedSentences(_, { take, own: { ids }, original }) {
    const tokens = yield* take('tokens');
    const { isRepeated, count, commonest } = yield* take('repeated');
    if (!commonest) return { count: 0, places: 0, sources: 0, example: '' };
    const text = original(ids[tokens.sentenceSource[commonest.sentence]]);
    return {
      count,
      places: isRepeated.reduce((sum, each) => sum + each, 0),
      sources: commonest.sources,
      example: text
        .slice(tokens.sentenceStart[commonest.sentence], tokens.sentenceEnd[commonest.sentence])
        .replaceAll(/\s+/g, ' ')
        .trim(),
    };
  },

  *company({ concept, limit }, { take, own }) {
    const concepts = yield* take('concepts');
    const { windowFirst, inWindow, windowsWith } = yield* take('counts');
    const windows = yield* take('windows');
    const links = yield* take('links');
    const evidence = yield* take('evidence');
    const { themes, themeOf } = yield* take('themes');
    const labels = conceptLabels(own.labels, concepts);
    const asked = concepts.keys.indexOf(concept);
    if (asked < 0) return { label: concept, windows: 0, sources: 0, rows: [] };
    const size = concepts.keys.length;
    // Of its windows in each source, those with each other concept.
    const perSource = new Int32Array(own.sources);
    const both = new Int32Array(own.sources * size);
    for (let w = 0; w < windows.count; w++) {
      const here = inWindow.subarray(windowFirst[w], windowFirst[w + 1]);
      if (!here.includes(asked)) continue;
      perSource[windows.source[w]]++;
      for (const other of here) both[windows.source[w] * size + other]++;
    }
    const members = [...perSource.keys()].filter((s) => perSource[s] > 0);
    const { strengths } = voicedStrength(
      { windows: perSource, speaking: both, rowCount: size, overlap: windows.overlap },
      members,
      '',
      own.personOf,
    );
    const found: number[] = [];
    for (let i = 0; i < links.source.length && found.length < limit; i++) {
      if (links.source[i] === asked || links.target[i] === asked) found.push(i);
    }
    return {
      label: labels[asked],
      windows: windowsWith[asked],
      sources: members.length,
      rows: found.map((i) => {
        const other = links.source[i] === asked ? links.target[i] : links.source[i];
        const pair = Math.min(asked, other) * size + Math.max(asked, other);
        const { share, low, high } = strengths[other];
        return {
          key: concepts.keys[other],
          label: labels[other],
          letter: themeOf[other] < 0 ? '' : themes[themeOf[other]].letter,
          both: links.both[i],
          meetings: links.meetings[i],
          sources: links.sources[i],
          share,
          low,
          high,
          expected: evidence.expected[pair] / Math.max(1, windowsWith[asked]),
          ...measuresOf(links, i),
          q: links.beyond[i] === 2 ? links.qBetween[i] : links.q[i],
          beyond: BEYOND[links.beyond[i]],
          stands: links.stands[i] === 1,
        };
      }),
    };
  },

  *twoConcepts({ keys: asked }, { take, own }) {
    const concepts = yield* take('concepts');
    const { windowsWith, together } = yield* take('counts');
    const links = yield* take('links');
    const { themes, themeOf } = yield* take('themes');
    const labels = conceptLabels(own.labels, concepts);
    const ends = asked.map((key) => concepts.keys.indexOf(key));
    const [a, b] = ends;
    const strengths = new Map<number, [number, number]>();
    for (let i = 0; i < links.standing; i++) {
      for (const side of [0, 1] as const) {
        const [first, second] = [links.source[i], links.target[i]];
        if (first !== ends[side] && second !== ends[side]) continue;
        const other = first === ends[side] ? second : first;
        if (other === a || other === b) continue;
        const known = strengths.get(other) ?? [0, 0];
        known[side] = links.strength[i];
        strengths.set(other, known);
      }
    }
    const rows = [...strengths].map(([other, of]) => ({
      key: concepts.keys[other],
      label: labels[other],
      letter: themeOf[other] < 0 ? '' : themes[themeOf[other]].letter,
      strengths: of,
    }));
    const by = (of: (row: TwoConceptsRow) => number): TwoConceptsRow[] =>
      rows.filter((row) => of(row) > 0).sort((x, y) => of(y) - of(x) || byCodeUnits(x.key, y.key));
    const isThere = a >= 0 && b >= 0;
    return {
      labels: [labels[a] ?? asked[0], labels[b] ?? asked[1]],
      windows: [windowsWith[a] ?? 0, windowsWith[b] ?? 0],
      both: isThere ? together[a * concepts.keys.length + b] : 0,
      shared: by(({ strengths: [x, y] }) => Math.min(x, y)),
      alone: [
        by(({ strengths: [x, y] }) => (y === 0 ? x : 0)),
        by(({ strengths: [x, y] }) => (x === 0 ? y : 0)),
      ],
    };
  },

  *path({ from, to }, { take, own }) {
    const concepts = yield* take('concepts');
    const links = yield* take('links');
    const { keys } = concepts;
    const labels = conceptLabels(own.labels, concepts);
    const [first, last] = [keys.indexOf(from), to === null ? -1 : keys.indexOf(to)];
    if (first < 0) return { steps: [], away: {} };
    const lists = {
      source: links.source.subarray(0, links.standing),
      target: links.target.subarray(0, links.standing),
      weight: links.strength.subarray(0, links.standing).map((each) => Math.max(each, 1e-6)),
    };
    const away = stepsFrom(keys.length, lists, first);
    return {
      steps:
        last < 0
          ? []
          : strongestPath(keys.length, lists, first, last).map((i) => ({ key: keys[i], label: labels[i] })),
      away: Object.fromEntries(keys.flatMap((key, i) => (away[i] < 0 ? [] : [[key, away[i]]]))),
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
