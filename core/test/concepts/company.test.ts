import { expect } from 'chai';
import fc from 'fast-check';
import { companyContexts, companyOfCandidates, pullOfCandidates } from '../../src/concepts/pull.ts';
import { tokensOf } from '../examples.ts';

/** Words of an alphabet of the given size, in sentences and paragraphs. */
const collections = (letters: string): fc.Arbitrary<string[]> => {
  const word = fc.constantFrom(...letters).map((letter) => `${letter}${letter}`);
  const sentence = fc.array(word, { minLength: 1, maxLength: 6 }).map((words) => `${words.join(' ')}.`);
  const paragraph = fc.array(sentence, { minLength: 1, maxLength: 7 }).map((each) => each.join(' '));
  const text = fc.array(paragraph, { minLength: 1, maxLength: 3 }).map((each) => each.join('\n\n'));
  return fc.array(text, { minLength: 1, maxLength: 3 });
};

/** Every word a candidate, numbered by falling mentions. */
function candidatesOf(texts: readonly string[]) {
  const tokens = tokensOf(...texts);
  const order = tokens.forms
    .map((_, type) => type)
    .sort((a, b) => tokens.mentionsOf[b] - tokens.mentionsOf[a] || a - b);
  const occurrence = tokens.type.map((type) => order.indexOf(type));
  const first = tokens.type.map((_, token) => token);
  const mentions = Int32Array.from(order, (type) => tokens.mentionsOf[type]);
  return { tokens, occurrence, first, mentions };
}

describe('contexts of company', () => {
  const beginnings = (...texts: string[]): string[] => {
    const tokens = tokensOf(...texts);
    return [...companyContexts(tokens)].map((token) => tokens.forms[tokens.type[token]] ?? '');
  };
  const TALK = 'One a. Two a. Three a. Four a. Five a. Six a. Seven a.';

  it('are six sentences of one paragraph where there is little text, fewer at its end', () => {
    expect(beginnings(`${TALK}\n\nEight a.`, 'Nine a. Ten a.')).to.deep.equal([
      'one',
      'seven',
      'eight',
      'nine',
      '',
    ]);
  });

  it('are three sentences of it where there is more', () => {
    expect(beginnings(TALK, 'so '.repeat(15_000))).to.deep.equal(['one', 'four', 'seven', 'so', '']);
  });

  it('are none where nothing was said', () => {
    expect([...companyContexts(tokensOf(''))]).to.deep.equal([0]);
  });
});

describe('company', () => {
  it('is what pairing off every two mentions of a context gives', () => {
    fc.assert(
      fc.property(collections('abcdefghijkl'), (texts) => {
        const { tokens, occurrence, first, mentions } = candidatesOf(texts);
        const contexts = companyContexts(tokens);
        const { references, judged, shared } = companyOfCandidates(contexts, occurrence, first, mentions);
        expect(references).to.equal(mentions.length);
        expect(judged).to.equal(mentions.filter((each) => each >= 3).length);
        const contextOf = (token: number): number => contexts.findLastIndex((start) => start <= token);
        const expected = new Float64Array(references * judged);
        for (let a = 0; a < occurrence.length; a++) {
          for (let b = 0; b < occurrence.length; b++) {
            const [reference, candidate] = [occurrence[a], occurrence[b]];
            if (reference === candidate || candidate >= judged) continue;
            if (contextOf(first[a]) === contextOf(first[b])) expected[reference * judged + candidate]++;
          }
        }
        expect([...shared]).to.deep.equal([...expected]);
      }),
      { numRuns: 60 },
    );
  });

  it('is judged by the hundred most mentioned', () => {
    const words = Array.from(
      { length: 130 },
      (_, i) => `w${String.fromCharCode(97 + (i % 26))}${Math.floor(i / 26)}x`,
    );
    const { tokens, occurrence, first, mentions } = candidatesOf([
      `${words.join(' ')}. ${words.join(' ')}. ${words.slice(0, 120).join(' ')}.`,
    ]);
    const company = companyOfCandidates(companyContexts(tokens), occurrence, first, mentions);
    expect(company.references).to.equal(100);
    expect(company.judged).to.equal(120);
    // Three mentions of each in one context: nine pairs of two different words, none of a word with itself.
    expect(company.shared[5]).to.equal(9);
    expect(company.shared[99 * 120 + 110]).to.equal(9);
    expect(company.shared[7 * 120 + 7]).to.equal(0);
  });
});

describe('pull', () => {
  it('is the divergence of the company from the usual, less what chance gives', () => {
    fc.assert(
      fc.property(collections('abcdefg'), (texts) => {
        const { tokens, occurrence, first, mentions } = candidatesOf(texts);
        const company = companyOfCandidates(companyContexts(tokens), occurrence, first, mentions);
        const { references, judged, shared } = company;
        const pull = pullOfCandidates(company, mentions.length);
        const met = (r: number, c: number): number => shared[r * judged + c];
        const sum = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0);
        const range = (count: number): number[] => Array.from({ length: count }, (_, i) => i);
        const usual = range(references).map((r) => sum(range(judged).map((c) => met(r, c))));
        const all = sum(usual);
        for (const c of range(mentions.length)) {
          if (c >= judged || all === 0) {
            expect(pull[c]).to.equal(0);
            continue;
          }
          const companions = sum(range(references).map((r) => met(r, c)));
          const others = range(references).filter((r) => r !== c && usual[r] > 0);
          const divergence = others.map((r) => {
            const expected = usual[r] / all / (1 - (c < references ? usual[c] / all : 0));
            const share = (met(r, c) + 200 * expected) / (companions + 200);
            return share * Math.log(share / expected);
          });
          const chance = ((references - 1) * companions) / (2 * (companions + 200) ** 2);
          expect(pull[c]).to.be.closeTo(Math.max(0, sum(divergence) - chance), 1e-12);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('is a number even where one word takes all the company', () => {
    const company = { references: 2, judged: 3, shared: Float64Array.of(0, 0, 4, 0, 0, 0) };
    expect([...pullOfCandidates(company, 3)].every(Number.isFinite)).to.equal(true);
  });
});
