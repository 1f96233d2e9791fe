import { conceptLabels } from '../core/src/engine/resources.ts';
import { area, halfPlanes, isInside, roomForBox } from '../core/src/map/geometry.ts';
import { GAP, overlaps, type Box } from '../core/src/map/free-place.ts';
import { layOutMap, type MapInput, type MapScene } from '../core/src/map/scene.ts';
import { SHEETS } from '../core/src/base/sheets.ts';
import { seededRandom } from '../core/src/numeric/random.ts';
import { exampleStudy } from '../core/test/examples.ts';
import { plantedCollection } from './collection.ts';
import { medianTime, printTable, told } from './timing.ts';

/** Concepts, and the themes they are planted in. */
const NETWORKS: readonly (readonly [concepts: number, themes: number])[] = [
  [80, 8],
  [150, 10],
  [300, 20],
  [500, 20],
];
const NEAREST = 5;
const { width: MAP_WIDTH, height: MAP_HEIGHT } = SHEETS.wide;

/** A word on a picture, by the number of its concept. */
type Word = Box & { readonly concept: number };
/** A line drawn between two words, as places along it. */
interface Line {
  readonly ends: readonly [number, number];
  readonly points: readonly (readonly [number, number])[];
}

function inputOf(concepts: number, themes: number): MapInput {
  const { texts } = plantedCollection({
    words: concepts * 1500,
    themes,
    conceptsPerTheme: Math.ceil((1.1 * concepts) / themes),
  });
  const study = exampleStudy(texts.map((text, i) => ({ name: `${i}.txt`, text })));
  study.decide({ kind: 'setConcepts', change: { size: concepts, minimumMentions: 3, minimumSources: 2 } });
  const chosen = study.compute('concepts');
  return {
    keys: chosen.keys,
    labels: conceptLabels({}, chosen),
    mentions: chosen.mentions,
    graph: study.compute('graph'),
    links: study.compute('links'),
    themes: study.compute('themes'),
    seed: 1,
    settings: study.state.settings.map,
  };
}

/** A plain force layout (Fruchterman and Reingold 1991) of the same network, the same words in the same sizes. */
function forceLayout({ links }: MapInput, words: readonly Word[], seed: number): Word[] {
  const random = seededRandom(seed);
  const place = new Map(words.map(({ concept }, i) => [concept, i]));
  const at = words.map((): [number, number] => [random() * MAP_WIDTH, random() * MAP_HEIGHT]);
  const ideal = Math.sqrt((MAP_WIDTH * MAP_HEIGHT) / words.length);
  const ROUNDS = 200;
  for (let round = 0; round < ROUNDS; round++) {
    const heat = 0.1 * MAP_WIDTH * (1 - round / ROUNDS);
    const push = words.map((): [number, number] => [0, 0]);
    const pair = (i: number, j: number, force: (distance: number) => number): void => {
      const [dx, dy] = [at[i][0] - at[j][0], at[i][1] - at[j][1]];
      const distance = Math.max(0.01, Math.hypot(dx, dy));
      const by = force(distance) / distance;
      push[i][0] += dx * by;
      push[i][1] += dy * by;
      push[j][0] -= dx * by;
      push[j][1] -= dy * by;
    };
    for (let i = 0; i < words.length; i++)
      for (let j = 0; j < i; j++) pair(i, j, (distance) => ideal ** 2 / distance);
    for (let l = 0; l < links.standing; l++) {
      const [i, j] = [place.get(links.source[l]), place.get(links.target[l])];
      if (i !== undefined && j !== undefined) pair(i, j, (distance) => -(distance ** 2) / ideal);
    }
    at.forEach((point, i) => {
      const length = Math.max(0.01, Math.hypot(...push[i]));
      const step = Math.min(length, heat) / length;
      point[0] = Math.min(MAP_WIDTH, Math.max(0, point[0] + push[i][0] * step));
      point[1] = Math.min(MAP_HEIGHT, Math.max(0, point[1] + push[i][1] * step));
    });
  }
  return words.map((word, i) => ({ ...word, x: at[i][0], y: at[i][1] }));
}

const away = (a: Box, b: Box): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Share of each word's strongest links whose other end is among the words nearest to it, in the mean. */
function preserved({ links }: MapInput, words: readonly Word[]): number {
  const linked = new Map<number, number[]>();
  for (let l = 0; l < links.standing; l++)
    for (const [a, b] of [
      [links.source[l], links.target[l]],
      [links.target[l], links.source[l]],
    ])
      linked.set(a, [...(linked.get(a) ?? []), b]);
  const shown = new Set(words.map(({ concept }) => concept));
  const shares = words.flatMap((word) => {
    // Links come by falling strength.
    const strongest = (linked.get(word.concept) ?? []).filter((each) => shown.has(each)).slice(0, NEAREST);
    if (strongest.length === 0) return [];
    const nearest = words
      .filter((each) => each !== word)
      .sort((a, b) => away(word, a) - away(word, b))
      .slice(0, NEAREST)
      .map(({ concept }) => concept);
    return [strongest.filter((each) => nearest.includes(each)).length / strongest.length];
  });
  return shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length);
}

const overlapping = (words: readonly Word[]): number =>
  words.reduce((sum, word, i) => sum + words.slice(i + 1).filter((other) => overlaps(word, other)).length, 0);

function meanLength({ links }: MapInput, words: readonly Word[]): number {
  const wordOf = new Map(words.map((word) => [word.concept, word]));
  let sum = 0;
  let count = 0;
  for (let l = 0; l < links.standing; l++) {
    const [a, b] = [wordOf.get(links.source[l]), wordOf.get(links.target[l])];
    if (!a || !b) continue;
    sum += away(a, b);
    count++;
  }
  return sum / Math.max(1, count);
}

const ROUNDS_APART = 800;

/** Words pushed off each other, the shorter way, until they are as far apart as on the map or nothing more is won; the sheet may grow for it. */
function pushedApart(words: readonly Word[]): Word[] {
  const moved = words.map((word) => ({ ...word }));
  for (let round = 0; round < ROUNDS_APART; round++) {
    let isClear = true;
    for (const [i, a] of moved.entries()) {
      for (const b of moved.slice(0, i)) {
        if (!overlaps(a, b, GAP)) continue;
        isClear = false;
        const [dx, dy] = [a.x - b.x, a.y - b.y];
        const across = (a.width + b.width) / 2 + GAP - Math.abs(dx);
        const down = (a.height + b.height) / 2 + GAP - Math.abs(dy);
        const by = Math.min(across, down) / 2 + 0.01;
        if (across < down) {
          a.x += dx < 0 ? -by : by;
          b.x -= dx < 0 ? -by : by;
        } else {
          a.y += dy < 0 ? -by : by;
          b.y -= dy < 0 ? -by : by;
        }
      }
    }
    if (isClear) break;
  }
  return moved;
}

/** The names of the themes, as large as on the map, in the middle of their words: a map must carry them too. */
function namesAmong(scene: MapScene, words: readonly Word[]): Word[] {
  const themeOf = new Map(scene.labels.map(({ concept, theme }) => [concept, theme]));
  const middle = (places: readonly number[]): number =>
    places.reduce((sum, each) => sum + each, 0) / Math.max(1, places.length);
  return scene.parcels.map(({ theme, written }, k) => {
    const own = words.filter(({ concept }) => themeOf.get(concept) === theme);
    // Told apart from words by their number.
    return {
      ...written,
      concept: -1 - k,
      x: middle(own.map(({ x }) => x)),
      y: middle(own.map(({ y }) => y)),
    };
  });
}

/** Words that drawn links run through, for a hundred links. */
function crossings(lines: readonly Line[], words: readonly Word[]): number {
  let count = 0;
  for (const { ends, points } of lines)
    for (const word of words) {
      if (ends.includes(word.concept)) continue;
      const isIn = ([x, y]: readonly [number, number]): boolean =>
        Math.abs(x - word.x) < word.width / 2 && Math.abs(y - word.y) < word.height / 2;
      if (points.some(isIn)) count++;
    }
  return (100 * count) / Math.max(1, lines.length);
}

const STEPS = Array.from({ length: 101 }, (_, i) => i / 100);

function linesOf(scene: MapScene): Line[] {
  return scene.links.map(({ source, target, from, bend, to }) => ({
    ends: [source, target],
    points: STEPS.map((t): [number, number] => {
      const along = (i: 0 | 1): number => (1 - t) ** 2 * from[i] + 2 * t * (1 - t) * bend[i] + t * t * to[i];
      return [along(0), along(1)];
    }),
  }));
}

function straightLines(scene: MapScene, words: readonly Word[]): Line[] {
  const wordOf = new Map(words.map((word) => [word.concept, word]));
  return scene.links.flatMap(({ source, target }) => {
    const [a, b] = [wordOf.get(source), wordOf.get(target)];
    if (!a || !b) return [];
    return [
      {
        ends: [source, target] as const,
        points: STEPS.map((t) => [a.x + t * (b.x - a.x), a.y + t * (b.y - a.y)] as const),
      },
    ];
  });
}

/** Radius of the largest circle without a word, as a share of the side of a square as large as the ground, in the mean of grounds. */
function emptiest(
  grounds: readonly { readonly area: number; readonly has: (x: number, y: number) => boolean }[],
  boxes: readonly Box[],
): number {
  const radii = grounds.map(({ area: size, has }) => {
    let most = 0;
    for (let x = 0; x < MAP_WIDTH; x += 10)
      for (let y = 0; y < MAP_HEIGHT; y += 10) {
        if (!has(x, y)) continue;
        let nearest = Infinity;
        for (const box of boxes) {
          const dx = Math.max(0, Math.abs(x - box.x) - box.width / 2);
          const dy = Math.max(0, Math.abs(y - box.y) - box.height / 2);
          nearest = Math.min(nearest, Math.hypot(dx, dy));
        }
        most = Math.max(most, nearest);
      }
    return most / Math.sqrt(size);
  });
  return radii.reduce((sum, each) => sum + each, 0) / Math.max(1, radii.length);
}

/**
 * The map's layout timed, and beside a plain force layout of the same network: as it is, with its words as far from each other as the
 * map's, and with the names of themes that a map must carry.
 */
export function benchMap(): void {
  const timed: string[][] = [];
  const compared: string[][] = [];
  for (const [concepts, themes] of NETWORKS) {
    const input = inputOf(concepts, themes);
    const scene = layOutMap(input);
    timed.push([
      `${input.keys.length} concepts, ${input.links.standing} links, ${scene.parcels.length} themes`,
      told(medianTime(() => layOutMap(input))),
      String(scene.labels.filter(({ zoom, theme }) => zoom === 1 && theme >= 0).length),
      String(scene.labels.filter(({ zoom }) => zoom > 1).length),
      String(scene.hidden.length),
    ]);
    const words: Word[] = scene.labels.filter(({ zoom, theme }) => zoom === 1 && theme >= 0);
    const inParcel = scene.labels
      .filter(({ zoom, theme }) => zoom === 1 && theme >= 0)
      .filter(({ theme, x, y, width, height }) => {
        const parcel = scene.parcels.find((each) => each.theme === theme);
        return (
          parcel !== undefined && isInside(roomForBox(halfPlanes(parcel.polygon), width, height), x, y, 1)
        );
      });
    const forced = forceLayout(input, words, 1);
    const apart = pushedApart(forced);
    const asMap = pushedApart([...forced, ...namesAmong(scene, forced)]).filter(
      ({ concept }) => concept >= 0,
    );
    const sheet = { area: MAP_WIDTH * MAP_HEIGHT, has: () => true };
    const parcels = scene.parcels.map(({ polygon }) => {
      const planes = halfPlanes(polygon);
      return { area: area(polygon), has: (x: number, y: number) => isInside(planes, x, y) };
    });
    const names = scene.parcels.map(({ written }) => written);
    const row = (
      what: string,
      placed: readonly Word[],
      lines: readonly Line[],
      empty: number,
      inside: string,
    ): string[] => [
      `${input.keys.length}, ${what}`,
      String(overlapping(placed)),
      inside,
      empty.toFixed(2),
      preserved(input, placed).toFixed(2),
      told(meanLength(input, placed)),
      told(crossings(lines, placed)),
    ];
    compared.push(
      row(
        'map',
        words,
        linesOf(scene),
        emptiest(parcels, [...words, ...names]),
        `${told((100 * inParcel.length) / Math.max(1, words.length))} %`,
      ),
      row('force layout', forced, straightLines(scene, forced), emptiest([sheet], forced), '–'),
      row('… words as far apart', apart, straightLines(scene, apart), emptiest([sheet], apart), '–'),
      row('… and with names', asMap, straightLines(scene, asMap), emptiest([sheet], asMap), '–'),
    );
  }
  console.log('\n## The map\n');
  printTable(['network', 'median ms of the layout', 'words on the whole map', 'with zoom', 'no room'], timed);
  console.log('');
  printTable(
    [
      'concepts, layout',
      'overlaps',
      'inside their parcel',
      'emptiest circle',
      `of the ${NEAREST} strongest among the ${NEAREST} nearest`,
      'mean length of a link',
      'words crossed by 100 links',
    ],
    compared,
  );
}
