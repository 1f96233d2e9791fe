import { expect } from 'chai';
import { decide } from '../../src/study/decisions.ts';
import { makeSource } from '../../src/intake/sources.ts';
import { EMPTY_STUDY, type StudyState } from '../../src/study/study.ts';
import {
  inShownOrder,
  shownRanks,
  shownSources,
  workingSources,
  type Subset,
} from '../../src/study/subset.ts';

describe('the sources worked with', () => {
  const sources = ['nurse', 'driver', 'nurse'].map((role, i) => makeSource(`${i}.txt`, `${i}`, { role }));
  const subset: Subset = [{ kind: 'values', attribute: 'role', values: ['nurse'] }];
  const state = decide(decide(EMPTY_STUDY, { kind: 'addSources', sources }), {
    kind: 'setSources',
    change: { subset },
  });

  it('are the same array as long as nothing about sources is decided', () => {
    const before = workingSources(state);
    expect(before.map(({ name }) => name)).to.have.members(['0.txt', '2.txt']);
    expect(shownSources(state).map(({ name }) => name)).to.deep.equal(['0.txt', '2.txt']);
    expect(inShownOrder(shownRanks(state)).map((number) => before[number].name)).to.deep.equal([
      '0.txt',
      '2.txt',
    ]);
    expect(workingSources(decide(state, { kind: 'keepConcepts', keys: ['rain'] }))).to.equal(before);
  });

  it('follow the subset, the attributes and their types', () => {
    const wider = decide(state, { kind: 'setSources', change: { subset: [] } });
    expect(workingSources(wider)).to.have.length(3);
    expect(workingSources(state)).to.have.length(2);
    const ids = [sources[1].id];
    const moved = decide(state, { kind: 'setAttribute', ids, attribute: 'role', value: 'nurse' });
    expect(workingSources(moved)).to.have.length(3);
    const from = (type: 'number' | 'text'): StudyState => {
      const values = { age: { [sources[0].id]: '9', [sources[1].id]: '10' } };
      const aged = decide(decide(wider, { kind: 'setValues', values }), {
        kind: 'setSources',
        change: { subset: [{ kind: 'range', attribute: 'age', from: '10', to: '' }] },
      });
      return decide(aged, { kind: 'setAttributeType', attribute: 'age', type });
    };
    expect(workingSources(from('number')).map(({ name }) => name)).to.deep.equal(['1.txt']);
    expect(workingSources(from('text'))).to.not.equal(workingSources(from('number')));
  });
});
