import { expect } from 'chai';
import fc from 'fast-check';
import { renderMap } from '../../src/map/render.ts';
import { escapeXml } from '../../src/base/xml.ts';
import {
  area,
  centroid,
  clip,
  halfPlanes,
  inset,
  isInside,
  roomForBox,
  type Point,
} from '../../src/map/geometry.ts';
import { hatchOf, inkOf, PAPER } from '../../src/map/palette.ts';
import { indexOfLetter } from '../../src/themes/letters.ts';
import { outline, partLand, spreadOver, stressPlaces } from '../../src/map/parcels.ts';
import { brokenName, placeName } from '../../src/map/names.ts';
import { routeBetween } from '../../src/map/routes.ts';
import { nearestFree, overlaps } from '../../src/map/free-place.ts';
import { placeLabels } from '../../src/map/placement.ts';
import { SHEETS } from '../../src/base/sheets.ts';
import { textWidth } from '../../src/map/text-width.ts';

const square: Point[] = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];

describe('polygons', () => {
  it('have area and centre, by hand', () => {
    expect(area(square)).to.equal(100);
    expect(centroid(square)).to.deep.equal([5, 5]);
    expect(
      centroid([
        [0, 0],
        [6, 0],
        [0, 6],
      ]),
    ).to.deep.equal([2, 2]);
  });

  it('are clipped and drawn in', () => {
    expect(area(clip(square, { nx: 1, ny: 0, limit: 4 }))).to.equal(40);
    expect(clip(square, { nx: 1, ny: 0, limit: -1 })).to.deep.equal([]);
    expect(area(inset(square, 2))).to.be.closeTo(36, 1e-6);
    expect(inset(square, 6)).to.deep.equal([]);
  });

  it('know where a box fits', () => {
    const room = roomForBox(halfPlanes(square), 4, 2);
    expect(isInside(room, 2, 1)).to.equal(true);
    expect(isInside(room, 1.9, 1)).to.equal(false);
    expect(isInside(room, 8, 9)).to.equal(true);
  });
});

describe('parcels', () => {
  it('have areas within 2 % of their shares, and cover the land', () => {
    const land = outline(1000, 860, 14);
    const shares = fc.array(fc.integer({ min: 5, max: 100 }), { minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(shares, (given) => {
        const n = given.length;
        const start = given.map((_, i): Point => [
          Math.sqrt(i + 0.5) * Math.cos(i * 2.4),
          Math.sqrt(i + 0.5) * Math.sin(i * 2.4),
        ]);
        const closeness = given.map((_, i) => given.map((_, j) => (i === j ? 0 : ((i * 7 + j * 7) % 5) / 5)));
        const { cells } = partLand(land, spreadOver(land, stressPlaces(closeness, start)), given);
        const whole = area(land);
        const sum = given.reduce((a, b) => a + b, 0);
        expect(cells.reduce((total, cell) => total + area(cell), 0)).to.be.closeTo(whole, whole * 1e-6);
        for (let i = 0; i < n; i++) {
          expect(Math.abs(area(cells[i]) / whole / (given[i] / sum) - 1)).to.be.below(0.02);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('labels', () => {
  it('never overlap and stay in their parcel', () => {
    const parcels: Point[][] = [
      [
        [0, 0],
        [300, 0],
        [300, 200],
        [0, 200],
      ],
      [
        [300, 0],
        [560, 0],
        [420, 260],
      ],
    ];
    const label = fc.record({
      key: fc.string(),
      parcel: fc.nat(1),
      width: fc.integer({ min: 20, max: 110 }),
      height: fc.integer({ min: 14, max: 28 }),
    });
    fc.assert(
      fc.property(fc.array(label, { maxLength: 22 }), fc.nat(50), (labels, seed) => {
        const taken = [{ parcel: 0, x: 150, y: 12, width: 80, height: 16 }];
        const pulls = labels.slice(1).map((_, i) => ({ source: i, target: i + 1, strength: 0.5 }));
        const placed = placeLabels(parcels, labels, pulls, taken, seed);
        const boxes = placed.flatMap((place, i) =>
          place
            ? [
                {
                  parcel: labels[i].parcel,
                  x: place.x,
                  y: place.y,
                  width: labels[i].width * place.scale,
                  height: labels[i].height * place.scale,
                },
              ]
            : [],
        );
        boxes.forEach((box, i) => {
          expect(
            isInside(roomForBox(halfPlanes(parcels[box.parcel]), box.width, box.height), box.x, box.y, 1e-3),
          ).to.equal(true);
          for (const other of [...boxes.slice(i + 1), ...(box.parcel === 0 ? taken : [])])
            expect(overlaps(box, other)).to.equal(false);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('stand on the free place of the grid that is nearest to their wish', () => {
    const parcel: Point[] = [
      [0, 0],
      [200, 0],
      [160, 120],
      [20, 120],
    ];
    const box = fc.record({
      x: fc.integer({ min: 0, max: 200 }),
      y: fc.integer({ min: 0, max: 120 }),
      width: fc.integer({ min: 5, max: 70 }),
      height: fc.integer({ min: 5, max: 30 }),
    });
    fc.assert(
      fc.property(fc.array(box, { maxLength: 8 }), box, (boxes, { x, y, width, height }) => {
        const room = roomForBox(halfPlanes(parcel), width, height);
        // A place on the very border may count as inside or not, by rounding.
        const isFree = (at: Point, border: number): boolean =>
          isInside(room, ...at, border) &&
          !boxes.some((other) => overlaps(other, { x: at[0], y: at[1], width, height }, 3));
        const found = nearestFree({ room, boxes, width, height, wishX: x, wishY: y, parcel });
        const away = ([px, py]: Point): number => (px - x) ** 2 + (py - y) ** 2;
        const nearestWith = (border: number): number => {
          let nearest = isFree([x, y], border) ? 0 : Infinity;
          for (let py = 0; py <= 120; py += Math.max(3, height / 4))
            for (let px = 0; px <= 200; px += Math.max(4, width / 8))
              if (isFree([px, py], border)) nearest = Math.min(nearest, away([px, py]));
          return nearest;
        };
        if (found) expect(isFree(found, 1e-6)).to.equal(true);
        expect(found ? away(found) : Infinity)
          .to.be.at.most(nearestWith(-1e-6))
          .and.at.least(nearestWith(1e-6));
      }),
    );
  });

  it('that are put somewhere stand there, before all others, as long as they are whole in their parcel', () => {
    const parcel: Point[] = [
      [0, 0],
      [400, 0],
      [400, 300],
      [0, 300],
    ];
    const place = fc.record({ x: fc.integer({ min: -50, max: 450 }), y: fc.integer({ min: -50, max: 350 }) });
    fc.assert(
      fc.property(place, fc.nat(20), ({ x, y }, others) => {
        const label = { key: 'a', parcel: 0, width: 60, height: 20 };
        const labels = [
          ...Array.from({ length: others }, (_, i) => ({ ...label, key: `b${i}`, width: 40 + 5 * (i % 9) })),
          { ...label, pin: [x, y] as const },
        ];
        const placed = placeLabels([parcel], labels, [], [], 3);
        const pinned = placed[others];
        const isWhole = x >= 30 && x <= 370 && y >= 10 && y <= 290;
        expect(pinned).to.not.equal(undefined);
        if (isWhole) expect(pinned).to.include({ x, y });
        else if (pinned) expect(Math.hypot(pinned.x - x, pinned.y - y)).to.be.below(130);
      }),
      { numRuns: 60 },
    );
  });

  it('are given up, not piled up, where there is no room', () => {
    const tiny: Point[][] = [
      [
        [0, 0],
        [30, 0],
        [30, 10],
        [0, 10],
      ],
    ];
    const labels = Array.from({ length: 30 }, () => ({ key: 'x', parcel: 0, width: 100, height: 20 }));
    const placed = placeLabels(tiny, labels, [], [], 1);
    expect(placed.filter((place) => place === undefined).length).to.be.above(0);
  });

  it('are as wide as their letters', () => {
    expect(textWidth('iii', 10)).to.be.below(textWidth('mmm', 10));
    expect(textWidth('bus', 20)).to.be.closeTo(2 * textWidth('bus', 10), 1e-6);
    expect(textWidth('夜', 10)).to.equal(10);
  });
});

describe('inks', () => {
  it('can be read on paper: contrast of at least 4.5 to 1', () => {
    const luminance = (colour: string): number => {
      const [r, g, b] = [1, 3, 5].map((at) => {
        const value = parseInt(colour.slice(at, at + 2), 16) / 255;
        return value <= 0.03928 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
      });
      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    for (let i = 0; i < 12; i++) {
      expect((luminance(PAPER) + 0.05) / (luminance(inkOf(String.fromCharCode(65 + i))) + 0.05)).to.be.above(
        4.5,
      );
    }
  });

  it('of two letters differ in colour or hatch', () => {
    expect([indexOfLetter('A'), indexOfLetter('Z'), indexOfLetter('AA')]).to.deep.equal([0, 25, 26]);
    const looks = new Set(
      'ABCDEFGHIJKLMNOPQRSTUVWX'.split('').map((letter) => inkOf(letter) + JSON.stringify(hatchOf(letter))),
    );
    expect(looks.size).to.equal(24);
  });
});

describe('names of parcels', () => {
  const box: Point[] = [
    [0, 0],
    [300, 0],
    [300, 240],
    [0, 240],
  ];

  it('are broken as evenly as their words allow', () => {
    expect(brokenName('A police, camera, screen', 1)).to.deep.equal(['A police, camera, screen']);
    expect(brokenName('A police, camera, screen', 2)).to.deep.equal(['A police,', 'camera, screen']);
    expect(brokenName('A', 3)).to.deep.equal(['A']);
  });

  it('stand at the top, whole in their parcel, in the largest type that leaves room for words', () => {
    for (const text of ['A rain', 'B market square, music venue, late opening', `C ${'x'.repeat(500)}`]) {
      const name = placeName(box, text);
      expect(name.y + name.height / 2, text).to.be.below(130);
      const room = roomForBox(halfPlanes(box), name.width, name.height);
      expect(isInside(room, name.x, name.y), text).to.equal(true);
      // Eleven pixels where the map is shown whole; what does not fit so is cut short.
      expect(name.type, text).to.be.at.least(17);
    }
    expect(placeName(box, 'A rain').type).to.be.above(
      placeName(box, 'B market square, music venue, late opening').type,
    );
  });

  it('stay where they stood as long as they fit', () => {
    const kept = [120, 60, 18, 2] as const;
    expect(placeName(box, 'A rain, wind', kept)).to.include({ x: 120, y: 60, type: 18 });
    expect(placeName(box, 'A rain, wind', [290, 60, 18, 1]).x).to.not.equal(290);
  });

  it('gives up whole words before letters', () => {
    const plot: [number, number][] = [
      [0, 0],
      [120, 0],
      [120, 60],
      [0, 60],
    ];
    const name = placeName(plot, 'A kifimenara, naperonado, tugilosari, wenatolari').lines.join(' ');
    expect(name).to.match(/^A kifimenara(, naperonado)?…$/);
  });

  it('is cut short, of whole letters, where a parcel has no room for any of it', () => {
    const sliver: [number, number][] = [
      [0, 0],
      [0.3, 0],
      [0.3, 0.3],
      [0, 0.3],
    ];
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 40 }), (name) => {
        const { lines, type } = placeName(sliver, `A ${name}`);
        expect(lines).to.have.length(1);
        expect(Array.from(lines[0]).length).to.be.at.most(5);
        expect(lines[0]).to.not.match(/\p{Surrogate}/u);
        expect(type).to.equal(6);
      }),
    );
  });
});

describe('links', () => {
  const word = (x: number, y: number) => ({ x, y, width: 60, height: 20 });
  it('go round a word that is in their way, and are left out where no bow is clear', () => {
    const [a, b] = [word(100, 100), word(400, 100)];
    const straight = routeBetween(a, b, [a, b]);
    const round = routeBetween(a, b, [a, b, word(250, 114)]);
    expect(straight).to.not.equal(undefined);
    expect(round).to.not.deep.equal(straight);
    // From the edge of one to the edge of the other.
    expect(straight?.from[0]).to.be.within(125, 140);
    const wall = Array.from({ length: 40 }, (_, i) => word(250, i * 15 - 200));
    expect(routeBetween(a, b, [a, b, ...wall])).to.equal(undefined);
  });
});

describe('the drawing', () => {
  it('makes text harmless', () => {
    expect(escapeXml('<script>"&\u0001')).to.equal('&lt;script&gt;&quot;&amp;');
    const svg = renderMap(
      { sheet: SHEETS.wide, parcels: [], labels: [], links: [], loose: [], hidden: [], ground: [] },
      '<img onerror=1>',
    );
    expect(svg).to.include('&lt;img').and.not.include('<img');
    expect(svg).to.include('There are no themes to draw.');
  });
});
