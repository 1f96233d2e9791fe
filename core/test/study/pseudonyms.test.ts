import { expect } from 'chai';
import fc from 'fast-check';
import { decide } from '../../src/study/decisions.ts';
import {
  likeNames,
  pseudonymFault,
  renamerOf,
  writtenSmall,
  type Pseudonyms,
} from '../../src/study/pseudonyms.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';
import { namesIn } from '../../src/text/words/capitalised.ts';
import { describeDecision } from '../../src/words/decisions.ts';

const outside = (pseudonyms: Pseudonyms, ...capitalNames: string[]) =>
  renamerOf({ pseudonyms, capitalNames });

/** Names that share words, beginnings and spellings, as those of a family do. */
const NAMES = ['Ada', 'Ada Hale', 'Hale', 'Bo', 'Bo-Ann', 'Mill Hill', 'Åsa', 'Öz', 'Adam', 'constructor'];
const list = fc
  .uniqueArray(fc.constantFrom(...NAMES), { minLength: 1 })
  .map((names): Pseudonyms => Object.fromEntries(names.map((name, i) => [name, `Person ${i + 1}`])));
const said = fc
  .array(
    fc.oneof(
      fc.constantFrom(...NAMES, ...NAMES.map((name) => name.toUpperCase())),
      fc.constantFrom('and', 'Damsel', 'boat', '😀', 'x', '.', '’s', '\n', 'עדה'),
    ),
    { maxLength: 30 },
  )
  .map((words) => words.join(' '));
const isIn = (name: string, text: string): boolean =>
  new RegExp(`(?<![\\p{L}\\p{N}])${name}(?![\\p{L}\\p{N}])`, 'u').test(text);

describe('pseudonyms', () => {
  it('leave no listed name in any text, and change nothing else', () => {
    fc.assert(
      fc.property(list, said, (pseudonyms, text) => {
        const { rename, renamed } = outside(pseudonyms);
        const after = rename(text);
        for (const name of Object.keys(pseudonyms)) {
          expect(isIn(name, after), `${name} in ${after}`).to.equal(false);
          expect(isIn(name.toUpperCase(), after), `${name} in ${after}`).to.equal(false);
        }
        expect(renamed(text).text).to.equal(after);
        // What was no name is still there, in its order.
        const rest = after.replace(/\[Person \d+\]/g, '');
        expect(rest.length).to.be.at.most(text.length);
        expect(rename(after)).to.equal(after);
      }),
    );
  });

  it('say where a place of the text has gone', () => {
    fc.assert(
      fc.property(list, said, (pseudonyms, text) => {
        const { text: after, placeOf } = outside(pseudonyms).renamed(text);
        expect(placeOf(0, 'start')).to.equal(0);
        expect(placeOf(text.length, 'end')).to.equal(after.length);
        // Words that are no name stand where it says.
        for (const match of text.matchAll(/boat|Damsel|😀|עדה/gu)) {
          const [start, end] = [match.index, match.index + match[0].length];
          expect(after.slice(placeOf(start, 'start'), placeOf(end, 'end'))).to.equal(match[0]);
        }
      }),
    );
    const { text, placeOf } = outside({ 'Ada Hale': 'Bea' }).renamed('So Ada Hale said.');
    expect(text).to.equal('So [Bea] said.');
    // A mark on a part of the name goes to all of what stands for it.
    expect(text.slice(placeOf(3, 'start'), placeOf(6, 'end'))).to.equal('[Bea]');
    expect(text.slice(placeOf(7, 'start'), placeOf(11, 'end'))).to.equal('[Bea]');
    expect(text.slice(placeOf(12, 'start'), placeOf(16, 'end'))).to.equal('said');
  });

  it('are of whole words, the longest first, with endings, and of labels however they are written', () => {
    const { rename, renameAnyCase } = outside({ Ada: 'Bea', 'Ada Hale': 'Bea Moor', Will: 'Tom' }, 'Will');
    expect(rename('Ada Hale, Ada’s and ADA, Adam, ada hale; will Will?')).to.equal(
      '[Bea Moor], [Bea]’s and [Bea], Adam, [Bea Moor]; will [Tom]?',
    );
    expect(rename('Ada\n Hale')).to.equal('[Bea Moor]');
    expect(renameAnyCase('03-ada-after.txt')).to.equal('03-[Bea]-after.txt');
    expect(renameAnyCase('will-2.txt')).to.equal('[Tom]-2.txt');
    // A part of a longer word is no name.
    expect(rename('the canada of adamant Adamants')).to.equal('the canada of adamant Adamants');
  });

  it('are found however a name is written', () => {
    const forms: Record<string, readonly string[]> = {
      "O'Grendl": [
        'O’Grendl',
        'OʼGrendl',
        'o’grendl',
        'O’GRENDL',
        'O`Grendl',
        'OGrendl',
        'O-Grendl',
        'O’\u00adGrendl',
        'O’Grendls',
        'O’Grendl’s',
        'O’Gren-\ndl',
        'ogrendl@example.org',
        'grendl.o’grendl',
      ],
      José: [
        'Jose\u0301',
        'Jose',
        'JOSÉ',
        'josé',
        'José’s',
        'Josés',
        'Jo\u00adsé',
        'Jo\u200bsé',
        'Jo-\nsé',
        'Jose2.txt',
        'interviewJosé.txt',
        'mrjose@example.org',
        '@jose',
      ],
      Müller: [
        'Mueller',
        'MÜLLER',
        'Muller',
        'Mu\u0308ller',
        'Müllers',
        'Müllern',
        'müller',
        'Müller’sche',
        'Frau_Müller',
        'Müller-Kranz',
      ],
      Großmann: ['Grossmann', 'GROSSMANN', 'GROẞMANN', 'großmann', 'Großmanns', 'Großmannes'],
      'Bo-Ann Hale': [
        'Bo Ann Hale',
        'BoAnn Hale',
        'Bo‑Ann\u00a0Hale',
        'bo-ann hale',
        'Bo–Ann\n  Hale',
        'bo.ann.hale@example.org',
        'BoAnnHale.docx',
        'bo_ann_hale',
      ],
      'St. John': ['St John', 'St.John', 'ST. JOHN', 'St. John’s', 'st-john'],
      Mueller: ['Müller', 'Mueller', 'MUELLER'],
      Søren: ['Soren', 'SØREN', 'Sørens', 'søren'],
      Łukasz: ['Lukasz', 'ŁUKASZ', 'Łukasz’s'],
      Al: ['Al', 'AL', 'Al’s', 'Als', 'al'],
    };
    let tried = 0;
    for (const [name, written] of Object.entries(forms)) {
      const { rename, renameAnyCase, renamed } = outside({ [name]: 'Bea' });
      for (const form of written) {
        for (const [before, after] of [
          ['', ''],
          ['with ', ' today'],
          ['“', '”'],
          ['(', ').'],
          ['d’', ','],
          ['„', '“:'],
        ]) {
          for (const change of [rename, renameAnyCase, (text: string) => renamed(text).text]) {
            const text = change(`${before}${form}${after}`);
            expect(text, `${name} as ${JSON.stringify(form)}`).to.include('[Bea]');
            expect(text.startsWith(before) && text.endsWith(after), text).to.equal(true);
            tried++;
          }
        }
      }
    }
    expect(tried).to.be.above(400);
    // A short one is no part of a word in small letters.
    expect(outside({ Al: 'Bea' }).rename('als ale all malt')).to.equal('als ale all malt');
  });

  it('stand for names on labels that were cut off', () => {
    const { renameAnyCase } = outside({ "O'Grendl": 'Bea', 'Ada Hale': 'Cy' });
    expect(renameAnyCase('the story of O’Gren…')).to.equal('the story of [Bea]');
    expect(renameAnyCase('a long story…')).to.equal('a long story…');
  });

  it('say what still looks like a listed name, and which names are words too', () => {
    const names = {
      pseudonyms: { Grendl: 'Bea', 'Ada Hale': 'Cy Moor', Rose: 'Dee' },
      capitalNames: ['Rose'],
    };
    const texts = [
      'Grendel met Grendl and A. H. at Hale’s. A rose rose for Rose.',
      'Grendel, Cy and Hal again.',
    ];
    expect(likeNames(names, texts).map(({ text, times, name }) => `${text} ${times} ${name}`)).to.deep.equal([
      'Grendel 2 Grendl',
      'A. H. 1 Ada Hale',
      'Hal 1 Ada Hale',
      'Hale’s 1 Ada Hale',
    ]);
    expect([...writtenSmall(names.pseudonyms, texts)]).to.deep.equal([['Rose', 2]]);
    expect(likeNames({ pseudonyms: {}, capitalNames: [] }, texts)).to.deep.equal([]);
  });

  it('are refused where one would give a name away or go round in a circle', () => {
    expect(pseudonymFault('Ada', 'Bea', {})).to.equal(undefined);
    expect(pseudonymFault('Ada', 'Ada Moor', {})).to.match(/still has Ada/);
    expect(pseudonymFault('Ada', 'Bo', { Bo: 'Cy' })).to.match(/Bo is a name on the list/);
    expect(pseudonymFault('Cy', 'Dee', { Bo: 'Cy' })).to.match(/stands for somebody/);
    expect(pseudonymFault('Ada', '<b>', {})).to.match(/letters, digits/);
    expect(pseudonymFault(' ', 'Bea', {})).to.match(/Type the name/);
    // Two who are to be one may be.
    expect(pseudonymFault('Ada', 'Bea', { Eve: 'Bea' })).to.equal(undefined);
    expect(pseudonymFault('Ada', '', { Ada: 'Bea' })).to.equal(undefined);
  });

  it('are decisions that tell no name', () => {
    const decision = { kind: 'setPseudonyms', change: { Ada: ' Bea ', Bo: 'Cy' } } as const;
    expect(describeDecision(decision)).to.equal('give 2 names pseudonyms');
    const given = decide(EMPTY_STUDY, decision);
    expect(given.pseudonyms).to.deep.equal({ Ada: 'Bea', Bo: 'Cy' });
    const back = { kind: 'setPseudonyms', change: { Ada: '' } } as const;
    expect(describeDecision(back)).to.equal('take the pseudonym from 1 name');
    expect(decide(given, back).pseudonyms).to.deep.equal({ Bo: 'Cy' });
    const small = { kind: 'setPseudonyms', change: {}, capital: { Bo: true } } as const;
    expect(describeDecision(small)).to.equal('take a name in small letters for the word it is');
    expect(decide(given, small).capitalNames).to.deep.equal(['Bo']);
    const again = { ...small, capital: { Bo: false } } as const;
    expect(decide(decide(given, small), again).capitalNames).to.deep.equal([]);
  });
});

describe('names in texts', () => {
  it('are words with a capital inside a sentence, once said too; no days, months, or I', () => {
    const texts = [
      'Then I rang Ada Hale on Monday. Ada Hale came with Bo.',
      'We met in May, in Mill Hill, Bo’s part of town. Hale was there.',
    ];
    expect(namesIn(texts)).to.deep.equal([
      { name: 'Ada Hale', mentions: 2, sources: 1 },
      { name: 'Bo', mentions: 2, sources: 2 },
      // After a first name that begins a sentence it stands inside it.
      { name: 'Hale', mentions: 1, sources: 1 },
      { name: 'Mill Hill', mentions: 1, sources: 1 },
    ]);
    expect(namesIn(['', 'Nothing. Here.'])).to.deep.equal([]);
    const old = `He came, And she came with Will. ${'They came and went and will. '.repeat(6)}`;
    // And is a word twelve times for once; Will is a word six times, and may be somebody.
    expect(namesIn([old]).map(({ name }) => name)).to.deep.equal(['Will']);
  });
});
