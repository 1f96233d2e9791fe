import { expect } from 'chai';
import fc from 'fast-check';
import { finish } from '../../src/base/stepwise.ts';
import {
  columnsOfTokens,
  namesOfTokens,
  TokenNumbering,
  tokensOfColumns,
  type TokenColumns,
} from '../../src/text/token-columns.ts';
import { joinTokens } from '../../src/text/reading-in-parts.ts';
import { readTokens, type Tokens } from '../../src/text/tokens.ts';
import { ONLY_CASE, textsOf } from '../examples.ts';

const tokensOf = (texts: readonly string[]): Tokens => finish(readTokens(textsOf(...texts), ONLY_CASE));

/** Columns of several sources in a row. */
function inARow(columns: readonly TokenColumns[]): TokenColumns {
  const joined = (of: (each: TokenColumns) => Int32Array): Int32Array =>
    Int32Array.from(columns.flatMap((each) => Array.from(of(each))));
  return {
    type: joined(({ type }) => type),
    start: joined(({ start }) => start),
    end: joined(({ end }) => end),
    joined: joined((each) => each.joined),
    paragraph: joined(({ paragraph }) => paragraph),
    turn: joined(({ turn }) => turn),
    speaker: joined(({ speaker }) => speaker),
    sentenceStart: joined(({ sentenceStart }) => sentenceStart),
    sentenceEnd: joined(({ sentenceEnd }) => sentenceEnd),
    words: joined(({ words }) => words),
  };
}

/** The tokens of texts that are read in parts and put together. */
function readInParts(parts: readonly (readonly string[])[]): Tokens {
  const numbering = new TokenNumbering();
  const columns = parts.flatMap((texts) => {
    const tokens = tokensOf(texts);
    return columnsOfTokens(tokens).map(numbering.part(namesOfTokens(tokens)));
  });
  return tokensOfColumns(
    inARow(columns),
    numbering.names,
    columns.map(({ words }) => words.length),
  );
}

const PIECES = [
  'Asha: The bus was late. ',
  'Ben: Late again, the night bus!\n\n',
  'Buses wait; nobody waits.\n',
  'constructor __proto__ ',
  '🙂 12 of 40, e\u0301te\u0301. ',
  '\n\nAsha: ',
  '',
];

describe('the tokens of a collection that is read in parts', () => {
  it('are those of the collection in one piece, wherever it is parted', () => {
    const text = fc.array(fc.constantFrom(...PIECES), { maxLength: 8 }).map((pieces) => pieces.join(''));
    fc.assert(
      fc.property(fc.array(fc.array(text, { maxLength: 3 }), { maxLength: 5 }), (parts) => {
        expect(readInParts(parts)).to.deep.equal(tokensOf(parts.flat()));
      }),
    );
  });

  it('are those of its parts in a row', () => {
    const text = fc.array(fc.constantFrom(...PIECES), { maxLength: 8 }).map((pieces) => pieces.join(''));
    fc.assert(
      fc.property(
        fc.array(fc.array(text, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 5 }),
        (parts) => {
          expect(joinTokens(parts.map(tokensOf))).to.deep.equal(tokensOf(parts.flat()));
        },
      ),
    );
  });

  it('number speakers and types by where they are met first', () => {
    const tokens = readInParts([
      ['Ben: Rain came.\n\nCleo: Rain stayed.\n\nBen: Rain went.'],
      ['Asha: Wind came.\n\nBen: Rain and wind.\n\nAsha: Wind.'],
    ]);
    expect(tokens.speakers).to.deep.equal(['Ben', 'Cleo', 'Asha']);
    expect(tokens.forms.filter((form) => form !== '.')).to.deep.equal([
      'rain',
      'came',
      'stayed',
      'went',
      'wind',
      'and',
    ]);
    expect(tokens.mentionsOf[tokens.forms.indexOf('wind')]).to.equal(3);
  });
});
