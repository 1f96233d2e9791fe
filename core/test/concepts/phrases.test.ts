import { LANGUAGE_OF } from '../../src/languages/languages.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import { keepPhrases, phraseAt, type Phrases } from '../../src/concepts/phrases.ts';
import { findRuns } from '../../src/concepts/runs.ts';
import { OPEN, STOPPED, STOPPED_ALONE, termsOf, type Terms } from '../../src/concepts/terms.ts';
import { ADJECTIVE, NOUN, OTHER_PART, VERB } from '../../src/languages/en/lexicon.ts';
import type { PartsOfTypes } from '../../src/text/words/parts-of-speech.ts';
import type { Tokens } from '../../src/text/tokens.ts';
import { tokensOf } from '../examples.ts';

/** Every form its own term, with parts of speech and stops given by hand. */
function prepare(
  text: string,
  partOf: Record<string, number>,
  stops: Record<string, number> = {},
): { tokens: Tokens; terms: Terms; parts: PartsOfTypes; stopped: Uint8Array } {
  const tokens = tokensOf(text);
  const part = Uint8Array.from(tokens.forms, (form) => partOf[form] ?? OTHER_PART);
  return {
    tokens,
    terms: termsOf(
      tokens,
      {
        labels: tokens.forms,
        part,
        ofType: Int32Array.from(tokens.forms, (_, i) => i),
        areLemmas: false,
      },
      () => LANGUAGE_OF.en,
    ),
    parts: {
      part,
      participle: new Uint8Array(part.length),
      nounAtTimes: part.map((each, type) => (each === NOUN || tokens.forms[type] === 'run' ? 1 : 0)),
      adjectiveAtTimes: part.map((each, type) =>
        each === ADJECTIVE || tokens.forms[type] === 'last' ? 1 : 0,
      ),
    },
    stopped: Uint8Array.from(tokens.forms, (form) => stops[form] ?? OPEN),
  };
}

const find = ({ tokens, terms, parts, stopped }: ReturnType<typeof prepare>, minimumNpmi = -1): Phrases =>
  keepPhrases(findRuns(tokens, terms, parts, stopped, 2), tokens, terms, stopped, {
    minimumMentions: 2,
    minimumNpmi,
  });

describe('phrases', () => {
  const parts = {
    night: NOUN,
    bus: NOUN,
    stop: NOUN,
    cold: ADJECTIVE,
    driver: NOUN,
    came: VERB,
    run: VERB,
    school: NOUN,
  };

  it('have the C-value worked by hand', () => {
    // night bus stop 2, night bus 3 (2 of them in the longer one), bus stop 2 (both in it).
    const text = 'Night bus stop came. Night bus stop came. Night bus came.';
    const phrases = find(prepare(text, parts));
    const value = (label: string): number | undefined => phrases.cValue[phrases.labels.indexOf(label)];
    expect(value('night bus stop')).to.be.closeTo(Math.log2(3) * 2, 1e-12);
    expect(value('night bus')).to.be.closeTo(Math.log2(2) * (3 - 2), 1e-12);
    // 2 − 2 is 0: it never stands outside the longer phrase.
    expect(phrases.labels).not.to.include('bus stop');
  });

  it('have the NPMI of their last word with what stands before it', () => {
    const phrases = find(prepare('Night bus came. Night bus came. Driver came here.', parts));
    // 9 words: night 2, bus 2, both 2: ln((2/9) / (2/9 · 2/9)) / −ln(2/9) = 1.
    expect(phrases.npmi[phrases.labels.indexOf('night bus')]).to.be.closeTo(1, 1e-12);
    expect(
      find(prepare('Night bus came. Night bus came. Night came. Bus came.', parts), 0.9).labels,
    ).to.deep.equal([]);
  });

  it('are runs of adjectives and nouns that end in a noun', () => {
    const phrases = find(prepare('Cold bus came. Cold bus came. Bus cold. Bus cold.', parts));
    expect(phrases.labels).to.deep.equal(['cold bus']);
  });

  it('do not cross a stop word, a mark or a sentence', () => {
    const stops = { came: STOPPED };
    expect(find(prepare('Night, bus. Night, bus.', parts)).labels).to.deep.equal([]);
    expect(find(prepare('Night. Bus. Night. Bus.', parts)).labels).to.deep.equal([]);
    expect(find(prepare('Night came bus. Night came bus.', parts, stops)).labels).to.deep.equal([]);
  });

  it('may have a word that is a noun now and then, beside one that is firmly so', () => {
    expect(find(prepare('School run came. School run came.', parts)).labels).to.deep.equal(['school run']);
    expect(find(prepare('Came run. Came run.', parts)).labels).to.deep.equal([]);
  });

  it('may have a word that is no concept alone', () => {
    const stops = { night: STOPPED_ALONE };
    expect(find(prepare('Night bus came. Night bus came.', parts, stops)).labels).to.deep.equal([
      'night bus',
    ]);
  });

  it('are matched at their longest', () => {
    const given = prepare('Night bus stop came. Night bus stop came. Night bus came.', parts);
    const phrases = find(given);
    const at = (token: number): string | undefined => {
      const found = phraseAt(given.tokens, given.terms, given.stopped, phrases, token);
      return found && `${phrases.labels[found[0]]} to ${found[1]}`;
    };
    expect(at(0)).to.equal('night bus stop to 3');
    expect(at(8)).to.equal('night bus to 10');
    expect(at(3)).to.equal(undefined);
  });

  it('are the same whether a word is stopped before runs are found or after', () => {
    const word = fc.constantFrom('night', 'bus', 'stop', 'cold', 'driver', 'run', 'came', 'school');
    const sentence = fc.array(word, { minLength: 1, maxLength: 8 }).map((words) => `${words.join(' ')}.`);
    const text = fc.array(sentence, { minLength: 1, maxLength: 12 }).map((each) => each.join(' '));
    fc.assert(
      fc.property(text, fc.subarray(['night', 'bus', 'stop', 'cold', 'run']), (said, stopped) => {
        const { tokens, terms, parts: kinds, stopped: none } = prepare(said, parts);
        const { stopped: some } = prepare(
          said,
          parts,
          Object.fromEntries(stopped.map((each) => [each, STOPPED])),
        );
        const settings = { minimumMentions: 2, minimumNpmi: -1 };
        const before = findRuns(tokens, terms, kinds, some, 2);
        const after = findRuns(tokens, terms, kinds, none, 2);
        const [expected, found] = [before, after].map((runs) =>
          keepPhrases(runs, tokens, terms, some, settings),
        );
        expect(found).to.deep.equal(expected);
      }),
      { numRuns: 150 },
    );
  });

  it('are found by looking at every place where their words stand in a row', () => {
    const word = fc.constantFrom('night', 'bus', 'stop');
    fc.assert(
      fc.property(fc.array(word, { minLength: 2, maxLength: 30 }), (words) => {
        const { tokens, terms, parts: kinds, stopped } = prepare(words.join(' '), parts);
        const runs = findRuns(tokens, terms, kinds, stopped, 1);
        const found = runs.terms.map((run, i) => [
          run.map((term) => terms.labels[term]).join(' '),
          [...runs.place.subarray(runs.placeFirst[i], runs.placeFirst[i + 1])],
        ]);
        const expected = new Map<string, number[]>();
        for (let from = 0; from < words.length; from++) {
          for (let size = 2; size <= 4 && from + size <= words.length; size++) {
            const run = words.slice(from, from + size).join(' ');
            expected.set(run, [...(expected.get(run) ?? []), from]);
          }
        }
        expect(Object.fromEntries(found)).to.deep.equal(Object.fromEntries(expected));
      }),
      { numRuns: 100 },
    );
  });
});
