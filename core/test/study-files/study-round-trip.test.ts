import { expect } from 'chai';
import fc from 'fast-check';
import { decisionFault } from '../../src/study-files/decision-schemas.ts';
import {
  entryFault,
  readStudyFile,
  writeProvedStudyFile,
  writeStudyFile,
} from '../../src/study-files/study-file.ts';
import { LONGEST } from '../../src/study/limits.ts';
import type { NotebookEntry } from '../../src/study/notebook.ts';
import { hashValue } from '../../src/base/hash.ts';
import { foldDecisions, type DecisionLog } from '../../src/study/record.ts';
import { A_TEXT, anyDecision, aSource } from '../study/any-decision.ts';
import { recordOf } from '../study/every-decision.ts';

const originals = new Map([[aSource.id, A_TEXT]]);

describe('a study file', () => {
  it('opens to the same state, whatever was decided', () => {
    fc.assert(
      fc.property(fc.array(anyDecision, { maxLength: 25 }), (wished) => {
        const decided = wished.filter((decision) => decisionFault(decision) === undefined);
        const log = recordOf([{ kind: 'addSources', sources: [aSource] }, ...decided]);
        const bytes = writeProvedStudyFile({ log, register: [], originals });
        const opened = readStudyFile(bytes);
        expect(opened.leftOut).to.deep.equal([]);
        expect(hashValue(foldDecisions(opened.log))).to.equal(hashValue(foldDecisions(log)));
        expect([...opened.originals]).to.deep.equal([...originals]);
      }),
      { numRuns: 200 },
    );
  });

  it('of decisions that no control makes opens without just those, and what is left opens whole', () => {
    fc.assert(
      fc.property(fc.array(anyDecision, { minLength: 1, maxLength: 25 }), (decisions) => {
        const log = recordOf([{ kind: 'addSources', sources: [aSource] }, ...decisions]);
        const opened = readStudyFile(writeStudyFile({ log, register: [], originals }));
        const bad = decisions.filter((decision) => decisionFault(decision) !== undefined);
        expect(opened.leftOut).to.have.length(bad.length);
        const good = recordOf([
          { kind: 'addSources', sources: [aSource] },
          ...decisions.filter((decision) => !bad.includes(decision)),
        ]);
        expect(hashValue(foldDecisions(opened.log))).to.equal(hashValue(foldDecisions(good)));
        expect(readStudyFile(writeProvedStudyFile(opened)).leftOut).to.deep.equal([]);
      }),
      { numRuns: 200 },
    );
  });

  it('that would not hold all of a study is not called saved', () => {
    const log = recordOf([
      { kind: 'setWindows', change: { size: 2.5 } },
      { kind: 'renameStudy', title: 'T' },
    ]);
    expect(() => writeProvedStudyFile({ log, register: [], originals: new Map() })).to.throw(
      /would not hold all/,
    );
  });

  it('holds memos as long as the Notebook takes them, and says what is wrong with others', () => {
    const entry = {
      id: 'm',
      time: '2031-01-01T00:00:00.000Z',
      note: 'x'.repeat(20_000),
      tags: ['t'.repeat(200)],
    };
    expect(entryFault(entry)).to.equal(undefined);
    expect(entryFault({ ...entry, note: `${entry.note}x` })).to.match(/note/);
    expect(entryFault({ ...entry, tags: [''] })).to.match(/tags/);
    const log = recordOf([{ kind: 'renameStudy', title: 'T' }]);
    const notebook = [entry, { ...entry, id: 'n', tags: [''] }];
    const opened = readStudyFile(writeStudyFile({ log, register: [], originals: new Map(), notebook }));
    expect(opened.notebook).to.deep.equal([entry]);
    expect(opened.leftOut.join()).to.match(/^Notebook entry 2 is damaged/);
  });

  it('holds everything at its longest, and nothing longer', () => {
    const at = '2031-01-01T00:00:00.000Z';
    const svg = (words: number): string =>
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><text>${'w'.repeat(words)}</text></svg>`;
    const entry = (over: number): NotebookEntry => ({
      id: 'e',
      time: at,
      note: 'n'.repeat(LONGEST.note + over),
      tags: ['t'.repeat(LONGEST.tag)],
      on: { kind: 'concept', key: 'c'.repeat(LONGEST.concept), name: 'n'.repeat(LONGEST.name) },
      excerpt: {
        ...{ sourceId: 's', sourceName: 'n'.repeat(LONGEST.name), start: 0, end: LONGEST.quote },
        quote: 'q'.repeat(LONGEST.quote),
      },
      view: {
        ...{ asked: { kind: 'map' }, address: 'map', seq: 1 },
        figure: {
          ...{ title: 't', note: 'n' },
          picture: { svg: svg(LONGEST.drawing - svg(0).length), alt: 'a' },
        },
      },
    });
    expect(entryFault(entry(0))).to.equal(undefined);
    expect(entryFault(entry(1))).to.match(/note/);
    const log = recordOf([{ kind: 'renameStudy', title: 'T'.repeat(LONGEST.name) }]);
    const reasoned = (reason: string): DecisionLog => ({
      ...log,
      records: log.records.map((record) => ({ ...record, reason })),
    });
    const study = { register: [], originals: new Map<string, string>(), notebook: [entry(0)] };
    const long = reasoned('r'.repeat(LONGEST.reason));
    const opened = readStudyFile(writeProvedStudyFile({ ...study, log: long }));
    expect(opened.leftOut).to.deep.equal([]);
    expect(opened.notebook).to.deep.equal(study.notebook);
    expect(opened.log.records[0].reason).to.equal('r'.repeat(LONGEST.reason));
  });

  it('of somebody else’s brings no picture that is more than a picture', () => {
    const log = recordOf([{ kind: 'renameStudy', title: 'T' }]);
    const view = (svg: string): NotebookEntry => ({
      ...{ id: 'k', time: '2031-01-02T03:04:05.000Z', note: '', tags: [] },
      view: {
        asked: { kind: 'map' },
        ...{ address: 'map', seq: 1 },
        figure: { title: 't', note: 'n.', picture: { svg, alt: 'a' } },
      },
    });
    const plain = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect width="3"/></svg>';
    const [running, otherHand] = [
      plain.replace('<svg', '<svg onload="alert(1)"'),
      plain.replace('<rect width="3"/>', "<!-- a comment --><rect  width='3' ></rect>"),
    ];
    const given = [plain, running, '<svg/>', 'words', otherHand].map(view);
    const { notebook, leftOut } = readStudyFile(
      writeStudyFile({ log, register: [], originals: new Map(), notebook: given }),
    );
    expect(notebook.map((entry) => entry.view?.figure?.picture?.svg)).to.deep.equal([
      plain,
      plain,
      undefined,
      undefined,
      plain,
    ]);
    expect(leftOut).to.have.length(3);
    expect(leftOut[0]).to.equal(
      'The picture of Notebook entry 2 held what no drawing needs (onload), and is kept without it.',
    );
    expect(leftOut[1]).to.match(/entry 3 was left out: it does not say how large it is/);
  });
});
