import { expect } from 'chai';
import { neverShow } from '../src/stops/concepts/never-show.ts';

describe('never showing a concept', () => {
  it('stops a word, and drops a phrase whose words may be concepts themselves', () => {
    expect(neverShow('Northgate')).to.deep.equal({ kind: 'addStopWords', words: ['northgate'] });
    expect(neverShow('night shift')).to.deep.equal({ kind: 'dropConcepts', keys: ['night shift'] });
    expect(neverShow('Fen End')).to.deep.equal({ kind: 'dropConcepts', keys: ['Fen End'] });
  });
});
