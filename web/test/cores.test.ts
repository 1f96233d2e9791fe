import { expect } from 'chai';
import { coresAsName, coresInName } from '../src/engine/cores.ts';

describe('the cores a worker may use', () => {
  it('are those its name speaks of, and one where it speaks of none', () => {
    for (const cores of [1, 2, 16]) expect(coresInName(coresAsName(cores))).to.equal(cores);
    expect(coresInName('')).to.equal(1);
  });
});
