import { expect } from 'chai';
import { doing } from '../src/frame/doing.ts';
import { secondsLeft } from '../src/engine/time-left.ts';

describe('how long work still takes', () => {
  it('is told by how fast it went since it was first heard of', () => {
    expect(secondsLeft({ time: 0, share: 0.1 }, { time: 2000, share: 0.5 })).to.be.closeTo(2.5, 1e-12);
    expect(secondsLeft({ time: 5000, share: 0 }, { time: 6000, share: 0.25 })).to.be.closeTo(3, 1e-12);
    expect(secondsLeft({ time: 0, share: 0 }, { time: 4000, share: 1 })).to.equal(0);
  });

  it('is not told before it can be', () => {
    expect(secondsLeft({ time: 0, share: 0 }, { time: 500, share: 0.5 })).to.equal(undefined);
    expect(secondsLeft({ time: 0, share: 0.5 }, { time: 5000, share: 0.5 })).to.equal(undefined);
  });

  it('stands beside what is done: the stage that is computed, else what the view is made of', () => {
    expect(doing('tokens', 'repeats')).to.equal('reading words');
    expect(doing(undefined, 'repeats')).to.equal('looking for what repeats');
    expect(doing('stopped', 'map')).to.equal('computing');
    expect(doing(undefined, undefined)).to.equal('computing');
  });
});
