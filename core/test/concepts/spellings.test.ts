import { expect } from 'chai';
import { spellingsOfOne, toldApart } from '../../src/concepts/spellings.ts';
import { exampleStudy } from '../examples.ts';

const paired = (keys: readonly string[], apart: readonly string[] = []): string[] =>
  spellingsOfOne(
    keys,
    keys.map((_, i) => keys.length - i),
    new Set(apart),
  ).map(([spelling, of]) => `${keys[spelling]} > ${keys[of]}`);

describe('spellings of one concept', () => {
  it('differ by hyphens and spaces, or by capitals where they are of several words', () => {
    expect(paired(['night bus', 'night-bus', 'nightbus', 'bus'])).to.deep.equal([
      'night-bus > night bus',
      'nightbus > night bus',
    ]);
    expect(paired(['email', 'e-mail'])).to.deep.equal(['e-mail > email']);
    expect(paired(['Social Security', 'social security'])).to.deep.equal([
      'social security > Social Security',
    ]);
    expect(paired(['may', 'May', 'bath', 'Bath'])).to.deep.equal([]);
    // Not by accents or apostrophes, which make other words: that is only suggested.
    expect(paired(['resume', 'résumé', 'its', 'it’s'])).to.deep.equal([]);
  });

  it('stay apart where the researcher told them so', () => {
    expect(paired(['night bus', 'night-bus', 'nightbus'], ['night bus\tnight-bus'])).to.deep.equal([
      'nightbus > night bus',
    ]);
    expect(toldApart(['night bus\tnight-bus', 'bus\ttram'])).to.deep.equal(['night bus\tnight-bus']);
  });

  const text =
    'The night bus came. We took the night bus. A night bus is late. The night-bus came. We like the night-bus. The nightbus was full. Our nightbus is late.';
  const studyOf = () => {
    const study = exampleStudy([{ name: 'a', text }]);
    study.decide({
      kind: 'setConcepts',
      change: { minimumMentions: 1, minimumSources: 1, phraseMentions: 2 },
    });
    return study;
  };
  const rowOf = (study: ReturnType<typeof studyOf>, key: string) =>
    study.compute('conceptRows').find((row) => row.key === key);

  it('count for the one with the most mentions, and are shown as its variants', () => {
    const study = studyOf();
    const row = rowOf(study, 'night bus');
    expect(row?.mentions).to.equal(7);
    expect(row?.variants).to.deep.include.members([
      { key: 'night bus', mentions: 3 },
      { key: 'night-bus', mentions: 2, byItself: true },
      { key: 'nightbus', mentions: 2, byItself: true },
    ]);
    expect(rowOf(study, 'night-bus')).to.equal(undefined);
  });

  it('are concepts of their own where they are told apart, and go where they are merged', () => {
    const study = studyOf();
    study.decide({ kind: 'refuseMerge', keys: ['night bus', 'night-bus'] });
    expect(rowOf(study, 'night-bus')?.mentions).to.equal(2);
    expect(rowOf(study, 'night bus')?.mentions).to.equal(5);
    const merged = studyOf();
    merged.decide({ kind: 'mergeConcepts', into: 'nightbus', keys: ['night bus'] });
    // What was merged into stays, whatever has more mentions.
    expect(rowOf(merged, 'nightbus')?.mentions).to.equal(7);
  });
});
