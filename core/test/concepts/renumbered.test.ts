import { LANGUAGE_OF } from '../../src/languages/languages.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import {
  addOccurrence,
  occurrenceList,
  occurrencesIn,
  renumbered,
  tally,
} from '../../src/concepts/renumbered.ts';
import { stopWordsInForce } from '../../src/concepts/stop-words.ts';
import { OPEN, readTerms, STOPPED, STOPPED_ALONE, stoppedTypes } from '../../src/concepts/terms.ts';
import { unknownParts } from '../../src/text/words/parts-of-speech.ts';
import { englishWords, tokensOf } from '../examples.ts';

describe('occurrences under new numbers', () => {
  it('are those of before, but for what is left out, in their order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat(5), { maxLength: 50 }),
        fc.array(fc.integer({ min: -1, max: 3 }), { minLength: 6, maxLength: 6 }),
        (things, numbers) => {
          const occurrence = Int32Array.from(things);
          const before = {
            occurrence,
            occurrenceFirst: occurrence.map((_, i) => i * 3),
            occurrenceEnd: occurrence.map((_, i) => i * 3 + 2),
          };
          const kept = things.flatMap((thing, i) =>
            numbers[thing] < 0 ? [] : [[numbers[thing], i * 3, i * 3 + 2]],
          );
          const mentions = Int32Array.from(
            [0, 1, 2, 3],
            (number) => kept.filter(([each]) => each === number).length,
          );
          const made = renumbered(before, Int32Array.from(numbers), mentions);
          expect(
            Array.from(made.occurrence, (number, i) => [
              number,
              made.occurrenceFirst[i],
              made.occurrenceEnd[i],
            ]),
          ).to.deep.equal(kept);
        },
      ),
    );
  });

  it('are counted by number', () => {
    expect([...tally(Int32Array.of(2, 0, 2, 2), 4)]).to.deep.equal([1, 0, 3, 0]);
    expect([...tally(new Int32Array(0), 2)]).to.deep.equal([0, 0]);
  });

  it('are added one by one, and there are as many as were added', () => {
    const list = occurrenceList(5);
    addOccurrence(list, 7, 1, 2);
    addOccurrence(list, 8, 4, 6);
    const { occurrence, occurrenceFirst, occurrenceEnd } = occurrencesIn(list);
    expect([[...occurrence], [...occurrenceFirst], [...occurrenceEnd]]).to.deep.equal([
      [7, 8],
      [1, 4],
      [2, 6],
    ]);
  });
});

describe('stopped words', () => {
  const stoppedIn = (text: string, own: readonly string[]): Record<string, number> => {
    const tokens = tokensOf(text);
    const terms = readTerms(tokens, unknownParts(tokens), englishWords(), 'lemma', LANGUAGE_OF.en);
    const stopWords = stopWordsInForce({ language: 'en', own });
    const stopped = stoppedTypes(terms, () => stopWords);
    return Object.fromEntries(tokens.forms.map((form, type) => [form, stopped[type]]));
  };

  it('are stopped by their form or by their lemma', () => {
    expect(stoppedIn('The buses and a bus. Fares rose.', ['bus'])).to.include({
      the: STOPPED,
      buses: STOPPED,
      bus: STOPPED,
      fares: OPEN,
    });
    expect(stoppedIn('The buses and a bus.', ['buses'])).to.include({ buses: STOPPED, bus: OPEN });
  });

  it('may be stopped only alone, as times are, and single letters and numbers always are', () => {
    expect(stoppedIn('A day ticket for 7 by b.', [])).to.include({
      day: STOPPED_ALONE,
      ticket: OPEN,
      '7': STOPPED,
      b: STOPPED,
    });
    expect(stoppedIn('A day ticket.', ['Day'])).to.include({ day: STOPPED });
  });

  it('are written with either apostrophe', () => {
    expect(stoppedIn('The driver’s o’clock.', ["driver's"])).to.include({ 'driver’s': STOPPED });
  });
});
