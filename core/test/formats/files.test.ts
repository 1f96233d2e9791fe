import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { readArchive, readFile } from '../../src/formats/read/files.ts';
import type { FileContent } from '../../src/formats/read/read-result.ts';
import { readFiles } from '../../src/intake/intake.ts';

const documents = new URL('../../../demo/night-buses-documents/', import.meta.url);
const sample = (name: string): Uint8Array => readFileSync(new URL(name, documents));
const read = async (name: string, bytes: Uint8Array | string) =>
  readFile({ name, bytes: typeof bytes === 'string' ? strToU8(bytes) : bytes });
const textOf = (content: FileContent | { kind: 'archive' }): string =>
  content.kind === 'texts'
    ? content.texts.map(({ text }) => text).join('\n---\n')
    : `not texts: ${content.kind}`;
const rowsOf = (content: FileContent | { kind: 'archive' }, sheet = 0): readonly (readonly string[])[] =>
  content.kind === 'table' ? content.sheets[sheet].rows : [[`not a table: ${content.kind}`]];
const reasonOf = (content: FileContent | { kind: 'archive' }): string =>
  content.kind === 'refused' ? content.reason : `not refused: ${content.kind}`;
/** A ZIP with some entries of another put in the place of its own. */
const changed = (bytes: Uint8Array, entries: Record<string, string>): Uint8Array =>
  zipSync({
    ...unzipSync(bytes),
    ...Object.fromEntries(Object.entries(entries).map(([name, text]) => [name, strToU8(text)])),
  });

describe('documents', () => {
  it('of a word processor give their paragraphs', async () => {
    const text = textOf(await read('diary.docx', sample('conductor-diary.docx')));
    expect(text.split('\n\n')).to.have.length(19);
    expect(text)
      .to.match(/^Diary of a conductor/)
      .and.include('\n\nFriday 7 February\n\nStudents, a cello, a cake. ');
    expect(text).to.include('The café owner');
  });

  it('in PDF lose running heads and page numbers, and keep paragraphs and line ends', async () => {
    const shares: number[] = [];
    const content = await readFile(
      { name: 'taxi.pdf', bytes: sample('taxi-driver.pdf') },
      { onProgress: (share) => shares.push(share) },
    );
    const text = textOf(content);
    expect(text)
      .not.to.match(/night bus study/)
      .and.not.match(/^\d$/m);
    expect(text)
      .to.include('of them shar-\ning a fare because')
      .and.include('they voted.\n\nInterviewer: What has changed');
    expect(text.match(/^(?:Interviewer|Taxi driver): /gm)).to.have.length(10);
    expect(shares.at(-1)).to.equal(1);
  });

  it('of subtitles become turns with their times', async () => {
    const text = textOf(await read('depot.vtt', sample('depot-table.vtt')));
    expect(text.split('\n\n')[0]).to.equal(
      '[00:00:02] Interviewer: So, three of you round one table. What is a good night?',
    );
    expect(text).to.include('Very quiet.').and.include('four buses & forty people').and.not.include('NOTE');
    const srt = textOf(
      await read(
        'a.srt',
        '1\n00:00:01,000 --> 00:00:02,000\n- Hello {\\an8}there\n\n2\n00:01:10,000 --> 00:01:12,000\nBye.\n',
      ),
    );
    expect(srt)
      .to.match(/Hello there/)
      .and.match(/\[00:01:10\] Bye\./);
    expect(reasonOf(await read('a.srt', 'no cues'))).to.match(/cue|subtitle/i);
  });

  it('of a workbook give times as they are shown, though a part of a day is a number with an end', async () => {
    const bytes = sample('at-the-stop.xlsx');
    const sheet = strFromU8(unzipSync(bytes)['xl/worksheets/sheet1.xml']);
    // 45700 is 2025-02-12; its parts of a day for 14:30, 09:10 and 23:59 as spreadsheets write them.
    const cells = [45700 + 870 / 1440, 45700 + 550 / 1440, 45700.999305555554]
      .map((value, i) => `<row r="${i + 2}"><c r="A${i + 2}" s="1"><v>${value}</v></c></row>`)
      .join('');
    const head = '<row r="1"><c r="A1" t="inlineStr"><is><t>met</t></is></c></row>';
    const made = sheet.replace(/<sheetData>[\s\S]*<\/sheetData>/, `<sheetData>${head}${cells}</sheetData>`);
    const content = await read('times.xlsx', changed(bytes, { 'xl/worksheets/sheet1.xml': made }));
    expect(rowsOf(content).map(([met]) => met)).to.deep.equal([
      'met',
      '2025-02-12 14:30',
      '2025-02-12 09:10',
      '2025-02-12 23:59',
    ]);
  });

  it('of a workbook give every sheet that holds something, dates as dates', async () => {
    const content = await read('stops.xlsx', sample('at-the-stop.xlsx'));
    expect(content).to.have.property('kind', 'table');
    expect(rowsOf(content).map((row) => row[3])).to.deep.equal([
      'day',
      '2025-02-12',
      '2025-02-12',
      '2025-02-13',
      '2025-02-14',
      '2025-02-14',
      '2025-02-15',
    ]);
    expect(rowsOf(content)[4][4]).to.equal('');
    expect(rowsOf(content, 1)).to.deep.equal([
      ['stop', 'shelter'],
      ['Hospital', 'yes'],
      ['Terminus', 'no'],
    ]);
  });

  it('in JSON are tables of their fields', async () => {
    const list = await read('a.json', '[{"who":{"name":"A"},"said":["one","two"]},{"said":"three","n":4}]');
    expect(rowsOf(list)).to.deep.equal([
      ['who.name', 'said', 'n'],
      ['A', 'one\ntwo', ''],
      ['', 'three', '4'],
    ]);
    const inside = await read('b.json', '{"title":"x","answers":[{"a":1}],"people":["p","q"]}');
    expect(inside.kind === 'table' && inside.sheets.map(({ name }) => name)).to.deep.equal([
      'answers',
      'people',
    ]);
    expect(rowsOf(inside, 1)).to.deep.equal([['text'], ['p'], ['q']]);
    const lines = await read('c.jsonl', '{"a":1}\nbroken\n\n{"a":2}\n');
    expect(rowsOf(lines)).to.deep.equal([['a'], ['1'], ['2']]);
    expect(lines.kind === 'table' && lines.note).to.match(/1 lines? .*first of them line 2/);
    expect(reasonOf(await read('d.json', '{"a":'))).to.match(/not valid JSON/);
    expect(reasonOf(await read('e.json', '7'))).to.match(/no list of records/);
    expect(reasonOf(await read('f.json', '[]'))).to.match(/empty/);
    expect(reasonOf(await read('g.jsonl', 'x\ny'))).to.match(/No line/);
  });

  it('of a saved page give their words and no program, style or address', async () => {
    const html =
      '<!doctype html><html><head><title>T</title><style>p{}</style></head><body><nav>Menu</nav><h1>Head</h1><p>One &amp; <a href="https://a.example">two</a></p><script>x()</script><ul><li>three</li></ul></body></html>';
    for (const name of ['a.html', 'a.txt']) {
      expect(textOf(await read(name, html))).to.equal('Head\n\nOne & two\n\nthree\n');
    }
    expect(reasonOf(await read('a.html', '<html><body><script>fetch()</script></body></html>'))).to.match(
      /no words/,
    );
  });
});

describe('tables of delimited text', () => {
  it('are read whatever parts the cells, ragged rows and odd quotes said', async () => {
    expect(rowsOf(await read('a.csv', 'a;b\n"x;1";2\n'))).to.deep.equal([
      ['a', 'b'],
      ['x;1', '2'],
    ]);
    expect(rowsOf(await read('a.tsv', 'a\tb\n1\t2\n'))).to.deep.equal([
      ['a', 'b'],
      ['1', '2'],
    ]);
    expect(rowsOf(await read('q.csv', 'a,b\n"He said ""yes""\nand left",2\n'))).to.deep.equal([
      ['a', 'b'],
      ['He said "yes"\nand left', '2'],
    ]);
    const ragged = await read('a.csv', 'a,b,c\n1,2\n1,2,3,4\n5,6,7\n');
    expect(rowsOf(ragged)).to.deep.equal([
      ['a', 'b', 'c'],
      ['1', '2'],
      ['1', '2', '3', '4'],
      ['5', '6', '7'],
    ]);
    expect(ragged.kind === 'table' && ragged.note).to.match(/2 of 3 rows have more or fewer cells/);
    expect(reasonOf(await read('a.csv', 'a,b\n1,"open\n2,3\n'))).to.match(/never closed/);
    expect(reasonOf(await read('a.csv', '\n \n'))).to.match(/only white space/);
  });

  it('of a hundred columns are read whole', async () => {
    const cells = (row: number) => Array.from({ length: 100 }, (_, i) => `r${row}c${i}`).join(',');
    const rows = rowsOf(await read('wide.csv', `${cells(0)}\n${cells(1)}\n`));
    expect([rows.length, rows[1].length, rows[1][99]]).to.deep.equal([2, 100, 'r1c99']);
  });
});

describe('files that are bad', () => {
  const pdf = (trailer: string, content = ''): string => {
    const objects = [
      '<< /Type /Catalog /Pages 2 0 R >>',
      '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
      '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 100 100] /Contents 4 0 R >>',
      `<< /Length ${content.length} >>\nstream\n${content}\nendstream`,
    ];
    let out = '%PDF-1.4\n';
    const places = objects.map((object, i) => {
      const at = out.length;
      out += `${i + 1} 0 obj\n${object}\nendobj\n`;
      return String(at).padStart(10, '0');
    });
    const at = out.length;
    out += `xref\n0 5\n0000000000 65535 f \n${places.map((place) => `${place} 00000 n \n`).join('')}`;
    return `${out}trailer\n<< /Size 5 /Root 1 0 R ${trailer} >>\nstartxref\n${at}\n%%EOF\n`;
  };

  it('each get a sentence', async () => {
    const key = 'ab'.repeat(32);
    const locked = pdf(
      `/ID [<${'00'.repeat(16)}> <${'00'.repeat(16)}>] /Encrypt << /Filter /Standard /V 1 /R 2 /O <${key}> /U <${key}> /P -4 >>`,
    );
    const encrypted = new Uint8Array(2048);
    encrypted.set([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1]);
    'EncryptedPackage'
      .split('')
      .forEach((letter, i) => encrypted.set([letter.charCodeAt(0), 0], 1024 + 2 * i));
    const cases: [string, string | Uint8Array, RegExp][] = [
      ['locked.pdf', locked, /protected by a password/],
      ['scan.pdf', pdf('', '0 0 50 50 re f'), /no text layer, only pictures.*OCR/],
      ['cut.pdf', '%PDF-1.4\nnothing', /damaged/],
      ['locked.xlsx', encrypted, /protected by a password/],
      ['old.doc', encrypted.slice(0, 1000), /old office document/],
      ['letter.rtf', '{\\rtf1 {Hello', /groups do not close/],
      ['picture.docx', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10), /PNG picture/],
      [
        'broken.docx',
        changed(sample('conductor-diary.docx'), { 'word/document.xml': '<w:document' }),
        /damaged|no text/,
      ],
      ['broken.xlsx', changed(sample('at-the-stop.xlsx'), { 'xl/workbook.xml': '<x' }), /damaged|empty/],
      ['odt.odt', zipSync({ mimetype: strToU8('application/vnd.oasis.opendocument.text') }), /damaged/],
      ['book.epub', zipSync({ mimetype: strToU8('application/epub+zip') }), /e-book is damaged/],
      ['study.zip', zipSync({ 'study.json': strToU8('{}') }), /study file/],
      ['cut.zip', zipSync({ 'a.txt': strToU8('x'.repeat(1000)) }).slice(0, 60), /damaged|cut short/],
      [
        'entity.docx',
        changed(sample('conductor-diary.docx'), {
          'word/document.xml':
            '<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]><w:document>&e;</w:document>',
        }),
        /declares entities/,
      ],
      [
        'entity.xlsx',
        changed(sample('at-the-stop.xlsx'), { 'xl/styles.xml': '<!DOCTYPE x [<!ENTITY e "e">]><x>&e;</x>' }),
        /declares entities/,
      ],
    ];
    for (const [name, bytes, reason] of cases)
      expect(reasonOf(await read(name, bytes)), name).to.match(reason);
  });

  it('keep no others out, and their ending deceives nobody', async () => {
    const intake = await readFiles(
      [
        { name: 'diary.txt', bytes: sample('conductor-diary.docx') },
        { name: 'talk.pdf', bytes: strToU8('WEBVTT\n\n00:01.000 --> 00:02.000\n<v A>Hello.</v>\n') },
        { name: 'stops.docx', bytes: sample('at-the-stop.xlsx') },
        { name: 'scan.pdf', bytes: strToU8(pdf('')) },
        {
          name: 'macro.docm',
          bytes: changed(sample('conductor-diary.docx'), { 'word/vbaProject.bin': 'x' }),
        },
      ],
      new Set(),
    );
    expect(intake.added.map(({ source }) => source.name)).to.deep.equal([
      'diary.txt',
      'talk.pdf',
      'macro.docm',
    ]);
    expect(intake.tables.map(({ name }) => name)).to.deep.equal(['stops.docx']);
    expect(intake.refused.map(({ name }) => name)).to.deep.equal(['scan.pdf']);
    expect(intake.notes).to.deep.equal([
      'macro.docm holds a macro, which was left alone; its words came in.',
    ]);
  });

  it('in an archive are told apart from the good; an archive that expands without end is left alone', async () => {
    const archive = zipSync({
      'a/one.txt': strToU8('One.'),
      'a/empty.txt': new Uint8Array(0),
      'inner.zip': zipSync({ 'x.txt': strToU8('x') }),
      '__MACOSX/a/._one.txt': strToU8('junk'),
      'a/.DS_Store': strToU8('junk'),
      'list.csv': strToU8('text\nyes\n'),
    });
    const intake = await readFiles([{ name: 'all.zip', bytes: archive }], new Set());
    expect(intake.added.map(({ source }) => source.name)).to.deep.equal(['a/one.txt']);
    expect(intake.tables).to.have.length(1);
    expect(intake.refused.map(({ name, reason }) => `${name}: ${reason}`).join('\n'))
      .to.match(/all.zip\/a\/empty.txt: It is empty/)
      .and.match(/inner.zip: It is an archive inside an archive/);
    const bomb = zipSync({ 'zeros.txt': new Uint8Array(60 * 1024 * 1024) }, { level: 9 });
    expect(bomb.length).to.be.below(200_000);
    expect(readArchive({ name: 'bomb.zip', bytes: bomb }).refused[0].reason).to.match(
      /would unpack to 60 MB or more/,
    );
    expect(reasonOf(await read('bomb.docx', bomb))).to.match(/would unpack|not refused: archive/);
    expect(readArchive({ name: 'none.zip', bytes: zipSync({}) }).refused[0].reason).to.match(/empty/);
  });

  it('can be stopped between', async () => {
    let asked = 0;
    const files = [1, 2, 3].map((n) => ({ name: `${n}.txt`, bytes: strToU8(`text ${n}`) }));
    const { added } = await readFiles(files, new Set(), { stopped: () => asked++ > 0 });
    expect(added).to.have.length(1);
  });
});
