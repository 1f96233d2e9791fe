import { expect } from 'chai';
import { guessPersons } from '../../src/study/persons.ts';
import { decide } from '../../src/study/decisions.ts';
import { EMPTY_STUDY, type StudySource, type StudyState } from '../../src/study/study.ts';
import { countOfPersons, personsOf, workingSources } from '../../src/study/subset.ts';

const sourcesNamed = (names: readonly string[], attributes: Record<string, string> = {}): StudySource[] =>
  names.map((name, i) => ({ id: `s${i}`, name, attributes, textHash: `h${9 - i}`, length: 10 }));
const nobody = (sources: readonly StudySource[]): undefined[] => sources.map(() => undefined);

describe('who speaks in several sources', () => {
  it('is guessed from names that end in the number of a part', () => {
    const sources = sourcesNamed(['d07_1.txt', 'd07_2.txt', 'd09_1.txt', 'd09_2.txt', 'town hall.txt']);
    const found = guessPersons(sources, nobody(sources));
    expect(found).to.deep.equal({
      by: 'names',
      persons: { s0: 'd07', s1: 'd07', s2: 'd09', s3: 'd09' },
      people: 2,
      example: ['d07_1.txt', 'd07_2.txt'],
    });
    const said = sourcesNamed(['Anna, part 1', 'Anna, part 2', 'Ben, part 1', 'Ben, part 2']);
    expect(guessPersons(said, nobody(said))).to.include({ by: 'names', people: 2 });
  });

  it('is not guessed where a number tells people apart, or kinds', () => {
    for (const names of [
      ['d01.txt', 'd02.txt', 'r01.txt', 'r02.txt'],
      ['interview 1', 'interview 2', 'interview 3'],
      ['driver 1', 'driver 2', 'resident 1', 'resident 2'],
      ['one', 'two'],
      [],
    ]) {
      const sources = sourcesNamed(names);
      expect(guessPersons(sources, nobody(sources)), names.join()).to.equal(undefined);
    }
  });

  it('is guessed from the speakers’ names, but not from what anybody is called', () => {
    const sources = sourcesNamed(['a', 'b', 'c', 'd']);
    expect(guessPersons(sources, ['Olive', 'Olive', 'Perrin', 'Perrin'])).to.deep.include({
      by: 'speakers',
      persons: { s0: 'Olive', s1: 'Olive', s2: 'Perrin', s3: 'Perrin' },
    });
    expect(guessPersons(sources, ['R', 'R', 'P1', 'P1'])).to.equal(undefined);
    expect(guessPersons(sources, ['Respondent', 'Respondent', 'Speaker 2', 'Speaker 2'])).to.equal(undefined);
  });

  it('is guessed from an attribute that is called so', () => {
    const sources = sourcesNamed(['a', 'b', 'c', 'd']).map((source, i) => ({
      ...source,
      attributes: { role: 'x', participant: i < 2 ? 'P1' : 'P2' },
    }));
    expect(guessPersons(sources, nobody(sources))).to.deep.equal({
      by: 'attribute',
      attribute: 'participant',
      people: 2,
    });
  });

  it('is told as one decision, puts their sources in a row and is taken back', () => {
    let state: StudyState = decide(EMPTY_STUDY, {
      kind: 'addSources',
      sources: sourcesNamed(['a', 'b', 'c', 'd', 'e']),
    });
    expect(personsOf(state)).to.equal(null);
    expect(countOfPersons(state)).to.equal(5);
    state = decide(state, {
      kind: 'tellPersons',
      attribute: 'person',
      persons: { s0: 'Olive', s3: 'Olive', s1: 'Perrin', s4: 'Perrin' },
    });
    // In the order of their contents e d c b a: Perrin's e brings b, Olive's d brings a.
    expect(workingSources(state).map(({ name }) => name)).to.deep.equal(['e', 'b', 'd', 'a', 'c']);
    expect(personsOf(state)).to.deep.equal([0, 0, 1, 1, 2]);
    expect(countOfPersons(state)).to.equal(3);
    state = decide(state, { kind: 'setSources', change: { person: '' } });
    expect(personsOf(state)).to.equal(null);
  });
});
