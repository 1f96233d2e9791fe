import { expect } from 'chai';
import { decodeHTML } from 'entities';
import fc from 'fast-check';
import { cleaningMarks, cleanText, findEdits } from '../../src/text/cleaning/cleaning.ts';
import { applyEdits, cleanPlaces, originalPlaces, untouched, type Edit } from '../../src/text/offsets.ts';
import { compilePattern, PatternError } from '../../src/text/patterns.ts';
import { tokenPlaces } from '../../src/text/scan.ts';
import {
  CLEANING_KINDS,
  FIRST_STEPS,
  newStep,
  withStep,
  type CleaningAction,
  type CleaningKind,
  type CleaningStep,
} from '../../src/text/cleaning/steps.ts';
import { ONLY_CASE } from '../examples.ts';

/** A list of steps that are on, of what each does. */
const steps = (...actions: CleaningAction[]): CleaningStep[] =>
  actions.map((action, i) => ({ id: `${action.kind}-${i}`, on: true, ...action }));
const replace = (find: string, change: Partial<Extract<CleaningAction, { kind: 'replace' }>> = {}) =>
  ({
    kind: 'replace',
    find,
    isPattern: false,
    wholeWords: false,
    matchCase: true,
    replacement: '',
    ...change,
  }) as const;
/** A step of a kind as it is when it is added. */
const usual = (kind: CleaningKind): CleaningStep => newStep(kind, []);
const cleaned = (text: string, ...list: CleaningStep[]): string => cleanText(text, list).text;

const ALL = [...steps(replace('\\[[a-z ]+\\]', { isPattern: true })), ...FIRST_STEPS];

/** Letters and digits alone, small and without accents, none three times in a row. */
const plain = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toUpperCase()
    .replace(/[^\p{L}\p{N}]/gu, '')
    .replace(/(\p{L})\1+/gu, '$1');

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
        'caf&eacute; &amp; <b>bar</b>',
        'ex-\nample',
        '[00:01:12] ',
        '#NightBus',
        'soooo',
        '“Don’t” … —',
        'naïve\u0301',
        '\ufffd',
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

  it('does what each step says', () => {
    const examples: [CleaningStep[], string, string][] = [
      [
        [usual('tags')],
        '<p class="x">A <b>b</b>us &amp; caf&eacute; &lt;3 &unknown;',
        ' A bus & café <3 &unknown;',
      ],
      [[usual('timestamps')], '[00:01:12] We left at 10:30. 00:02:00 Then', '  We left at 10:30.   Then'],
      [[usual('remarks')], 'So [laughs] I (inaudible) went (by bus).', 'So   I   went (by bus).'],
      [steps({ kind: 'remarks', round: true }), 'So (by bus).', 'So  .'],
      [steps({ kind: 'lines', pattern: '^Page \\d+$' }), 'one\nPage 3\ntwo', 'one\n\ntwo'],
      [
        [usual('hyphens')],
        'The ex-\nample of a night-\nbus. A night-bus.',
        'The example of a night-bus. A night-bus.',
      ],
      [[usual('lineBreaks')], 'one\ntwo\n\nthree', 'one two three'],
      [[usual('addresses')], 'a www.bus.example b', 'a   b'],
      [[usual('handles')], 'ask @bus now', 'ask   now'],
      [steps({ kind: 'handles', keepWord: true }), 'ask @bus now', 'ask bus now'],
      [[usual('hashtags')], 'so #late &#39;', 'so late &#39;'],
      [steps({ kind: 'hashtags', keepWord: false }), 'so #late now', 'so   now'],
      [steps(replace('bus')), 'busy bus', ' y  '],
      [steps(replace('bus', { wholeWords: true, replacement: 'coach' })), 'busy bus', 'busy coach'],
      [steps(replace('BUS', { matchCase: false, replacement: '$1' })), 'a bus', 'a $1'],
      [steps(replace('b.s', { replacement: 'x' })), 'bus b.s', 'bus x'],
      [[usual('typography')], '“Don’t” — ﬁne…', '"Don\'t" - fine...'],
      [[usual('symbols')], 'fine 🚌→ £3', 'fine    3'],
      [steps({ kind: 'symbols', which: 'emoji' }), '🚌 £3', '  £3'],
      [steps({ kind: 'symbols', which: 'symbols' }), '🚌 £3', '🚌  3'],
      [[usual('numbers')], 'N7 at 10pm, 1,200.50 and 4/5/31', 'N7 at  ,   and  '],
      [steps({ kind: 'numbers', inWords: true }), 'N7 at 10pm', 'N  at  pm'],
      [[usual('punctuation')], "It's late-night, (yes)!", "It's late-night   yes "],
      [steps({ kind: 'punctuation', marks: '( )' }), '(yes)!', ' yes !'],
      [[usual('accents')], 'café Ünï ø', 'cafe Uni ø'],
      [[usual('repeats')], 'sooooo good', 'so good'],
      [steps({ kind: 'repeats', keep: 2 }), 'sooooo', 'soo'],
      [[usual('case')], 'The BUS', 'the bus'],
      [[usual('short')], 'I am on the bus', '    the bus'.replace('    ', '      ')],
      [[usual('space')], 'a   b \n\n\n\nc', 'a b\n\nc'],
    ];
    for (const [list, before, after] of examples) {
      expect(cleaned(before, ...list), `${list[0].kind}: ${before}`).to.equal(after);
    }
    expect(new Set(examples.map(([[step]]) => step.kind))).to.deep.equal(new Set(CLEANING_KINDS));
  });

  it('never glues words', () => {
    expect(cleaned('night7bus and night 7 bus', usual('numbers'))).to.equal('night7bus and night   bus');
    expect(cleanText('one@two', steps(replace('@'))).text).to.equal('one two');
  });

  it('leaves everything when all is off', () => {
    const off = CLEANING_KINDS.map((kind) => ({ ...usual(kind), on: false }));
    fc.assert(fc.property(messyText, (text) => cleanText(text, off).text === text));
  });

  it('runs in the order it is given', () => {
    const [remarks, punctuation] = [usual('remarks'), usual('punctuation')];
    expect(cleaned('So [laughs] I', remarks, punctuation)).to.equal('So   I');
    expect(cleaned('So [laughs] I', punctuation, remarks)).to.equal('So  laughs  I');
  });

  it('adds a step where it suits, and keeps ids apart', () => {
    const added = withStep(FIRST_STEPS, usual('tags'));
    expect(added[0].kind).to.equal('tags');
    const twice = withStep(withStep([], usual('replace')), newStep('replace', [usual('replace')]));
    expect(twice.map((step) => step.id)).to.deep.equal(['replace-1', 'replace-2']);
  });

  it('keeps every token on the very characters of the original, whatever steps in whatever order', () => {
    const someSteps = fc.uniqueArray(fc.constantFrom(...CLEANING_KINDS), { maxLength: 8 }).map((kinds) =>
      kinds.map((kind): CleaningStep => {
        const step = usual(kind);
        if (step.kind === 'replace') return { ...step, find: 'bus', replacement: 'coach', matchCase: false };
        return step.kind === 'lines' ? { ...step, pattern: 'laughs' } : step;
      }),
    );
    fc.assert(
      fc.property(messyText, someSteps, (text, list) => {
        const layer = cleanText(text, list);
        let last = 0;
        for (const { form, start, end } of tokenPlaces(layer)) {
          // Places rise and lie in the original, and the token's letters stand there, from the first to the last.
          expect(start).to.be.at.least(last);
          expect(end).to.be.above(start).and.at.most(text.length);
          last = start;
          // A tag that was taken out may stand inside a word, and its letters are none of the word's.
          const raw = text.slice(start, end);
          const tagless = list.some(({ kind }) => kind === 'tags') ? raw.replace(/<\/?b>/g, '') : raw;
          const said = plain(decodeHTML(tagless));
          const token = plain(form.replaceAll('coach', 'bus'));
          const where = JSON.stringify([text, text.slice(start, end), form, list.map((step) => step.kind)]);
          let at = -1;
          for (const letter of token) {
            at = said.indexOf(letter, at + 1);
            expect(at, where).to.be.at.least(0);
          }
          expect(said[0], where).to.equal(token[0]);
          expect(said.at(-1), where).to.equal(token.at(-1));
        }
      }),
      { numRuns: 1000 },
    );
  });

  it('maps copied characters one by one, and what was put in to all it stands for', () => {
    const layer = cleanText('caf&eacute; open', steps({ kind: 'tags' }));
    expect(layer.text).to.equal('café open');
    expect(tokenPlaces(layer)).to.deep.equal([
      { form: 'café', start: 0, end: 11 },
      { form: 'open', start: 12, end: 16 },
    ]);
    const places = cleanPlaces(layer);
    expect([0, 3, 5, 11, 12, 16].map(places)).to.deep.equal([0, 3, 3, 4, 5, 9]);
  });

  it('composes edits: two layers map as one would', () => {
    const texts = fc.string({ minLength: 1, maxLength: 40 });
    const editsOf = (text: string, cuts: number[], replacement: string): Edit[] => {
      const sorted = [...new Set(cuts.map((cut) => cut % (text.length + 1)))].sort((a, b) => a - b);
      const edits: Edit[] = [];
      for (let i = 0; i + 1 < sorted.length; i += 2)
        edits.push({ start: sorted[i], end: sorted[i + 1], replacement });
      return edits;
    };
    const replacements = fc.constantFrom('', '·', '··');
    fc.assert(
      fc.property(
        texts,
        fc.array(fc.nat(100)),
        fc.array(fc.nat(100)),
        replacements,
        replacements,
        (text, first, second, one, two) => {
          const once = applyEdits(untouched(text), editsOf(text, first, one));
          const twice = applyEdits(once, editsOf(once.text, second, two));
          const places = originalPlaces(twice);
          let reached = 0;
          for (let i = 0; i < twice.text.length; i++) {
            const [start, end] = [places.startOf(i), places.endOf(i)];
            expect(start).to.be.at.least(reached);
            reached = start;
            // A character that was copied twice is the original's own.
            if (twice.text[i] !== '·') expect(text.slice(start, end)).to.equal(twice.text[i]);
            else expect(end).to.be.above(start);
          }
        },
      ),
    );
  });

  it('gives edits that are sorted, apart and never empty', () => {
    fc.assert(
      fc.property(messyText, fc.constantFrom(...CLEANING_KINDS), (text, kind) => {
        let last = 0;
        for (const edit of findEdits(text, usual(kind))) {
          expect(edit.start).to.be.at.least(last);
          expect(edit.end).to.be.above(edit.start);
          expect(edit.replacement).not.to.equal(text.slice(edit.start, edit.end));
          last = edit.end;
        }
      }),
    );
  });

  it('marks what each step changes, in places of the original', () => {
    const text = 'The N7 bus, 12 stops, www.bus.example';
    const marks = cleaningMarks(text, FIRST_STEPS);
    const said = marks.map((mark) => [mark.step, text.slice(mark.start, mark.end)]);
    expect(said).to.deep.equal([
      ['case', 'T'],
      ['case', 'N'],
      ['numbers', '12'],
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
    expect(cleanText(text, steps(replace('(a+)+$', { isPattern: true }))).text).to.equal(text);
  });

  it('does not choke on endless runs of anything, in any step', () => {
    for (const kind of CLEANING_KINDS) {
      const step = usual(kind);
      for (const endless of [
        'a',
        '1',
        '1.',
        '<',
        '&',
        '[',
        '(',
        '@',
        '#',
        '-\n',
        ' ',
        '\n',
        'é',
        '🚌',
        '<!--',
        'ab-',
      ]) {
        const text = endless.repeat(100_000) + 'x';
        expect(cleaned(text, step).length, `${kind} of ${JSON.stringify(endless)}`).to.be.above(0);
      }
    }
  }).timeout(30_000);

  it('folds case without moving a place', () => {
    expect(cleanText('İX', ONLY_CASE).text).to.have.length(2);
  });
});
