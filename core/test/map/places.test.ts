import { expect } from 'chai';
import fc from 'fast-check';
import { GAP, nearestFree, overlaps, type Box } from '../../src/map/free-place.ts';
import { area, halfPlanes, isInside, roomForBox, type Point } from '../../src/map/geometry.ts';
import { powerCells } from '../../src/map/parcels.ts';
import { placeLabels } from '../../src/map/placement.ts';
import { routeBetween } from '../../src/map/routes.ts';

const LAND: Point[] = [
  [0, 0],
  [400, 0],
  [400, 300],
  [0, 300],
];
const box = fc.record({
  x: fc.double({ min: 20, max: 380, noNaN: true }),
  y: fc.double({ min: 20, max: 280, noNaN: true }),
  width: fc.double({ min: 10, max: 80, noNaN: true }),
  height: fc.double({ min: 8, max: 24, noNaN: true }),
});

describe('the nearest free place', () => {
  it('is inside, on nothing, and the wish where that is free', () => {
    fc.assert(
      fc.property(fc.array(box, { maxLength: 25 }), box, (boxes, wished) => {
        const { width, height } = wished;
        const room = roomForBox(halfPlanes(LAND), width, height);
        const place = nearestFree({
          room,
          boxes,
          width,
          height,
          wishX: wished.x,
          wishY: wished.y,
          parcel: LAND,
        });
        const isFree = (at: Box): boolean => boxes.every((other) => !overlaps(at, other, 3));
        if (isInside(room, wished.x, wished.y) && isFree(wished)) {
          expect(place).to.deep.equal([wished.x, wished.y]);
        }
        if (!place) return;
        expect(isInside(room, ...place, 1e-9)).to.equal(true);
        expect(isFree({ x: place[0], y: place[1], width, height })).to.equal(true);
      }),
    );
  });
});

describe('labels of a parcel', () => {
  const word = fc.record({
    width: fc.integer({ min: 60, max: 140 }),
    height: fc.integer({ min: 30, max: 60 }),
  });
  const pull = fc.record({
    source: fc.nat(11),
    target: fc.nat(11),
    strength: fc.double({ min: 0.05, max: 1, noNaN: true }),
  });

  it('change places only where they stay apart and inside, so that they stay where they stood', () => {
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 3, maxLength: 12 }),
        fc.array(pull, { maxLength: 30 }),
        (words, links) => {
          const labels = words.map((size, i) => ({ key: `word ${i}`, parcel: 0, ...size }));
          const pulls = links.filter(
            ({ source, target }) => source !== target && Math.max(source, target) < words.length,
          );
          const placed = placeLabels([LAND], labels, pulls, [], 1);
          const boxes = placed.flatMap((at, i) =>
            at
              ? [{ x: at.x, y: at.y, width: at.scale * words[i].width, height: at.scale * words[i].height }]
              : [],
          );
          boxes.forEach((each, i) => {
            expect(boxes.slice(0, i).some((other) => overlaps(other, each, GAP - 1e-9))).to.equal(false);
            const room = roomForBox(halfPlanes(LAND), each.width, each.height);
            expect(isInside(room, each.x, each.y, 1e-6)).to.equal(true);
          });
          // As a study keeps them, to a tenth of a unit.
          const tenth = (value: number): number => Math.round(value * 10) / 10;
          const again = placeLabels(
            [LAND],
            labels.map((label, i) => {
              const at = placed[i];
              return at
                ? { ...label, kept: { at: [tenth(at.x), tenth(at.y)] as const, scale: at.scale } }
                : label;
            }),
            pulls,
            [],
            1,
          );
          again.forEach((at, i) => {
            expect(at?.x).to.equal(placed[i] && tenth(placed[i].x));
            expect(at?.y).to.equal(placed[i] && tenth(placed[i].y));
          });
        },
      ),
      // What fails is told as it is: to make it smaller would take minutes.
      { numRuns: 150, endOnFailure: true },
    );
  });

  it('that are linked come to be nearer to each other than the others', () => {
    const labels = Array.from({ length: 12 }, (_, i) => ({
      key: `word ${i}`,
      parcel: 0,
      width: 50,
      height: 14,
    }));
    // Four groups of three.
    const pulls = labels.flatMap((_, i) =>
      [1, 2].map((step) => ({
        source: i,
        target: 3 * Math.floor(i / 3) + ((i + step) % 3),
        strength: 0.6,
      })),
    );
    const placed = placeLabels([LAND], labels, pulls, [], 1);
    const away = (i: number, j: number): number =>
      Math.hypot((placed[i]?.x ?? 0) - (placed[j]?.x ?? 0), (placed[i]?.y ?? 0) - (placed[j]?.y ?? 0));
    const mean = (isLinked: boolean): number => {
      const lengths = labels.flatMap((_, i) =>
        labels
          .slice(0, i)
          .flatMap((_, j) => ((Math.floor(i / 3) === Math.floor(j / 3)) === isLinked ? [away(i, j)] : [])),
      );
      return lengths.reduce((sum, each) => sum + each, 0) / lengths.length;
    };
    expect(mean(true)).to.be.below(0.65 * mean(false));
  });
});

describe('the cells of a power diagram', () => {
  it('are the same for those that are asked for, and empty for the others', () => {
    const point = fc.tuple(
      fc.double({ min: 1, max: 399, noNaN: true }),
      fc.double({ min: 1, max: 299, noNaN: true }),
    );
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 12 }), (sites) => {
        const weights = new Float64Array(sites.length);
        const all = powerCells(LAND, sites, weights);
        const some = powerCells(LAND, sites, weights, (site) => site % 2 === 0);
        some.forEach((cell, i) => expect(cell).to.deep.equal(i % 2 === 0 ? all[i] : []));
      }),
    );
  });

  it('part the land', () => {
    const sites: Point[] = [
      [50, 60],
      [300, 80],
      [200, 250],
      [90, 210],
    ];
    const cells = powerCells(LAND, sites, Float64Array.of(0, 900, -400, 50));
    expect(cells.reduce((sum, cell) => sum + area(cell), 0)).to.be.closeTo(area(LAND), 1e-6);
  });
});

describe('the way of a link', () => {
  it('goes clear of every other word, and does not hang on words far from it', () => {
    const far: Box[] = Array.from({ length: 40 }, (_, i) => ({
      x: 5000 + 90 * i,
      y: 5000,
      width: 60,
      height: 14,
    }));
    fc.assert(
      fc.property(fc.array(box, { minLength: 2, maxLength: 20 }), (boxes) => {
        const [a, b] = boxes;
        const route = routeBetween(a, b, boxes);
        expect(routeBetween(a, b, [...far, ...boxes])).to.deep.equal(route);
        if (!route) return;
        const others = boxes.filter((each) => each !== a && each !== b);
        for (let t = 0; t <= 1; t += 0.02) {
          const along = (i: 0 | 1): number =>
            (1 - t) ** 2 * route.from[i] + 2 * t * (1 - t) * route.bend[i] + t ** 2 * route.to[i];
          // It is looked every few units, with some clearance: a corner may just be cut.
          const dot = { x: along(0), y: along(1), width: 0, height: 0 };
          expect(others.some((other) => overlaps(dot, other, -4))).to.equal(false);
        }
      }),
    );
  });

  it('is bowed round what stands between, and none where nothing gets through', () => {
    const [a, b] = [
      { x: 0, y: 0, width: 20, height: 10 },
      { x: 200, y: 0, width: 20, height: 10 },
    ];
    const between = { x: 100, y: 0, width: 40, height: 30 };
    const route = routeBetween(a, b, [a, b, between]);
    expect(Math.abs(route?.bend[1] ?? 0)).to.be.above(30);
    const wall = { x: 100, y: 0, width: 10, height: 2000 };
    expect(routeBetween(a, b, [a, b, wall])).to.equal(undefined);
  });
});
