import { expect } from 'chai';
import { fuzz } from './fuzz.ts';

describe('what comes in broken', () => {
  it('is read or refused in time, and harms nothing: 1,500 mutants of every format', async function () {
    this.timeout(300_000);
    const { faults, tried } = await fuzz(1, (done) => done < 1500);
    expect(faults).to.deep.equal([]);
    expect(tried).to.be.at.least(1500);
  });
});
