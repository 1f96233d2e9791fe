import { expect } from 'chai';
import fc from 'fast-check';
import type { Decision } from '../../src/study/decisions.ts';
import { canBeTakenOver, twoRecords } from '../../src/study/two-records.ts';
import { asking, exampleStudy } from '../examples.ts';
import { recordOf } from '../study/every-decision.ts';

const drop = (key: string): Decision => ({ kind: 'dropConcepts', keys: [key] });

describe('two records of decisions', () => {
  it('share what both hold, as often as both hold it', () => {
    const { shared, onlyHere, onlyThere } = twoRecords(
      recordOf([drop('a'), drop('b'), drop('b')]),
      recordOf([drop('b'), drop('c'), drop('a')]),
    );
    expect(shared).to.equal(2);
    expect(onlyHere.map(({ decision }) => decision)).to.deep.equal([drop('b')]);
    expect(onlyThere.map(({ decision }) => decision)).to.deep.equal([drop('c')]);
    const some = fc.array(fc.constantFrom('a', 'b', 'c', 'd').map(drop), { maxLength: 8 });
    fc.assert(
      fc.property(some, some, (here, there) => {
        const two = twoRecords(recordOf(here), recordOf(there));
        expect(two.shared + two.onlyHere.length).to.equal(here.length);
        expect(two.shared + two.onlyThere.length).to.equal(there.length);
        expect(twoRecords(recordOf(here), recordOf(here)).shared).to.equal(here.length);
      }),
    );
  });

  it('leave what needs the other’s texts where it is', () => {
    expect(canBeTakenOver(drop('a'))).to.equal(true);
    expect(canBeTakenOver({ kind: 'addSources', sources: [] })).to.equal(false);
  });
});

describe('a study beside a colleague’s', () => {
  const talk = (words: string): string =>
    Array.from({ length: 6 }, () => `Then ${words} were there. And ${words} again.`).join('\n\n');
  const study = exampleStudy(
    Array.from({ length: 8 }, (_, i) => ({
      name: `${i}.txt`,
      text: talk(
        i % 2 === 0 ? 'the rain and the bench and the shelter' : 'the fare and the wage and the rent',
      ),
    })),
  );
  study.decide({ kind: 'setConcepts', change: { minimumMentions: 2, minimumSources: 2 } });
  const ask = asking(study);

  it('is the same where it is the same study', () => {
    const view = ask('colleague', { state: study.state, register: [] });
    expect(view.sources).to.deep.equal({ both: 8, onlyHere: 0, onlyThere: 0 });
    expect(view.concepts.onlyHere).to.deep.equal([]);
    expect(view.here).to.deep.equal(view.there);
    for (const { shareHere, shareThere } of view.strengths) expect(shareHere).to.equal(shareThere);
  });

  it('says which concepts only one has, and looks at texts that are here alone', () => {
    const elsewhere = { ...study.state.sources[0], id: 'elsewhere', name: 'elsewhere' };
    const theirs = { ...study.state, dropped: ['rain'], sources: [...study.state.sources, elsewhere] };
    const view = ask('colleague', { state: theirs, register: [] });
    expect(view.concepts.onlyHere).to.deep.equal(['rain']);
    expect(view.concepts.onlyThere).to.deep.equal([]);
    expect(view.sources).to.deep.equal({ both: 8, onlyHere: 0, onlyThere: 1 });
    expect(view.labels).to.include({ bench: 'bench' });
  });
});
