import { expect } from 'chai';
import fc from 'fast-check';
import {
  cleaningMarks,
  cleanText,
  compilePattern,
  PatternError,
  type CleaningSettings,
} from '../../src/text/cleaning.ts';
import { applyEdits, originalPlaces, untouched, type Edit } from '../../src/text/offsets.ts';
import { tokenPlaces } from '../../src/text/scan.ts';
import { NO_CLEANING } from '../examples.ts';

const ALL: CleaningSettings = {
  addresses: true,
  pattern: true,
  ownPattern: '\\[[a-z ]+\\]',
  digits: true,
  foldCase: true,
};

/** Text as it comes: any script, emoji, addresses, digits, line ends. */
const messyText = fc
  .array(
    fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 8 }),
      fc.constantFrom(
        'Bus 42',
        ' https://a.example/x?y=1 ',
        '@night_bus',
        ' [laughs] ',
        '\n\n',
        'İstanbul',
        '10pm',
        ' me@place.example.',
        '🚌',
        'ﬁ',
        '夜のバス',
        'Ω',
      ),
    ),
    { maxLength: 20 },
  )
  .map((parts) => parts.join(''));

describe('cleaning', () => {
  it('takes out addresses, handles, numbers and an own pattern, and folds case', () => {
    const original =
      'See https://bus.example/n1, or ask @larkbus or Me@Depot.example. [laughs] 42 fares at 10pm, 2nd stop.';
    expect(cleanText(original, ALL).text.replace(/\s+/g, ' ')).to.equal('see , or ask or . fares at , stop.');
  });

  it('never glues words', () => {
    expect(cleanText('night7bus and night 7 bus', { ...NO_CLEANING, digits: true }).text).to.equal(
      'night7bus and night   bus',
    );
    expect(cleanText('one@two', { ...NO_CLEANING, pattern: true, ownPattern: '@' }).text).to.equal('one two');
  });

  it('leaves everything when all is off', () => {
    const off = { ...NO_CLEANING, foldCase: false };
    fc.assert(fc.property(messyText, (text) => cleanText(text, off).text === text));
  });

  it('keeps every token on the very characters of the original', () => {
    fc.assert(
      fc.property(
        messyText,
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (text, addresses, pattern, digits, fold) => {
          const layer = cleanText(text, { ...ALL, addresses, pattern, digits, foldCase: fold });
          const clean = tokenPlaces(layer, (place) => place);
          const places = tokenPlaces(layer, originalPlaces(layer));
          places.forEach(([start, end], i) => {
            const form = layer.text.slice(clean[i][0], clean[i][1]);
            const said = text.slice(start, end);
            expect(fold ? cleanText(said, { ...NO_CLEANING }).text : said).to.equal(form);
          });
        },
      ),
      { numRuns: 300 },
    );
  });

  it('composes edits: two layers map as one would', () => {
    const texts = fc.string({ minLength: 1, maxLength: 40 });
    const editsOf = (text: string, cuts: number[]): Edit[] => {
      const sorted = [...new Set(cuts.map((cut) => cut % (text.length + 1)))].sort((a, b) => a - b);
      const edits: Edit[] = [];
      for (let i = 0; i + 1 < sorted.length; i += 2)
        edits.push({ start: sorted[i], end: sorted[i + 1], replacement: '·' });
      return edits;
    };
    fc.assert(
      fc.property(texts, fc.array(fc.nat(100)), fc.array(fc.nat(100)), (text, first, second) => {
        const once = applyEdits(untouched(text), editsOf(text, first));
        const twice = applyEdits(once, editsOf(once.text, second));
        for (let r = 0; r < twice.length.length; r++) {
          expect(twice.text.slice(twice.cleanStart[r], twice.cleanStart[r] + twice.length[r])).to.equal(
            text.slice(twice.originalStart[r], twice.originalStart[r] + twice.length[r]),
          );
        }
      }),
    );
  });

  it('marks what each step changes, in places of the original', () => {
    const text = 'The N7 bus, 12 stops, www.bus.example';
    const marks = cleaningMarks(text, { ...ALL, pattern: false });
    const said = marks.map((mark) => [mark.step, text.slice(mark.start, mark.end)]);
    expect(said).to.deep.equal([
      ['foldCase', 'T'],
      ['foldCase', 'N'],
      ['digits', '12'],
      ['addresses', 'www.bus.example'],
    ]);
  });

  it('says what is wrong with a pattern', () => {
    expect(() => compilePattern('(unclosed')).to.throw(PatternError, /can’t be read/);
    expect(() => compilePattern('(?=ahead)')).to.throw(PatternError, /Look-around/);
    expect(() => compilePattern('x'.repeat(501))).to.throw(PatternError, /longer than 500/);
  });

  it('is done in a moment with a pattern that backtracks without end elsewhere', () => {
    const text = 'a'.repeat(20_000) + '!';
    const cleaned = cleanText(text, { ...NO_CLEANING, pattern: true, ownPattern: '(a+)+$' });
    expect(cleaned.text).to.equal(text);
  });

  it('does not choke on one endless word with an @, or endless digits', () => {
    expect(cleanText('a'.repeat(300_000) + '@', ALL).text).to.have.length(300_001);
    expect(cleanText('1'.repeat(300_000) + 'x', ALL).text).to.have.length(300_001);
    expect(cleanText('1.'.repeat(100_000) + 'x', ALL).text.length).to.be.above(0);
  });
});
