import { expect } from 'chai';
import fc from 'fast-check';
import { exampleStudy } from '../examples.ts';

describe('phrases of the researcher’s own', () => {
  it('are counted wherever their words stand in a row, the longest first, and each token once', () => {
    const word = fc.constantFrom('rain', 'bus', 'fare');
    fc.assert(
      fc.property(fc.array(word, { minLength: 1, maxLength: 40 }), (words) => {
        const study = exampleStudy([{ name: 'a', text: words.join(' ') }]);
        study.decide({
          kind: 'setConcepts',
          change: { phrases: false, minimumMentions: 1, minimumSources: 1 },
        });
        study.decide({ kind: 'mergeMany', groups: [{ into: 'made', keys: ['rain bus', 'rain bus fare'] }] });
        let expected = 0;
        for (let i = 0; i < words.length;) {
          if (words[i] !== 'rain' || words[i + 1] !== 'bus') i++;
          else {
            expected++;
            i += words[i + 2] === 'fare' ? 3 : 2;
          }
        }
        const { keys, mentions, occurrenceFirst, occurrenceEnd } = study.compute('candidates');
        const at = keys.indexOf('made');
        // A candidate needs two mentions.
        expect(at < 0 ? 0 : mentions[at], words.join(' ')).to.equal(expected >= 2 ? expected : 0);
        for (let i = 1; i < occurrenceFirst.length; i++) {
          expect(occurrenceFirst[i]).to.be.at.least(occurrenceEnd[i - 1]);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('never run over a mark or a sentence', () => {
    const study = exampleStudy([
      {
        name: 'a',
        text: 'The cost of living. Cost, of living. The cost. Of living we know. The cost of living again.',
      },
    ]);
    study.decide({ kind: 'mergeMany', groups: [{ into: 'money', keys: ['cost of living'] }] });
    const { keys, mentions } = study.compute('candidates');
    expect(mentions[keys.indexOf('money')]).to.equal(2);
  });
});
