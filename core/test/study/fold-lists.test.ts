import { expect } from 'chai';
import fc from 'fast-check';
import { decide, decideAll, type Decision } from '../../src/study/decisions.ts';
import { makeSource } from '../../src/study/intake.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';

const source = makeSource('a.txt', 'One.');
const word = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'constructor', '__proto__');
const words = fc.array(word, { maxLength: 3 });
const decision: fc.Arbitrary<Decision> = fc.oneof(
  fc.record({
    kind: fc.constantFrom('keepConcepts' as const, 'dropConcepts' as const, 'leaveConcepts' as const),
    keys: words,
  }),
  fc.record({
    kind: fc.constantFrom(
      'addStopWords' as const,
      'removeStopWords' as const,
      'allowWords' as const,
      'stopAllowing' as const,
    ),
    words,
  }),
  fc.record({ kind: fc.constant('neverShow' as const), words, phrases: words }),
  fc.record({
    kind: fc.constant('setWordKind' as const),
    words,
    as: fc.constantFrom('name' as const, 'noun' as const, null),
  }),
  fc.record({ kind: fc.constant('mergeConcepts' as const), into: word, keys: words }),
  fc.record({
    kind: fc.constant('mergeMany' as const),
    groups: fc.array(fc.record({ into: word, keys: words }), { minLength: 1, maxLength: 2 }),
  }),
  fc.record({ kind: fc.constant('refuseMerge' as const), keys: fc.tuple(word, word) }),
  fc.record({ kind: fc.constant('splitConcept' as const), key: word }),
  fc.record({
    kind: fc.constant('renameConcept' as const),
    key: word,
    label: fc.constantFrom('', ' ', 'a', 'L'),
  }),
  fc.record({
    kind: fc.constant('setAttribute' as const),
    ids: fc.constant([source.id]),
    attribute: word,
    value: word,
  }),
  fc.record({
    kind: fc.constant('applyRecipe' as const),
    recipe: fc.constant(
      recipeOf({ ...EMPTY_STUDY, kept: ['a'], dropped: ['b'], merges: { c: 'd' }, stopWords: ['e'] }),
    ),
  }),
);

describe('many decisions at once', () => {
  it('come to what they come to one by one, in the same order', () => {
    const begun = decide(EMPTY_STUDY, { kind: 'addSources', sources: [source] });
    fc.assert(
      fc.property(fc.array(decision, { minLength: 20, maxLength: 80 }), (decisions) => {
        const together = decideAll(begun, decisions);
        const oneByOne = decisions.reduce(decide, begun);
        // As text, so that the order of words counts too.
        expect(JSON.stringify(together)).to.equal(JSON.stringify(oneByOne));
      }),
      { numRuns: 300 },
    );
  });

  it('leave what they do not touch the same object', () => {
    const decisions = Array.from({ length: 30 }, (_, i): Decision => ({
      kind: 'keepConcepts',
      keys: [`k${i}`],
    }));
    const after = decideAll(EMPTY_STUDY, decisions);
    expect(after.merges).to.equal(EMPTY_STUDY.merges);
    expect(after.stopWords).to.equal(EMPTY_STUDY.stopWords);
    expect(after.kept).to.have.length(30);
  });
});
