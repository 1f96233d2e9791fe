import { expect } from 'chai';
import { knownThemes } from '../../../bench/known-themes.ts';
import {
  companyContexts,
  companyOfCandidates,
  pullOfCandidates,
  pullOfOne,
} from '../../src/concepts/pull.ts';
import { redrawConcepts, type RedrawInput } from '../../src/concepts/redrawn.ts';
import { workingSources } from '../../src/study/subset.ts';
import { finish } from '../../src/base/stepwise.ts';
import { exampleStudy, type ExampleStudy } from '../examples.ts';

const studyOf = (texts: readonly string[]): ExampleStudy =>
  exampleStudy(texts.map((text, i) => ({ name: `${i}`, text })));

const inputOf = (study: ExampleStudy, more: Partial<RedrawInput> = {}): RedrawInput => ({
  tokens: study.compute('tokens'),
  contexts: study.compute('contexts'),
  candidates: study.compute('candidates'),
  concepts: study.compute('concepts'),
  settings: {
    size: 80,
    minimumMentions: 'auto',
    minimumSources: 'auto',
    maximumSourceShare: 1,
    minimumLetters: 2,
    minimumPull: 0,
    kept: study.state.kept,
    dropped: study.state.dropped,
  },
  personOf: null,
  lengths: workingSources(study.state).map(({ length }) => length),
  seed: 1,
  ...more,
});

describe('concepts chosen anew', () => {
  it('are told the same pull one by one as all at once', () => {
    const study = studyOf(knownThemes(2, 12).texts);
    const { occurrence, occurrenceFirst, mentions } = study.compute('candidates');
    const company = companyOfCandidates(
      companyContexts(study.compute('tokens')),
      occurrence,
      occurrenceFirst,
      mentions,
    );
    const { references, judged, shared } = company;
    const pull = pullOfCandidates(company, mentions.length);
    const usual = new Float64Array(references);
    for (let r = 0; r < references; r++)
      usual[r] = shared.subarray(r * judged, (r + 1) * judged).reduce((sum, each) => sum + each, 0);
    const all = usual.reduce((sum, each) => sum + each, 0);
    for (let c = 0; c < judged; c += 7) {
      const met = Float64Array.from({ length: references }, (_, r) => shared[r * judged + c]);
      expect(
        pullOfOne(
          met,
          usual.map((each) => each / all),
          c,
        ),
      ).to.be.closeTo(pull[c], 1e-9);
    }
  });

  it('of halves are those that the halves by themselves choose, by far the most', () => {
    // Halves long enough for company to be judged by as many sentences.
    const { texts } = knownThemes(4, 24, 1500);
    const study = studyOf(texts);
    const input = inputOf(study);
    const { draws, chosen, pool } = finish(redrawConcepts(input, 4));
    const sources = workingSources(study.state);
    draws.forEach((voices, draw) => {
      const half = studyOf([...voices].map((s) => texts[Number(sources[s].name)]));
      half.decide({ kind: 'setConcepts', change: { size: input.concepts.candidate.length } });
      const alone = new Set(half.compute('concepts').keys);
      const same = [...chosen[draw]].filter((place) => alone.has(input.candidates.keys[pool[place]]));
      // Words of few mentions are judged by other references, and phrases are kept by the whole collection.
      expect(same.length / alone.size, `draw ${draw}`).to.be.above(0.85);
    });
  });

  it('are of every source as often as of any other, by turns', () => {
    const { draws, share, chosen } = finish(redrawConcepts(inputOf(studyOf(knownThemes(1, 7).texts)), 10));
    expect(draws).to.have.length(10);
    for (let draw = 0; draw < draws.length; draw += 2)
      expect([...draws[draw], ...draws[draw + 1]].sort()).to.deep.equal([0, 1, 2, 3, 4, 5, 6]);
    for (const each of share) expect(each).to.be.within(0, 1 + 1e-9);
    for (const list of chosen) expect(list.length).to.be.above(0);
  });

  it('keep what is kept, leave what is dropped, and draw a person’s sources together', () => {
    const study = studyOf(knownThemes(1, 8).texts);
    const { keys } = study.compute('candidates');
    const [first, second] = study.compute('concepts').keys;
    const late = keys[keys.length - 1];
    study.decide({ kind: 'keepConcepts', keys: [late] });
    study.decide({ kind: 'dropConcepts', keys: [first] });
    const { draws, share } = finish(
      redrawConcepts(inputOf(study, { personOf: [0, 0, 1, 1, 2, 2, 3, 3] }), 6),
    );
    expect(share[keys.indexOf(late)]).to.be.closeTo(1, 1e-9);
    expect(share[keys.indexOf(first)]).to.equal(0);
    expect(share[keys.indexOf(second)]).to.be.above(0);
    for (const voices of draws) expect(voices).to.have.length(2);
  });

  it('are none where there is one source, or nothing to choose', () => {
    for (const texts of [['One text. The bus is late.'], [], ['a', 'b']])
      expect(finish(redrawConcepts(inputOf(studyOf(texts)), 4)).draws, texts.join()).to.deep.equal([]);
  });
});
