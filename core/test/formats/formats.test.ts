import { expect } from 'chai';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { readCsv, writeCsv } from '../../src/formats/csv.ts';
import { readSettings } from '../../src/study-files/settings-file.ts';
import {
  readStudyFile,
  StudyFileError,
  writeStudyFile,
  type StudyFile,
} from '../../src/study-files/study-file.ts';
import { LARGEST_TEXT_FILE, decodeText, refuseSize, tidyText } from '../../src/formats/read/text-file.ts';
import { recipeRecord } from '../../src/study-files/recipe-file.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { foldDecisions } from '../../src/study/record.ts';
import { makeSource } from '../../src/intake/sources.ts';
import { readFiles } from '../../src/intake/intake.ts';
import { readPasted } from '../../src/intake/taking.ts';

const bytes = (...values: number[]): Uint8Array => Uint8Array.from(values);
const utf16 = (text: string, little: boolean, mark: boolean): Uint8Array => {
  const units = [...(mark ? [0xfeff] : []), ...Array.from(text, (character) => character.charCodeAt(0))];
  return Uint8Array.from(
    units.flatMap((unit) => (little ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255])),
  );
};

describe('text files', () => {
  const text = 'Café on the quay, late again.';

  it('are read in every encoding named', () => {
    expect(decodeText(strToU8(text))).to.include({ ok: true, text, encoding: 'UTF-8' });
    expect(decodeText(bytes(0xef, 0xbb, 0xbf, ...strToU8(text)))).to.include({ text, encoding: 'UTF-8' });
    for (const little of [true, false]) {
      for (const mark of [true, false])
        expect(decodeText(utf16(text, little, mark))).to.include({ text, encoding: 'UTF-16' });
    }
    expect(decodeText(bytes(0x43, 0x61, 0x66, 0xe9, 0x20, 0x93, 0x68, 0x69, 0x94))).to.include({
      text: 'Café “hi”',
      encoding: 'Windows-1252',
    });
  });

  it('that are none are refused with a sentence', () => {
    const reason = (...given: number[]): string => {
      const read = decodeText(bytes(...given));
      return read.ok ? 'read' : read.reason;
    };
    expect(reason()).to.equal('It is empty.');
    expect(reason(0x89, 0x50, 0x4e, 0x47, 1, 2)).to.match(/not text but a PNG picture/);
    expect(reason(0x20, 0x0a)).to.match(/only white space/);
    expect(reason(1, 2, 0, 0, 9, 9, 0, 7)).to.match(/not text/);
    expect(reason(0x81, 0x8d, 0x90, 0x9d, 0x41, 0x8f)).to.match(/encoding/);
    expect(refuseSize(200 * 1024 * 1024)).to.match(/200 MB, and the most is 100 MB/);
    expect(refuseSize(LARGEST_TEXT_FILE)).to.equal(undefined);
  });

  it('have tidy line ends and whole characters', () => {
    expect(tidyText('\ufeffa\r\nb\rc')).to.equal('a\nb\nc');
    expect(tidyText('x\ud800y🚌')).to.equal('x\ufffdy🚌');
  });
});

describe('intake', () => {
  it('reports on every file, and knows what it has', async () => {
    const files = [
      { name: 'a.txt', bytes: strToU8('Rain again.') },
      { name: 'a.txt', bytes: strToU8('Rain again.') },
      { name: 'b.png', bytes: bytes(0x89, 0x50, 0x4e, 0x47) },
      { name: 'c.md', bytes: new Uint8Array() },
    ];
    const { added, refused } = await readFiles(files, new Set());
    expect(added.map(({ source }) => source.name)).to.deep.equal(['a.txt']);
    expect(refused.map(({ name }) => name)).to.deep.equal(['a.txt', 'b.png', 'c.md']);
    expect(refused[0].reason).to.match(/in the study already/);
    expect(refused[1].reason).to.match(/not text but a PNG picture/);
    expect(readPasted('x', ' ').refused).to.have.length(1);
    expect(readPasted('x', 'words').added).to.have.length(1);
  });
});

describe('tables', () => {
  it('are CSV, with cells a spreadsheet would run made harmless', () => {
    expect(
      writeCsv(
        ['concept', 'n'],
        [
          ['=1+1', 2],
          ['a,"b"', -3],
        ],
      ),
    ).to.equal('concept,n\n\'=1+1,2\n"a,""b""",-3\n');
  });

  it('are read with their delimiter found', () => {
    expect(readCsv('a;b\n1;"2;3"\n')).to.deep.equal({ header: ['a', 'b'], rows: [['1', '2;3']] });
    expect(() => readCsv('')).to.throw(/empty/);
  });
});

describe('settings', () => {
  it('are those of a recipe, or of the record of a run, too', () => {
    const recipe = recipeOf(foldDecisions({ records: [], head: 0, tip: 0 }));
    const file = recipeRecord(recipe);
    expect(readSettings(JSON.stringify(file))).to.deep.equal([{ kind: 'applyRecipe', recipe }]);
    const run = { version: '1', recipe: file, settings: { compare: { words: 80 }, other: 1 } };
    expect(readSettings(JSON.stringify(run))).to.deep.equal([
      { kind: 'applyRecipe', recipe },
      { kind: 'setCompare', change: { words: 80 } },
    ]);
    expect(() => readSettings('{"format":"other"}'))
      .to.throw(Error, 'no recipe file')
      .with.property('name', 'Error');
    expect(() => readSettings('{"recipe":3}')).to.throw('no recipe file');
  });

  it('become decisions, and faults are named', () => {
    expect(readSettings('{"windows":{"size":5},"stopWords":["bus"]}')).to.deep.equal([
      { kind: 'setWindows', change: { size: 5 } },
      { kind: 'addStopWords', words: ['bus'] },
    ]);
    expect(() => readSettings('{')).to.throw(/not valid JSON/);
    expect(() => readSettings('{"windows":{"size":-1}}')).to.throw(/windows\.size/);
    expect(() => readSettings('{"colour":1}')).to.throw(/colour/);
  });
});

describe('study files', () => {
  const source = makeSource('a.txt', 'Rain, again – 🚌');
  const file: StudyFile = {
    log: {
      records: [
        {
          seq: 1,
          parent: 0,
          time: '2026-01-01T00:00:00.000Z',
          decision: { kind: 'addSources', sources: [source] },
        },
        {
          seq: 2,
          parent: 1,
          time: '2026-01-01T00:00:01.000Z',
          decision: { kind: 'dropConcepts', keys: ['rain'] },
          reason: 'too common',
        },
        {
          seq: 3,
          parent: 1,
          time: '2026-01-01T00:00:02.000Z',
          decision: { kind: 'setWindows', change: { size: 2 } },
        },
      ],
      head: 3,
      tip: 3,
    },
    register: [{ letter: 'A', members: ['rain'], present: true }],
    originals: new Map([[source.id, 'Rain, again – 🚌']]),
  };
  const edited = (change: (json: Record<string, unknown>) => void): Uint8Array => {
    const entries = unzipSync(writeStudyFile(file));
    const json = JSON.parse(new TextDecoder().decode(entries['study.json'])) as Record<string, unknown>;
    change(json);
    return zipSync({ ...entries, 'study.json': strToU8(JSON.stringify(json)) });
  };

  it('come back as they were saved, byte for byte', () => {
    const packed = writeStudyFile(file);
    const read = readStudyFile(packed);
    expect(read.log).to.deep.equal(file.log);
    expect([...read.originals]).to.deep.equal([...file.originals]);
    expect(writeStudyFile(read)).to.deep.equal(packed);
    expect(foldDecisions(read.log).settings.windows.size).to.equal(2);
    expect(foldDecisions(read.log).dropped).to.deep.equal([]);
  });

  it('that are cut short, edited or too new are refused whole with the reason', () => {
    const packed = writeStudyFile(file);
    const fault = (given: Uint8Array): string => {
      try {
        readStudyFile(given);
        return 'opened';
      } catch (error) {
        expect(error).to.be.instanceOf(StudyFileError);
        return (error as Error).message;
      }
    };
    expect(fault(packed.slice(0, packed.length / 2))).to.match(/cut short/);
    expect(fault(strToU8('hello'))).to.match(/no study file/);
    expect(fault(zipSync({ 'other.txt': strToU8('x') }))).to.match(/no study\.json/);
    expect(fault(zipSync({ 'study.json': strToU8('{') }))).to.match(/not valid JSON/);
    expect(fault(edited((json) => (json.version = 99)))).to.match(/version 99/);
    expect(fault(edited((json) => (json.version = 3)))).to.equal('opened');
    expect(fault(edited((json) => (json.decisions = [{ kind: 'explode' }])))).to.match(
      /none of its decisions/,
    );
  });

  it('with one thing wrong are opened without it, and say what was left out', () => {
    const opened = (given: Uint8Array) => readStudyFile(given);
    const [first, second, third] = file.log.records;
    type Json = { decisions: { decision: unknown; parent: number; reason: string }[] };
    const astray = opened(edited((json) => (json.head = 77)));
    expect(astray.log.head).to.equal(3);
    const unknownKind = opened(
      edited((json) => ((json as unknown as Json).decisions[1].decision = { kind: 'explode' })),
    );
    expect(unknownKind.leftOut.join()).to.match(/^Decision 2 is damaged and was left out \(.*kind/);
    expect(unknownKind.log.records).to.deep.equal([first, third]);
    const circle = opened(edited((json) => ((json as unknown as Json).decisions[1].parent = 3)));
    expect(circle.leftOut.join()).to.match(/does not follow/);
    expect(circle.log.records).to.deep.equal([first, third]);
    const wordy = opened(
      edited((json) => ((json as unknown as Json).decisions[1].reason = 'x'.repeat(5000))),
    );
    expect(wordy.leftOut).to.deep.equal([]);
    expect(wordy.log.records[1].reason).to.have.length(1000);
    // What hung on a decision that is gone hangs on the one before it.
    const lost = opened(
      edited((json) => {
        const { decisions } = json as unknown as Json;
        decisions[2].parent = 2;
        decisions[1].decision = { kind: 'setWindows', change: { size: 2.5 } };
      }),
    );
    expect(lost.log.records).to.deep.equal([first, third]);
    const entries = unzipSync(writeStudyFile(file));
    const texts = (bytes?: Uint8Array): Record<string, Uint8Array> =>
      Object.fromEntries(
        Object.entries(entries).flatMap(([name, was]) =>
          name === 'study.json' ? [[name, was]] : bytes ? [[name, bytes]] : [],
        ),
      );
    const changed = opened(zipSync(texts(strToU8('Something else'))));
    expect(changed.leftOut).to.deep.equal([`“${source.name}” was left out: its text was changed by hand.`]);
    expect(foldDecisions(changed.log).sources).to.deep.equal([]);
    expect(changed.log.records[1]).to.deep.equal(second);
    expect(opened(zipSync(texts())).leftOut.join()).to.match(/missing/);
    expect(readStudyFile(writeStudyFile(changed)).leftOut).to.deep.equal([]);
  });

  it('with a flipped bit in a text are opened without that text, and never with another', () => {
    const packed = zipSync(unzipSync(writeStudyFile(file)), { level: 0 });
    const place = new TextDecoder('latin1').decode(packed).indexOf('Rain, again');
    packed[place] ^= 1;
    const { leftOut, originals } = readStudyFile(packed);
    expect(leftOut.join()).to.match(/its text is damaged/);
    expect(originals.size).to.equal(0);
  });
});
