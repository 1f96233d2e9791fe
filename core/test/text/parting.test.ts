import { expect } from 'chai';
import fc from 'fast-check';
import { findBoundaries } from '../../src/text/boundaries.ts';
import { originalPlaces } from '../../src/text/offsets.ts';
import { otherPieces, readPart, tidyPieces, turnsOf } from '../../src/text/reading-part.ts';
import { usualRole } from '../../src/text/speakers.ts';
import { splitText, type SplitRule } from '../../src/text/splitting.ts';
import { repeatedLines, trimmedPieces, type TrimRule } from '../../src/text/trimming.ts';

const BOOK = 'A title\n\n# One\nFirst words. More.\n\n# Two\nSecond words.\n\n# Three\n\nThird words.\n';
const names = (text: string, rule: SplitRule): string[] => splitText(text, rule).map(({ name }) => name);
const cut = (text: string, rule: TrimRule): string =>
  otherPieces(trimmedPieces(text, rule), text.length)
    .map(([start, end]) => text.slice(start, end))
    .join('');

describe('splitting', () => {
  it('goes by headings, in Markdown, numbered, in capitals, or alone on their line', () => {
    expect(names(BOOK, { kind: 'headings', keepBefore: true })).to.deep.equal([
      'before the first heading',
      'One',
      'Two',
      'Three',
    ]);
    const sections = splitText(BOOK, { kind: 'headings', keepBefore: false });
    expect(
      sections.map(({ start, end, words }) => [BOOK.slice(start, end).trim().split('\n')[0], words]),
    ).to.deep.equal([
      ['# One', 4],
      ['# Two', 3],
      ['# Three', 3],
    ]);
    expect(
      names('Chapter 1 Rain\nx y.\nChapter 2 Wind\nz.', { kind: 'headings', keepBefore: true }),
    ).to.deep.equal(['Chapter 1 Rain', 'Chapter 2 Wind']);
    expect(names('MONDAY\nwords.\nTUESDAY\nmore.', { kind: 'headings', keepBefore: true })).to.deep.equal([
      'MONDAY',
      'TUESDAY',
    ]);
    expect(
      names('Rain\n\nwords here.\n\nWind\n\nmore.', { kind: 'headings', keepBefore: true }),
    ).to.deep.equal(['Rain', 'Wind']);
    expect(splitText('No headings. At all.', { kind: 'headings', keepBefore: true })).to.have.length(1);
  });

  it('goes by a word at a line’s start, a pattern, a separator, blank lines, or so many words', () => {
    const diary = 'Day one\na.\nDays pass\nDay two\nb.';
    expect(names(diary, { kind: 'lineStart', word: 'day', keepBefore: true })).to.deep.equal([
      'Day one',
      'Day two',
    ]);
    expect(names(diary, { kind: 'pattern', pattern: '^Day', keepBefore: true })).to.have.length(3);
    expect(() => splitText(diary, { kind: 'pattern', pattern: '(', keepBefore: true })).to.throw(
      /can’t be read/,
    );
    expect(
      splitText('a\n---\nb\n --- \n\n---\nc', { kind: 'separator', separator: '---' }).map(
        ({ opening }) => opening,
      ),
    ).to.deep.equal(['a', 'b', 'c']);
    expect(
      splitText('a\n\nb\n\n\nc', { kind: 'blankLines', lines: 2 }).map(({ opening }) => opening),
    ).to.deep.equal(['a b', 'c']);
    expect(
      splitText('One two three. Four five. Six seven eight nine. Ten.', { kind: 'words', words: 4 }).map(
        ({ words }) => words,
      ),
    ).to.deep.equal([5, 4, 1]);
  });

  it('loses and doubles nothing but what is between the parts', () => {
    const rules: SplitRule[] = [
      { kind: 'headings', keepBefore: true },
      { kind: 'lineStart', word: 'a', keepBefore: true },
      { kind: 'separator', separator: '#' },
      { kind: 'blankLines', lines: 1 },
      { kind: 'words', words: 2 },
    ];
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('a b. ', '\n', '\n\n', '# x\n', '#\n', 'Ünï 夜 ', 'END\n'), {
          maxLength: 25,
        }),
        fc.constantFrom(...rules),
        (pieces, rule) => {
          const text = pieces.join('');
          let at = 0;
          let kept = '';
          for (const { start, end } of splitText(text, rule)) {
            expect(start).to.be.at.least(at);
            expect(end).to.be.above(start);
            at = end;
            kept += text.slice(start, end);
          }
          const letters = (given: string) => given.replace(/[\s#]/g, '');
          expect(letters(kept)).to.equal(letters(text));
        },
      ),
    );
  });
});

describe('trimming', () => {
  const text = 'Licence\nHead\nSTART here\nwords\nmore words\nEND\nImprint';
  it('cuts before and after a text, with its line or without', () => {
    expect(cut(text, { kind: 'mark', side: 'before', text: 'START', inclusive: false })).to.match(
      /^START here\nwords/,
    );
    expect(cut(text, { kind: 'mark', side: 'before', text: 'START', inclusive: true })).to.match(/^words/);
    expect(cut(text, { kind: 'mark', side: 'after', text: 'END', inclusive: false })).to.match(/END\n$/);
    expect(cut(text, { kind: 'mark', side: 'after', text: 'END', inclusive: true })).to.match(
      /more words\n$/,
    );
    expect(
      trimmedPieces(text, { kind: 'mark', side: 'after', text: 'nowhere', inclusive: true }),
    ).to.deep.equal([]);
    expect(trimmedPieces(text, { kind: 'mark', side: 'after', text: '', inclusive: true })).to.deep.equal([]);
  });

  it('cuts at a place, first and last lines, and lines that are listed whatever their numbers', () => {
    expect(cut(text, { kind: 'place', side: 'before', at: 8 })).to.match(/^Head/);
    expect(cut(text, { kind: 'lines', side: 'first', count: 2 })).to.match(/^START/);
    expect(cut(`${text}\n\n`, { kind: 'lines', side: 'last', count: 2 })).to.match(/more words$/);
    expect(cut(text, { kind: 'lines', side: 'first', count: 99 })).to.equal('');
    expect(cut('Page 1 of 9\na\npage 2  of 9\nb', { kind: 'repeated', lines: ['Page 7 of 9'] })).to.equal(
      'a\nb',
    );
  });

  it('finds lines that come back over sources', () => {
    const found = repeatedLines([
      'Study T1, page 1\na b c d',
      'Study T1, page 2\nother',
      'none',
      'Study T1, page 3\nx y',
    ]);
    expect(found).to.deep.equal([{ line: 'Study T1, page 1', sources: 3, times: 3 }]);
    expect(repeatedLines(['once only', 'never again'])).to.deep.equal([]);
  });
});

describe('parts of a text that are read', () => {
  it('are tidy: sorted, apart, inside', () => {
    expect(
      tidyPieces(
        [
          [5, 9],
          [0, 2],
          [8, 12],
          [3, 3],
          [-4, 1],
          [20, 40],
        ],
        30,
      ),
    ).to.deep.equal([
      [0, 2],
      [5, 12],
      [20, 30],
    ]);
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(40), fc.nat(40))), (pieces) => {
        const inside = (list: readonly (readonly [number, number])[]) => {
          const held = new Set<number>();
          for (const [start, end] of list) for (let i = start; i < end; i++) held.add(i);
          return held;
        };
        const [within, without] = [inside(tidyPieces(pieces, 30)), inside(otherPieces(pieces, 30))];
        for (let i = 0; i < 30; i++) expect(within.has(i)).to.equal(!without.has(i));
      }),
    );
  });

  it('leave out cuts and speakers, and keep the way back', () => {
    const original = 'A: one\nB: two\nA: three\nB: four\n';
    const bounds = findBoundaries(original);
    expect(turnsOf(bounds, original.length, (label) => label === 'B')).to.deep.equal([
      [7, 14],
      [23, original.length],
    ]);
    const layer = readPart({ original, cuts: [[3, 6]] }, bounds, new Set(['B']));
    expect(layer.text.replace(/\s+/g, ' ').trim()).to.equal('A: A: three');
    const at = layer.text.indexOf('three');
    const places = originalPlaces(layer);
    expect(original.slice(places.startOf(at), places.endOf(at + 4))).to.equal('three');
  });

  it('know the usual labels of those who ask', () => {
    expect(['Interviewer', 'INT', 'q', 'Moderator'].map(usualRole)).to.deep.equal(
      Array(4).fill('interviewer'),
    );
    expect(['Respondent 3', 'P12', 'Interviewee'].map(usualRole)).to.deep.equal(Array(3).fill('respondent'));
    // In the languages whose words are known, however accents are composed.
    const others = [
      'Interviewerin',
      'Enquêteur',
      'enque\u0302teur',
      'Entrevistadora',
      'INTERVISTATRICE',
      'Interviewerin 2',
    ];
    expect(others.map(usualRole)).to.deep.equal(Array(6).fill('interviewer'));
    expect(['Befragte', 'Entrevistado', 'R-4'].map(usualRole)).to.deep.equal(Array(3).fill('respondent'));
    for (const label of ['constructor', 'Fahrerin', 'Interviewer X'])
      expect(usualRole(label)).to.equal(undefined);
    expect(usualRole('Driver')).to.equal(undefined);
  });
});
