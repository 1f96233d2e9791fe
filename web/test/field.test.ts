import { expect } from 'chai';
import fc from 'fast-check';
import { overlaps } from '@green-thicket/core/map/free-place';
import { FIGURES } from '@green-thicket/core/words/figure-sentences';
import { FIGURE_FACES, scaleOf, type FiguredRow } from '../src/stops/concepts/figures.ts';
import { heightOf, placeWords, sizeOfField } from '../src/stops/concepts/place-words.ts';
import { boxOf, wordsIn, wordUnder } from '../src/stops/concepts/use-field-hold.ts';

const row = (key: string, change: Partial<FiguredRow> = {}): FiguredRow => ({
  key,
  label: key,
  written: key,
  part: 'noun',
  mentions: 10,
  sources: 5,
  spread: 0.5,
  pull: 0.2,
  windowShare: 0.1,
  tfIdf: 12,
  score: 1,
  status: 'chosen',
  variants: [],
  shorter: [],
  ...change,
});

describe('the axes of the field', () => {
  it('go from the least to the most, and back to the figure', () => {
    const value = fc.double({ min: 1, max: 1e4, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...FIGURES),
        fc.array(value, { minLength: 2, maxLength: 20 }),
        (figure, values) => {
          const scale = scaleOf(figure, values);
          for (const each of values) {
            const at = scale.at(each);
            expect(at).to.be.within(-1e-9, 1 + 1e-9);
            expect(scale.value(at)).to.be.closeTo(each, 1e-6 * each + 1e-6);
          }
          const sorted = [...values].sort((a, b) => a - b);
          for (let i = 1; i < sorted.length; i++) {
            expect(scale.at(sorted[i])).to.be.at.least(scale.at(sorted[i - 1]) - 1e-12);
          }
        },
      ),
    );
  });

  it('show each figure as it is written', () => {
    const shown = (figure: (typeof FIGURES)[number]): string => FIGURE_FACES[figure].show(row('bus'));
    expect(FIGURES.map(shown)).to.deep.equal(['10', '5', '10.0 %', '0.50', '0.20', '12.0', '…', '–']);
    const used = row('bus', {
      use: { group: 'drivers', against: 'the rest', z: 2.345, here: 3, elsewhere: 1 },
    });
    expect(FIGURE_FACES.distinct.show(used)).to.equal('2.3');
    expect(FIGURE_FACES.distinct.of(used)).to.equal(2.345);
  });
});

const FIELD = sizeOfField(680, 470);

describe('the words of the field', () => {
  const rows = fc.array(
    fc.record({
      mentions: fc.integer({ min: 1, max: 500 }),
      sources: fc.integer({ min: 1, max: 40 }),
      pull: fc.double({ min: 0, max: 2, noNaN: true }),
      letters: fc.integer({ min: 2, max: 18 }),
    }),
    { minLength: 1, maxLength: 80 },
  );

  it('never overlap and never leave the field, whatever their figures', () => {
    fc.assert(
      fc.property(rows, (figures) => {
        const { words } = placeWords(
          figures.map(({ letters, ...change }, i) => row(`${'n'.repeat(letters)}${i}`, change)),
          { across: 'sources', up: 'pull' },
          FIELD,
        );
        for (const [i, word] of words.entries()) {
          expect(word.x - word.width / 2).to.be.at.least(FIELD.left - 1e-6);
          expect(word.x + word.width / 2).to.be.at.most(FIELD.width + 1e-6);
          expect(word.y - word.height / 2).to.be.at.least(-1e-6);
          expect(word.y + word.height / 2).to.be.at.most(FIELD.height - FIELD.bottom + 1e-6);
          for (const other of words.slice(0, i)) expect(overlaps(word, other, 0)).to.equal(false);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('stand where their figures say where there is room', () => {
    const field = placeWords(
      [row('high', { pull: 1, sources: 40 }), row('low', { pull: 0.01, sources: 2 })],
      { across: 'sources', up: 'pull' },
      FIELD,
    );
    const [high, low] = field.words;
    expect(high.y).to.be.below(low.y);
    expect(high.x).to.be.above(low.x);
    // The line of a pull has above it what has more.
    expect(heightOf(field, 0.5)).to.be.within(high.y, low.y);
    expect(heightOf(field, 0)).to.equal(FIELD.height - FIELD.bottom);
  });
});

describe('a field of more concepts than it has room for', () => {
  const many = Array.from({ length: 160 }, (_, i) =>
    row(`word${i}`, { sources: 2 + (i % 30), pull: (i % 17) / 20 }),
  );

  it('says how many are missing; one that is large has nearly all', () => {
    const shown = (width: number, height: number) =>
      placeWords(many, { across: 'sources', up: 'pull' }, sizeOfField(width, height));
    const small = shown(400, 200);
    expect(small.missing).to.equal(160 - small.words.length);
    expect(small.missing).to.be.above(20);
    expect(shown(1250, 620).missing).to.be.below(5);
  });
});

describe('what is held in the field of words', () => {
  const word = (key: string, x: number, y: number) => ({
    row: row(key),
    type: 12,
    ...{ x, y, width: 40, height: 14 },
  });
  const words = [word('rain', 100, 100), word('bus', 200, 100), word('wage', 100, 300)];
  const keys = (found: readonly { row: FiguredRow }[]): string[] => found.map((each) => each.row.key);

  it('is a frame, whichever corner it was begun at, with the words it touches', () => {
    const frame = { what: 'frame', moved: true } as const;
    const down = boxOf({ ...frame, fromX: 70, fromY: 80, x: 181, y: 120 });
    expect(down).to.deep.equal({ x: 70, y: 80, width: 111, height: 40 });
    expect(boxOf({ ...frame, fromX: 181, fromY: 120, x: 70, y: 80 })).to.deep.equal(down);
    expect(keys(wordsIn(down, words))).to.deep.equal(['rain', 'bus']);
    expect(keys(wordsIn({ ...down, width: 100 }, words)), 'an edge alone is no touch').to.deep.equal([
      'rain',
    ]);
  });

  it('is a word, dropped on the one it is over and never on itself', () => {
    const held = { what: 'word', key: 'wage', moved: true } as const;
    expect(wordUnder({ ...held, x: 110, y: 104 }, words)?.row.key).to.equal('rain');
    expect(wordUnder({ ...held, x: 100, y: 300 }, words)).to.equal(undefined);
    expect(wordUnder({ ...held, x: 121, y: 100 }, words), 'beside its box').to.equal(undefined);
  });
});
