import { expect } from 'chai';
import fc from 'fast-check';
import { createSearchParams } from 'react-router';
import type { PlainSelection, Selection, Within } from '@green-thicket/core/views/view-types';
import { fromParams, toParams, withinOf, withinParams, type Params } from '../src/pieces/selection.ts';

const word = fc.oneof(
  fc.stringMatching(/^[a-zé]{1,8}(?: [a-z&=]{1,6})?$/),
  // A concept of a network made elsewhere may be called anything.
  fc.stringMatching(/^[a-z|\\]{1,6}$/),
);
const plain: fc.Arbitrary<PlainSelection> = fc.oneof(
  fc.record({ kind: fc.constant('concept' as const), key: word }),
  fc.record({ kind: fc.constant('link' as const), keys: fc.tuple(word, word) }),
  fc.record({
    kind: fc.constant('several' as const),
    keys: fc.array(word, { minLength: 2, maxLength: 5 }),
    how: fc.constantFrom('all' as const, 'any' as const, 'near' as const),
  }),
  fc.record({ kind: fc.constant('theme' as const), letter: fc.constantFrom('A', 'BC') }),
  fc.record({ kind: fc.constant('search' as const), query: fc.string({ minLength: 1, maxLength: 20 }) }),
  fc.record({
    kind: fc.constant('cell' as const),
    letter: fc.constant('A'),
    attribute: word,
    group: word,
  }),
);
const selection: fc.Arbitrary<Selection> = fc.oneof(
  plain,
  fc.record({
    kind: fc.constant('following' as const),
    of: plain,
    direction: fc.constantFrom('after' as const, 'before' as const),
    words: fc.array(fc.stringMatching(/^[a-z]{1,6}$/), { minLength: 1, maxLength: 3 }),
  }),
);
const within: fc.Arbitrary<Within> = fc.oneof(
  fc.record({ sourceId: fc.stringMatching(/^[A-Za-z0-9_-]{1,12}$/) }),
  fc.record({
    groups: fc.array(fc.record({ attribute: word, value: word }), { minLength: 1, maxLength: 4 }),
  }),
);

/** Through an address and back, as a bookmark goes. */
const bookmarked = (params: Params): URLSearchParams =>
  new URLSearchParams(createSearchParams(params).toString());

describe('the address', () => {
  it('is a bookmark of any selection', () => {
    fc.assert(
      fc.property(selection, (selected) => {
        expect(fromParams(bookmarked(toParams(selected)))).to.deep.equal(selected);
      }),
    );
  });

  it('is a bookmark of the sources asked of, beside the selection', () => {
    fc.assert(
      fc.property(selection, within, (selected, only) => {
        const params = bookmarked({ ...toParams(selected), ...withinParams(only) });
        expect(withinOf(params)).to.deep.equal(only);
        expect(fromParams(params)).to.deep.equal(selected);
      }),
    );
  });

  it('without either selects nothing', () => {
    expect(fromParams(new URLSearchParams('source=x&at=3'))).to.equal(null);
    expect(withinOf(new URLSearchParams('by=role'))).to.equal(undefined);
    expect(withinOf(new URLSearchParams('by=role&by=wave&value=driver'))).to.deep.equal({
      groups: [{ attribute: 'role', value: 'driver' }],
    });
  });
});
