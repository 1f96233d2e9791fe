import { expect } from 'chai';
import { decide } from '@green-thicket/core/study/decisions';
import { EMPTY_STUDY, type StudyState } from '@green-thicket/core/study/study';
import { decisionByKey } from '../src/pieces/key-decisions.ts';
import { isNeverShown, neverShow, showAgain, whyNowhere } from '../src/pieces/never-show.ts';

describe('never showing a concept', () => {
  it('stops a word, and drops a phrase whose words may be concepts themselves', () => {
    expect(neverShow(['Northgate'])).to.deep.equal({ kind: 'addStopWords', words: ['northgate'] });
    expect(neverShow(['night shift'])).to.deep.equal({ kind: 'dropConcepts', keys: ['night shift'] });
    expect(neverShow(['Fen End'])).to.deep.equal({ kind: 'dropConcepts', keys: ['Fen End'] });
  });

  it('is one decision for words and phrases together', () => {
    const decision = neverShow(['Northgate', 'night shift', 'rain']);
    expect(decision).to.deep.equal({
      kind: 'neverShow',
      words: ['northgate', 'rain'],
      phrases: ['night shift'],
    });
    const state = decide(decide(EMPTY_STUDY, { kind: 'keepConcepts', keys: ['night shift'] }), decision);
    expect([state.stopWords, state.dropped, state.kept]).to.deep.equal([
      ['northgate', 'rain'],
      ['night shift'],
      [],
    ]);
  });

  it('is known, and taken back, however the word is written', () => {
    const state = decide(EMPTY_STUDY, { kind: 'addStopWords', words: ['northgate', 'driver’s'] });
    expect(isNeverShown(state, 'Northgate')).to.equal(true);
    expect(isNeverShown(state, "driver's")).to.equal(true);
    expect(isNeverShown(state, 'driver')).to.equal(false);
    expect(decide(state, showAgain(state, 'Northgate')).stopWords).to.deep.equal(['driver’s']);
  });

  it('explains why a word is nowhere, and so does a merge', () => {
    const merged = [
      { kind: 'mergeConcepts', into: 'taxi', keys: ['cab'] },
      { kind: 'renameConcept', key: 'taxi', label: 'Taxis' },
      { kind: 'addStopWords', words: ['bus'] },
    ] as const;
    const state = merged.reduce<StudyState>(decide, EMPTY_STUDY);
    expect(whyNowhere(state, 'cab')).to.equal('It counts for Taxis now.');
    expect(whyNowhere(state, 'bus')).to.match(/stop list/);
    expect(whyNowhere(state, 'taxi')).to.equal(undefined);
  });
});

describe('the keys of a concept', () => {
  const press = (key: string, shiftKey = false) => decisionByKey({ key, shiftKey }, 'night shift');
  it('keep it, drop it and never show it', () => {
    expect(press('k')).to.deep.equal({ kind: 'keepConcepts', keys: ['night shift'] });
    expect(press('K', true)).to.deep.equal({ kind: 'keepConcepts', keys: ['night shift'] });
    expect(press('Delete')).to.deep.equal({ kind: 'dropConcepts', keys: ['night shift'] });
    expect(decisionByKey({ key: 'Delete', shiftKey: true }, 'Rain')).to.deep.equal({
      kind: 'addStopWords',
      words: ['rain'],
    });
  });

  it('are no others', () => {
    for (const key of ['d', 'Enter', 'Backspace', ' ', 'Shift']) expect(press(key)).to.equal(undefined);
  });
});
