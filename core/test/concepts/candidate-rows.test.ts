import { expect } from 'chai';
import fc from 'fast-check';
import { rowsAsDecided, type CandidateRow } from '../../src/concepts/candidate-rows.ts';
import type { Decision } from '../../src/study/decisions.ts';
import { byNeed } from '../../src/views/view-keys.ts';
import type { ViewName } from '../../src/views/view-keys.ts';
import { asking, exampleStudy, type ExampleStudy } from '../examples.ts';

const TEXTS = [
  'The night bus was late in the rain. The driver stopped at the shelter. Rain on the shelter and the bench. The fare rose.',
  'A night bus came to the depot. The driver of the bus waited for the fare. The fare is high, the rain is cold.',
  'The shelter at the depot has no bench. The driver and the night bus. Rain again, and the fare, and the depot.',
];
const study = (): ExampleStudy => {
  const made = exampleStudy(TEXTS.map((text, i) => ({ name: `${i}.txt`, text })));
  made.decide({
    kind: 'setConcepts',
    change: { minimumMentions: 2, minimumSources: 1, maximumSourceShare: 1 },
  });
  return made;
};
const rowsOf = (made: ExampleStudy): readonly CandidateRow[] => asking(made)('concepts', null).rows;
const WORDS = ['rain', 'driver', 'shelter', 'bench', 'fare', 'depot', 'night bus'];
const standing = (rows: readonly CandidateRow[]): string[] =>
  rows.map(({ key, label, status }) => `${key} ${label} ${status}`).sort();

describe('a list right after a decision', () => {
  it('says what was kept, dropped and renamed as it will be once figures are found', () => {
    const made = study();
    const before = rowsOf(made);
    made.decide({ kind: 'keepConcepts', keys: ['rain'] });
    made.decide({ kind: 'dropConcepts', keys: ['fare', 'night bus'] });
    made.decide({ kind: 'renameConcept', key: 'driver', label: 'Drivers' });
    expect(standing(rowsAsDecided(before, made.state))).to.deep.equal(standing(rowsOf(made)));
  });

  it('leaves out what was stopped or merged away, and changes no figure', () => {
    const made = study();
    const before = rowsOf(made);
    made.decide({ kind: 'addStopWords', words: ['Rain'] });
    made.decide({ kind: 'mergeConcepts', into: 'shelter', keys: ['bench'] });
    const now = rowsAsDecided(before, made.state);
    const keys = now.map(({ key }) => key);
    expect(keys).to.include('shelter');
    expect(keys).to.not.include('rain').and.not.include('bench');
    expect(new Set(rowsOf(made).map(({ key }) => key))).to.deep.equal(new Set(keys));
    const shelter = (rows: readonly CandidateRow[]): number | undefined =>
      rows.find(({ key }) => key === 'shelter')?.mentions;
    expect(shelter(now)).to.equal(shelter(before));
  });

  it('keeps a stop word that others were merged into', () => {
    const made = study();
    made.decide({ kind: 'mergeConcepts', into: 'rain', keys: ['bench'] });
    const before = rowsOf(made);
    made.decide({ kind: 'addStopWords', words: ['rain'] });
    expect(rowsAsDecided(before, made.state).map(({ key }) => key)).to.include('rain');
    expect(rowsOf(made).map(({ key }) => key)).to.include('rain');
  });

  it('is the very same rows where nothing about them was decided', () => {
    const made = study();
    const before = rowsOf(made);
    made.decide({ kind: 'setConcepts', change: { size: 3 } });
    expect(rowsAsDecided(before, made.state)).to.deep.equal([...before]);
    expect(rowsAsDecided(before, made.state)[0]).to.equal(before[0]);
  });

  it('takes a decision back: what was dropped is left out until its figures say more', () => {
    const made = study();
    made.decide({ kind: 'dropConcepts', keys: ['rain'] });
    const before = rowsOf(made);
    made.decide({ kind: 'leaveConcepts', keys: ['rain'] });
    expect(rowsAsDecided(before, made.state).find(({ key }) => key === 'rain')?.status).to.equal('out');
  });
});

describe('candidates after many decisions', () => {
  const decision: fc.Arbitrary<Decision> = fc.oneof(
    fc
      .constantFrom(...WORDS, 'bus', 'night')
      .map((word): Decision => ({ kind: 'addStopWords', words: [word] })),
    fc
      .constantFrom('rain', 'fare', 'bus')
      .map((word): Decision => ({ kind: 'removeStopWords', words: [word] })),
    fc
      .tuple(fc.constantFrom(...WORDS), fc.constantFrom(...WORDS))
      .filter(([into, key]) => into !== key)
      .map(([into, key]): Decision => ({ kind: 'mergeConcepts', into, keys: [key] })),
    fc.constantFrom(...WORDS).map((key): Decision => ({ kind: 'splitConcept', key })),
    fc.constantFrom(...WORDS).map((key): Decision => ({ kind: 'dropConcepts', keys: [key] })),
    fc
      .constantFrom(2, 3, 4)
      .map((phraseMentions): Decision => ({ kind: 'setConcepts', change: { phraseMentions } })),
    fc.boolean().map((phrases): Decision => ({ kind: 'setConcepts', change: { phrases } })),
  );

  it('are those of a study that was never computed before', () => {
    fc.assert(
      fc.property(fc.array(decision, { minLength: 1, maxLength: 6 }), (decisions) => {
        const made = study();
        rowsOf(made);
        for (const each of decisions) {
          made.decide(each);
          const fresh = study();
          fresh.state = made.state;
          expect(rowsOf(made)).to.deep.equal(rowsOf(fresh));
          expect(made.compute('candidates')).to.deep.equal(fresh.compute('candidates'));
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('views of one moment', () => {
  it('are answered in the order of what they need', () => {
    const asked: ViewName[] = ['map', 'compare', 'themesOnTrail', 'concepts', 'suggestions', 'sources'];
    expect([...asked].sort(byNeed)).to.deep.equal([
      'sources',
      'suggestions',
      'concepts',
      'themesOnTrail',
      'map',
      'compare',
    ]);
  });
});
