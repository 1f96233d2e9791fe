import { expect } from 'chai';
import fc from 'fast-check';
import { createElement } from 'react';
import { sameProps } from '../src/pieces/same-props.ts';

describe('props', () => {
  it('are the same when all they hold is', () => {
    const options = () => [{ label: 'role', options: [{ value: 'a', label: 'role: a' }] }];
    expect(sameProps({ options: options(), value: ['a'] }, { options: options(), value: ['a'] })).to.equal(
      true,
    );
    expect(sameProps({ value: ['a', 'b'] }, { value: ['b', 'a'] })).to.equal(false);
    expect(sameProps({ value: undefined }, {})).to.equal(false);
    expect(sameProps({ value: NaN }, { value: NaN })).to.equal(true);
    expect(sameProps({ value: null }, { value: {} })).to.equal(false);
    expect(sameProps({ value: [] }, { value: {} })).to.equal(false);
  });

  it('that are functions or elements must be the very same', () => {
    const pick = (): void => undefined;
    expect(sameProps({ pick }, { pick })).to.equal(true);
    expect(sameProps({ pick }, { pick: () => undefined })).to.equal(false);
    const element = createElement('b');
    expect(sameProps({ element }, { element })).to.equal(true);
    expect(sameProps({ element }, { element: createElement('b') })).to.equal(false);
  });

  it('are the same as their copy, and differ once anything in them does', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (props) => {
        // As JSON has them: without a prototype of its own, and −0 as 0.
        const plain = JSON.parse(JSON.stringify(props)) as object;
        expect(sameProps(plain, JSON.parse(JSON.stringify(props)) as object)).to.equal(true);
        expect(sameProps(plain, { ...plain, 'one more': 1 })).to.equal(false);
      }),
    );
  });
});
