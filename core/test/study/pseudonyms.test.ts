import { expect } from 'chai';
import fc from 'fast-check';
import { decide } from '../../src/study/decisions.ts';
import { pseudonymFault, renamerOf, type Pseudonyms } from '../../src/study/pseudonyms.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';
import { namesIn } from '../../src/text/capitalised.ts';
import { describeDecision } from '../../src/words/decisions.ts';

/** Names that share words, beginnings and spellings, as those of a family do. */
const NAMES = ['Ada', 'Ada Hale', 'Hale', 'Bo', 'Bo-Ann', 'Mill Hill', 'Åsa', 'Öz', 'Adam', 'constructor'];
const list = fc
  .uniqueArray(fc.constantFrom(...NAMES), { minLength: 1 })
  .map((names): Pseudonyms => Object.fromEntries(names.map((name, i) => [name, `Person ${i + 1}`])));
const said = fc
  .array(
    fc.oneof(
      fc.constantFrom(...NAMES, ...NAMES.map((name) => name.toUpperCase())),
      fc.constantFrom('and', 'Adams', 'boat', '😀', 'x', '.', '’s', '\n', 'עדה'),
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
        const { rename, renamed } = renamerOf(pseudonyms);
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
        const { text: after, placeOf } = renamerOf(pseudonyms).renamed(text);
        expect(placeOf(0, 'start')).to.equal(0);
        expect(placeOf(text.length, 'end')).to.equal(after.length);
        // Words that are no name stand where it says.
        for (const match of text.matchAll(/boat|Adams|😀|עדה/gu)) {
          const [start, end] = [match.index, match.index + match[0].length];
          expect(after.slice(placeOf(start, 'start'), placeOf(end, 'end'))).to.equal(match[0]);
        }
      }),
    );
    const { text, placeOf } = renamerOf({ 'Ada Hale': 'Bea' }).renamed('So Ada Hale said.');
    expect(text).to.equal('So [Bea] said.');
    // A mark on a part of the name goes to all of what stands for it.
    expect(text.slice(placeOf(3, 'start'), placeOf(6, 'end'))).to.equal('[Bea]');
    expect(text.slice(placeOf(7, 'start'), placeOf(11, 'end'))).to.equal('[Bea]');
    expect(text.slice(placeOf(12, 'start'), placeOf(16, 'end'))).to.equal('said');
  });

  it('are of whole words, the longest first, and of labels however they are written', () => {
    const { rename, renameAnyCase } = renamerOf({ Ada: 'Bea', 'Ada Hale': 'Bea Moor', Will: 'Tom' });
    expect(rename('Ada Hale, Ada’s and ADA, Adam, ada hale; will Will?')).to.equal(
      '[Bea Moor], [Bea]’s and [Bea], Adam, [Bea Moor]; will [Tom]?',
    );
    expect(rename('Ada\n Hale')).to.equal('[Bea Moor]');
    expect(renameAnyCase('03-ada-after.txt')).to.equal('03-[Bea]-after.txt');
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
