import { expect } from 'chai';
import { counted, inFigures, listed, momentText, percent } from '../../src/base/wording.ts';

describe('figures in words', () => {
  it('are counted with their noun, with commas at thousands', () => {
    expect(inFigures(12345)).to.equal('12,345');
    expect(counted(1, 'source')).to.equal('1 source');
    expect(counted(0, 'source')).to.equal('0 sources');
    expect(counted(1200, 'memory', 'memories')).to.equal('1,200 memories');
  });

  it('are shares in per cent, with as many digits as asked for', () => {
    expect(percent(0.256)).to.equal('26 %');
    expect(percent(0.256, 1)).to.equal('25.6 %');
    expect(percent(1)).to.equal('100 %');
  });

  it('are moments as short as there is room for', () => {
    const at = '2031-05-04T10:05:09';
    expect(momentText(at, 'short')).to.equal('04/05/2031, 10:05');
    expect(momentText(at, 'medium')).to.equal('4 May 2031, 10:05');
    expect(momentText(at, 'day')).to.equal('4 May');
    expect(momentText(new Date(at).getTime(), 'hour')).to.equal('10:05');
    expect(momentText(at, 'exact')).to.equal('04/05/2031, 10:05:09');
  });

  it('are lists as one says them', () => {
    expect(['', 'a', 'a and b', 'a, b and c']).to.deep.equal(
      [[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(listed),
    );
  });
});
