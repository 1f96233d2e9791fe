import fc from 'fast-check';
import type { Decision } from '../../src/study/decisions.ts';
import { makeSource } from '../../src/intake/sources.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';

/** The one source that decisions are about. */
export const A_TEXT = 'One.';
export const aSource = makeSource('a.txt', A_TEXT);
const word = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'constructor', '__proto__');
const words = fc.array(word, { maxLength: 3 });
/** Decisions that change lists of words, with a few others among them. */
export const listDecision: fc.Arbitrary<Decision> = fc.oneof(
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
  fc.record({
    kind: fc.constant('setNameKind' as const),
    names: words,
    as: fc.constantFrom('person' as const, 'place' as const, null),
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
    ids: fc.constant([aSource.id]),
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

const typed = fc.oneof(
  fc.string({ maxLength: 30 }),
  fc.string({ unit: 'binary', maxLength: 12 }),
  word,
  fc.constantFrom('x'.repeat(1000), 'x'.repeat(1001), 'x'.repeat(10_001), '', ' ', '\ud800', '\u0000'),
);
const figure = fc.oneof(fc.integer({ min: -5, max: 3000 }), fc.double({ min: -2, max: 50, noNaN: true }));

/** Whatever could be typed or chosen somewhere: some of it may not be decided. */
export const anyDecision: fc.Arbitrary<Decision> = fc.oneof(
  listDecision,
  fc.record({ kind: fc.constant('renameStudy' as const), title: typed }),
  fc.record({
    kind: fc.constant('setAttribute' as const),
    ids: fc.constant([aSource.id]),
    attribute: typed,
    value: typed,
  }),
  fc.tuple(typed, typed).map(([attribute, value]): Decision => ({
    kind: 'setValues',
    values: { [attribute]: { [aSource.id]: value } },
  })),
  fc.record({ kind: fc.constant('renameAttribute' as const), attribute: typed, name: typed }),
  fc.record({ kind: fc.constant('removeAttribute' as const), attribute: typed }),
  fc.record({
    kind: fc.constant('keepSubset' as const),
    name: typed,
    subset: fc.constant([{ kind: 'values' as const, attribute: 'a', values: [''] }]),
  }),
  fc.record({ kind: fc.constant('forgetSubset' as const), name: typed }),
  fc.record({ kind: fc.constant('setWindows' as const), change: fc.record({ size: figure }) }),
  fc.record({
    kind: fc.constant('setConcepts' as const),
    change: fc.record({ size: figure, minimumPull: figure }),
  }),
  fc.record({
    kind: fc.constant('setLinks' as const),
    change: fc.record({ cutOff: figure, maximumQ: figure }),
  }),
  fc.record({
    kind: fc.constant('setThemes' as const),
    change: fc.record({ resolution: figure, runs: figure, seed: figure }),
  }),
  fc.record({
    kind: fc.constant('renameTheme' as const),
    letter: fc.constantFrom('A', 'AB', 'a', ''),
    name: typed,
  }),
  fc.record({
    kind: fc.constant('placeConcepts' as const),
    keys: fc.array(typed, { maxLength: 3 }),
    letter: fc.constantFrom('', 'A', 'ZZZZ'),
  }),
  fc.record({
    kind: fc.constant('joinThemes' as const),
    letters: fc.array(fc.constantFrom('A', 'B', 'C'), { minLength: 1, maxLength: 3 }),
    into: fc.constantFrom('A', 'B'),
  }),
  fc.record({
    kind: fc.constant('beginThemes' as const),
    themes: fc.array(
      fc.record({ letter: fc.constantFrom('A', 'D'), keys: fc.array(typed, { maxLength: 3 }) }),
      {
        minLength: 1,
        maxLength: 2,
      },
    ),
    grows: fc.boolean(),
  }),
  fc.record({ kind: fc.constant('renameConcept' as const), key: typed, label: typed }),
  fc.record({ kind: fc.constant('removeSources' as const), ids: fc.constant([aSource.id]) }),
  fc.constant<Decision>({ kind: 'addSources', sources: [aSource] }),
  fc.tuple(typed, typed).map(([label, role]): Decision => ({
    kind: 'setSpeakers',
    change: { leftOut: [label], roles: { [label]: role } },
  })),
);
