import { expect } from 'chai';
import { plantedAmongEquals } from '../../../bench/planted.ts';

describe('the starting selection', () => {
  it('finds at least 36 of 40 key concepts among four times as many filler words of equal frequency', () => {
    for (const seed of [1, 10]) expect(plantedAmongEquals(seed), `seed ${seed}`).to.be.at.least(36);
  });
});
