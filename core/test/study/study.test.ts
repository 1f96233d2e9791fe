import { expect } from 'chai';
import { describeDecision } from '../../src/words/decisions.ts';
import { decide, type Decision } from '../../src/study/decisions.ts';
import { foldDecisions, redone, undone, type DecisionLog } from '../../src/study/record.ts';
import { methodSentences, sentenceText, STOPS, windowText } from '../../src/words/sentences.ts';
import { stageKey } from '../../src/engine/stage-keys.ts';
import { comparedAttribute, groupsOf } from '../../src/study/groups.ts';
import { EMPTY_STUDY } from '../../src/study/study.ts';
import { partAround } from '../../src/views/reading/part-around.ts';
import { asking, exampleStudy } from '../examples.ts';

function logOf(...decisions: Decision[]): DecisionLog {
  const records = decisions.map((decision, i) => ({
    seq: i + 1,
    parent: i,
    time: '2026-01-01T00:00:00.000Z',
    decision,
  }));
  return { records, head: decisions.length, tip: decisions.length };
}

describe('decisions', () => {
  it('fold to the state; undo and redo move the head', () => {
    const log = logOf(
      { kind: 'renameStudy', title: 'Buses' },
      { kind: 'dropConcepts', keys: ['bus'] },
      { kind: 'keepConcepts', keys: ['bus'] },
    );
    expect(foldDecisions(log)).to.include({ title: 'Buses' });
    expect(foldDecisions(log).kept).to.deep.equal(['bus']);
    expect(foldDecisions(log).dropped).to.deep.equal([]);
    const back = { ...log, head: undone(log) };
    expect(foldDecisions(back).dropped).to.deep.equal(['bus']);
    expect(redone(back)).to.equal(3);
    expect(redone(log)).to.equal(3);
    expect(undone({ ...log, head: 0 })).to.equal(0);
  });

  it('after an undo make a new line and keep the old one on record', () => {
    const log = logOf({ kind: 'renameStudy', title: 'One' }, { kind: 'renameStudy', title: 'Two' });
    const branched: DecisionLog = {
      records: [
        ...log.records,
        {
          seq: 3,
          parent: 1,
          time: '2026-01-01T00:00:00.000Z',
          decision: { kind: 'renameStudy', title: 'Three' },
        },
      ],
      head: 3,
      tip: 3,
    };
    expect(foldDecisions(branched).title).to.equal('Three');
    const back = { ...branched, head: undone(branched) };
    expect(foldDecisions(back).title).to.equal('One');
    expect(redone(back)).to.equal(3);
  });

  it('merge without running in circles', () => {
    const merged = (...steps: Decision[]) => steps.reduce(decide, EMPTY_STUDY).merges;
    const into = (to: string, ...keys: string[]): Decision => ({ kind: 'mergeConcepts', into: to, keys });
    expect(merged(into('b', 'a'), into('a', 'b'))).to.deep.equal({ b: 'a' });
    expect(merged(into('b', 'a'), into('c', 'b'))).to.deep.equal({ a: 'c', b: 'c' });
    expect(merged(into('a', 'a'))).to.deep.equal({});
  });

  it('rename concepts and themes, and an empty name brings the old one back', () => {
    const state = decide(EMPTY_STUDY, { kind: 'renameTheme', letter: 'A', name: ' Weather ' });
    expect(state.themeNames).to.deep.equal({ A: 'Weather' });
    expect(decide(state, { kind: 'renameTheme', letter: 'A', name: '' }).themeNames).to.deep.equal({});
    const named = decide(EMPTY_STUDY, { kind: 'renameConcept', key: 'bus', label: 'night bus' });
    expect(named.conceptLabels).to.deep.equal({ bus: 'night bus' });
    expect(decide(named, { kind: 'renameConcept', key: 'bus', label: 'bus' }).conceptLabels).to.deep.equal(
      {},
    );
  });

  it('say what they are', () => {
    expect(describeDecision({ kind: 'dropConcepts', keys: ['a', 'b', 'c', 'd'] })).to.equal(
      'drop a, b and 2 more',
    );
    expect(describeDecision({ kind: 'mergeConcepts', into: 'bus', keys: ['coach'] })).to.equal(
      'merge coach into bus',
    );
  });
});

const TALK = [
  'Rain came and the shelter leaked. The bench was wet from rain.',
  'The fare rose. The wage did not, and the fare hurt.',
];
const smallStudy = () =>
  exampleStudy(
    Array.from({ length: 8 }, (_, i) => ({
      name: `s${i}.txt`,
      text: `${TALK[i % 2]} ${TALK[i % 2]}\n\n${TALK[i % 2]}`,
      attributes: { role: i % 2 ? 'payer' : 'waiter', town: '' },
    })),
  );

describe('stages', () => {
  it('are computed once, and after a change only what hangs on it', () => {
    const study = smallStudy();
    study.compute('map');
    const before = study.engine.timings.length;
    study.compute('map');
    expect(study.engine.timings.length).to.equal(before);
    study.decide({ kind: 'setLinks', change: { cutOff: 0.2 } });
    study.compute('map');
    const again = study.engine.timings.slice(before).map(({ stage }) => stage);
    expect(again).to.deep.equal(['links', 'graph', 'resampledGraphs', 'sweep', 'grouping', 'themes', 'map']);
    const undoing = study.engine.timings.length;
    study.decide({ kind: 'setLinks', change: { cutOff: 0.1 } });
    study.compute('map');
    expect(study.engine.timings.length).to.equal(undoing);
  });

  it('are not made again where a decision leaves what they are made of as it was', () => {
    const study = smallStudy();
    study.compute('map');
    const [first] = study.compute('concepts').keys;
    const before = study.engine.timings.length;
    // It was among the concepts anyway.
    study.decide({ kind: 'keepConcepts', keys: [first] });
    study.compute('map');
    const again = study.engine.timings.slice(before).map(({ stage }) => stage);
    expect(again).to.deep.equal(['concepts']);
  });

  it('have hashes that change with what they read and nothing else', () => {
    const study = smallStudy();
    const hash = stageKey('candidates', study.state);
    study.decide({ kind: 'setThemes', change: { seed: 2 } });
    expect(stageKey('candidates', study.state)).to.equal(hash);
    study.decide({ kind: 'addStopWords', words: ['rain'] });
    expect(stageKey('candidates', study.state)).not.to.equal(hash);
  });

  it('give the same result to the last digit every time', () => {
    const [one, two] = [smallStudy(), smallStudy()];
    for (const stage of ['links', 'themes', 'map', 'comparison'] as const) {
      expect(one.compute(stage)).to.deep.equal(two.compute(stage));
    }
  });

  it('do without text: an empty study and one of too little text have no links and no faults', () => {
    for (const texts of [[], [{ name: 'a.txt', text: 'Rain.' }], [{ name: 'a.txt', text: '12 34' }]]) {
      const study = exampleStudy(texts);
      expect(study.compute('links').standing).to.equal(0);
      expect(study.compute('map').parcels).to.deep.equal([]);
      expect(study.compute('comparison').groups).to.deep.equal([]);
    }
  });

  it('are not harmed by control characters, tags, or text from right to left', () => {
    const study = exampleStudy([
      {
        name: 'a.txt',
        text: 'A \u0007bell \u202eright to left\u202c <script>alert(1)</script> שלום עולם. Night\u0000bus.',
      },
    ]);
    const tokens = study.compute('tokens');
    expect(tokens.forms).to.include.members(['script', 'שלום', 'עולם']);
    expect(study.compute('candidates').keys).to.deep.equal(['script']);
  });
});

describe('passages behind a number', () => {
  it('are as many windows as the link says, and mark the very words', () => {
    const study = smallStudy();
    study.decide({ kind: 'setConcepts', change: { minimumMentions: 2 } });
    const links = study.compute('links');
    const { keys } = study.compute('concepts');
    expect(links.source.length).to.be.above(0);
    for (let i = 0; i < Math.min(10, links.source.length); i++) {
      const selection = { kind: 'link', keys: [keys[links.source[i]], keys[links.target[i]]] } as const;
      const view = asking(study)('passages', { selection, limit: 100 });
      expect(view.windows).to.equal(links.both[i]);
      expect(view.rows.reduce((sum, row) => sum + row.windows, 0)).to.equal(view.windows);
      for (const row of view.rows) {
        expect(study.original(row.sourceId).slice(row.start, row.end)).to.equal(row.text);
        const words = row.marks.map((mark) =>
          study.original(row.sourceId).slice(mark.start, mark.end).toLowerCase(),
        );
        expect(new Set(row.marks.map((mark) => mark.key)).size).to.equal(2);
        words.forEach((word, w) => expect(word.startsWith(row.marks[w].key.slice(0, 3))).to.equal(true));
      }
    }
  });

  it('of a concept that is gone are none', () => {
    const study = smallStudy();
    const view = asking(study)('passages', { selection: { kind: 'concept', key: 'gone' }, limit: 5 });
    expect(view).to.include({ windows: 0, total: 0, title: 'gone' });
  });

  it('show a part of a very long text', () => {
    expect(partAround('short', 3)).to.deep.equal({ start: 0, end: 5 });
    const long = 'word '.repeat(60_000);
    const { start, end } = partAround(long, 200_000);
    expect(end - start).to.be.at.most(80_000);
    expect(start).to.be.below(200_000);
    expect(end).to.be.above(200_000);
    const line = 'x'.repeat(300_000);
    expect(partAround(line, 290_000).end).to.equal(300_000);
  });
});

describe('groups', () => {
  it('are the values of the attribute, in order; no value is no group', () => {
    const { state } = smallStudy();
    expect(comparedAttribute(state)).to.equal('role');
    expect(groupsOf(state, 'role').names).to.deep.equal(['payer', 'waiter']);
    expect(groupsOf(state, 'town').names).to.deep.equal([]);
    expect(groupsOf(state, 'town').groupOf[0]).to.equal(-1);
  });
});

describe('method sentences', () => {
  it('say every setting in plain words', () => {
    const { state } = smallStudy();
    const sentences = methodSentences(state, { resolution: 0.9, exact: true });
    expect(STOPS.map((stop) => sentenceText(sentences[stop]))).to.have.length(7);
    expect(sentenceText(sentences.links)).to.match(
      /share a window of a whole source, as these are short answers, at least 3 times, their NPMI is above 0.1/,
    );
    const unasked = decide(state, { kind: 'setLinks', change: { maximumQ: 1 } });
    expect(sentenceText(methodSentences(unasked).links)).to.include(
      'whether or not chance would explain it.',
    );
    expect(sentenceText(methodSentences(unasked).map)).to.match(/some of them may be chance\.$/);
    expect(sentenceText(sentences.map)).to.not.include('may be chance');
    expect(sentenceText(sentences.themes)).to.include(
      'the fewest, three or more, that come back nearly as well as any from sources drawn anew, at resolution 0.9',
    );
    expect(windowText({ unit: 'words', size: 30, acrossParagraphs: true })).to.equal(
      '30 words across paragraphs',
    );
    expect(windowText({ unit: 'paragraph', size: 3, acrossParagraphs: false })).to.equal('a paragraph');
  });
});
