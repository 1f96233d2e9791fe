import { expect } from 'chai';
import fc from 'fast-check';
import { findSpecials } from '../../src/text/addresses.ts';
import { findEdits } from '../../src/text/cleaning/cleaning.ts';
import { newStep, type CleaningStep } from '../../src/text/cleaning/steps.ts';

/** What addresses, handles and hashtags are, as one pattern tried at every place: slow, and plain to read. */
const SPECIAL =
  /(?:https?:\/\/|www\.)[^\s<>"”)\]]*[^\s<>"”)\].,;:!?]|(?<![\p{L}\p{N}_%+.-])[\p{L}\p{N}_%+-]{1,64}(?:\.[\p{L}\p{N}_%+-]{1,64}){0,8}@[\p{L}\p{N}-]{1,64}(?:\.[\p{L}\p{N}-]{1,64}){1,8}|(?<![\p{L}\p{N}])[@#][\p{L}\p{N}_]+/gu;

const pieces = fc
  .array(
    fc.oneof(
      fc.constantFrom(
        '@',
        '#',
        '.',
        '-',
        ' ',
        'a',
        'bus',
        'é',
        '7',
        '_',
        'www.',
        'https://',
        'x.example',
        '/p?q=1',
        ',',
        '夜',
        '𝒶',
        '%',
        ')',
        '\n',
      ),
      fc.string({ unit: 'grapheme', maxLength: 3 }),
    ),
    { maxLength: 14 },
  )
  .map((parts) => parts.join(''));

describe('addresses, handles and hashtags', () => {
  it('are found where they are', () => {
    const text =
      'See https://bus.example/n1?x=2, www.bus.example. Mail a.b-c@depot.example! @larkbus #night_bus a@b no.';
    expect(
      findSpecials(text).map(({ start, end, kind }) => `${kind} ${text.slice(start, end)}`),
    ).to.deep.equal([
      'address https://bus.example/n1?x=2',
      'address www.bus.example',
      'address a.b-c@depot.example',
      'handle @larkbus',
      'hashtag #night_bus',
    ]);
    expect(findSpecials('nothing here')).to.deep.equal([]);
  });

  it('are the same as the pattern finds at every place', () => {
    fc.assert(
      fc.property(pieces, (text) => {
        const expected = Array.from(text.matchAll(SPECIAL), (match) => [
          match.index,
          match.index + match[0].length,
        ]);
        expect(
          findSpecials(text).map(({ start, end }) => [start, end]),
          text,
        ).to.deep.equal(expected);
      }),
      { numRuns: 3000 },
    );
  });
});

describe('steps that look only where they must', () => {
  /** The same steps as patterns tried at every place. */
  const PLAIN: [CleaningStep, RegExp][] = [
    [
      newStep('numbers', []),
      /(?<![\p{L}\p{Nd}])\p{Nd}+(?:[.,:/]\p{Nd}{1,40}){0,8}(?:st|nd|rd|th|am|pm|s)?(?![\p{L}\p{Nd}])/giu,
    ],
    [newStep('punctuation', []), /(?:(?!(?<=[\p{L}\p{N}])['’\-‐‑](?=[\p{L}\p{N}]))\p{P})+/gu],
    [newStep('repeats', []), /(\p{L})\1{2,}/giu],
    [newStep('short', []), /(?<![\p{L}\p{M}\p{N}'’-])\p{L}{1,2}(?![\p{L}\p{M}\p{N}'’-])/gu],
    [newStep('hyphens', []), /(?<=\p{L})[-‐\u00ad][ \t]*\n[ \t]*(?=\p{Ll})|\u00ad/gu],
  ];
  const text = fc
    .array(
      fc.constantFrom(
        'a',
        'A',
        'aa',
        'bus',
        'é',
        '7',
        '10',
        '.',
        ',',
        "'",
        '’',
        '-',
        ' ',
        '\n',
        '!',
        '(',
        'pm',
        'th',
        '夜',
        '\u00ad',
        'oooo',
        'Ss',
        ':',
        '/',
      ),
      { maxLength: 16 },
    )
    .map((parts) => parts.join(''));
  for (const [step, pattern] of PLAIN) {
    it(`find what their pattern finds: ${step.kind}`, () => {
      fc.assert(
        fc.property(text, (given) => {
          const expected = Array.from(given.matchAll(pattern), (match) => [
            match.index,
            match.index + match[0].length,
          ]);
          const found = findEdits(given, step).map(({ start, end }) => [start, end]);
          expect(found, JSON.stringify(given)).to.deep.equal(expected);
        }),
        { numRuns: 2000 },
      );
    });
  }
});
