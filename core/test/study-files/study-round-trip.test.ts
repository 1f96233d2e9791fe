import { expect } from 'chai';
import fc from 'fast-check';
import { decisionFault } from '../../src/study-files/decision-schemas.ts';
import {
  entryFault,
  readStudyFile,
  writeProvedStudyFile,
  writeStudyFile,
} from '../../src/study-files/study-file.ts';
import type { NotebookEntry } from '../../src/study/notebook.ts';
import { hashValue } from '../../src/base/hash.ts';
import { foldDecisions } from '../../src/study/record.ts';
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
    const given = [plain, plain.replace('<svg', '<svg onload="alert(1)"'), '<svg/>', 'words'].map(view);
    const { notebook, leftOut } = readStudyFile(
      writeStudyFile({ log, register: [], originals: new Map(), notebook: given }),
    );
    expect(notebook.map((entry) => entry.view?.figure?.picture?.svg)).to.deep.equal([
      plain,
      plain,
      undefined,
      undefined,
    ]);
    expect(leftOut).to.have.length(3);
    expect(leftOut[0]).to.equal(
      'The picture of Notebook entry 2 held what no drawing needs (onload), and is kept without it.',
    );
    expect(leftOut[1]).to.match(/entry 3 was left out: it does not say how large it is/);
  });
});
