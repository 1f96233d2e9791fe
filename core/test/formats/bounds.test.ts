import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import { readFile } from '../../src/formats/read/files.ts';
import { readClipboardTable, writeClipboardTable, writeCsv } from '../../src/formats/csv.ts';
import { htmlToText } from '../../src/formats/read/html.ts';
import { escapeXml } from '../../src/base/xml.ts';
import { HOSTILE } from './hostile.ts';

const reasonOf = async (name: string, bytes: Uint8Array): Promise<string> => {
  const content = await readFile({ name, bytes });
  return content.kind === 'refused' ? content.reason : content.kind;
};
const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const package_ = (main: string, parts: Record<string, string>): Uint8Array =>
  zipSync({
    '[Content_Types].xml': strToU8(
      '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"/>',
    ),
    '_rels/.rels': strToU8(
      `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="${RELATIONS}/officeDocument" Target="${main}"/></Relationships>`,
    ),
    ...Object.fromEntries(Object.entries(parts).map(([name, text]) => [name, strToU8(text)])),
  });
const workbook = (cells: string): Uint8Array =>
  package_('xl/workbook.xml', {
    'xl/workbook.xml': `<workbook xmlns:r="${RELATIONS}"><sheets><sheet name="S" sheetId="1" r:id="r1"/></sheets></workbook>`,
    'xl/worksheets/sheet1.xml': `<worksheet><sheetData>${cells}</sheetData></worksheet>`,
  });
const document = (paragraphs: string): Uint8Array =>
  package_('word/document.xml', {
    'word/document.xml': `<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${paragraphs}</w:body></w:document>`,
  });

describe('files made to cost much', () => {
  for (const [name, make] of Object.entries(HOSTILE)) {
    it(`are read or refused: ${name}`, async () => {
      const bytes = strToU8(make(200_000));
      const read = await readFile({ name, bytes });
      if (read.kind === 'refused') expect(read.reason).to.match(/^[A-Z].*[.?]$/s);
    });
  }

  it('lose no words: a page of 2,000 elements in each other, or with a part that never closes', () => {
    const deep = htmlToText('<div><p>one of many</p>'.repeat(2000));
    expect(deep.split('\n\n')).to.have.length(2000);
    expect(htmlToText('<nav>Menu</nav><p>Words</p><noscript><p>More words')).to.equal('Words\n\nMore words');
    expect(
      htmlToText('<head><title>T</title><body>Words <b>and</b> more<script>x()</script> words'),
    ).to.equal('Words and more words');
    expect(
      htmlToText('<p>a<br>b<br><br>c<blockquote>said<p>again</blockquote>&eacute;&#33;<pre> x\n  y</pre>'),
    ).to.equal('a\nb\n\nc\n\n> said\n\n> again\n\né!\n\nx\ny');
  });
});

describe('files that would fill the memory', () => {
  it('are refused before anything is made of them, with what to do', async () => {
    const stray = workbook(
      '<row r="1"><c r="A1"><v>1</v></c></row><row r="1048576"><c s="1" r="XFD1048576"><v>1</v></c></row>',
    );
    expect(stray.length).to.be.lessThan(3000);
    expect(await reasonOf('stray.xlsx', stray)).to.match(
      /reaches to cell XFD1048576: .*delete the rows and columns/,
    );
    const tall = workbook('<row r="1"><c r="A1"/></row><row r="900000"><c r="Z900000"/></row>');
    expect(await reasonOf('tall.xlsx', tall)).to.match(/Z900000: 900,000 rows by 26 columns/);
    const wide = `${'a,b\n'.repeat(10_000)}x${','.repeat(20_000)}\n`;
    expect(await reasonOf('wide.csv', strToU8(wide))).to.match(
      /20,001 cells, and 2,000 columns are the most/,
    );
    const repeated = document('<w:p><w:r><w:t>Again.</w:t></w:r></w:p>'.repeat(60_000));
    expect(repeated.length).to.be.lessThan(85 * 1024);
    expect(await reasonOf('again.docx', repeated)).to.match(/60,000 paragraphs, more than can be read/);
    const long = document(`<w:p><w:r><w:t>${'x'.repeat(49 * 1024 * 1024)}</w:t></w:r></w:p>`);
    expect(await reasonOf('long.docx', long)).to.match(/would unpack|more than 48 MB/);
  });

  it('that say they hold less than they do are refused, and one flipped bit is found', async () => {
    const bytes = document('<w:p><w:r><w:t>The bus was late.</w:t></w:r></w:p>');
    expect(await reasonOf('a.docx', bytes)).to.equal('texts');
    const stored = document('<w:p><w:r><w:t>The bus was late.</w:t></w:r></w:p>');
    const text = new TextDecoder('latin1').decode(stored);
    const at = text.indexOf('word/document.xml') + 'word/document.xml'.length + 40;
    stored[at] ^= 8;
    expect(await reasonOf('a.docx', stored)).to.match(/can’t be unpacked/);
  });

  it('of pages nested without end still give their words', async () => {
    const nested = `<html><body>${'<div>'.repeat(900)}<p>Deep words.</p>${'</div>'.repeat(900)}</body></html>`;
    expect(await reasonOf('deep.html', strToU8(nested))).to.equal('texts');
  });
});

describe('encodings from before UTF-8', () => {
  // Each is the same two sentences in its own language, in the bytes of its encoding.
  const SAMPLES: readonly (readonly [name: string, hex: string, text: string])[] = [
    [
      'windows-1251',
      'cdeef7edeee920e0e2f2eee1f3f120f1f2eeffeb20f320f1f2e0f0eee920ece5ebfcede8f6fb2e20cce820e6e4e0ebe820efeee420e4eee6e4b8ec2e',
      'Ночной автобус стоял у старой мельницы. Ми ждали под дождём.',
    ],
    [
      'Shift_JIS',
      '96e98d73836f835882cd8cc382a290858ed48fac89ae82c58e7e82dc82c182bd8142924e82e08d7e82e882c882a982c182bd8142',
      '夜行バスは古い水車小屋で止まった。誰も降りなかった。',
    ],
    [
      'GB18030',
      'd2b9bce4b0cdcabfcda3d4dac0cfc4a5b7bbc5d4a1a3c3bbd3d0c8cbcfc2b3b5a3accbbebbfad4dabfb4b1a8d6bda1a3',
      '夜间巴士停在老磨坊旁。没有人下车，司机在看报纸。',
    ],
    ['ISO-8859-2', '4e6f636ee8206175746f62757320737461b320707a7920b66dfd6e65', ''],
  ];

  it('are told apart, or asked about, and never read as another without a word', async () => {
    for (const [name, hex, text] of SAMPLES) {
      const bytes = Uint8Array.from(hex.match(/../g) ?? [], (pair) => parseInt(pair, 16));
      const content = await readFile({ name: 'a.txt', bytes });
      if (text === '') {
        // Too short to be told: it is asked about.
        expect(content).to.include({ kind: 'refused' });
        expect(content.kind === 'refused' && content.encodings).to.include(name);
        continue;
      }
      expect(content.kind, name).to.equal('texts');
      if (content.kind !== 'texts') continue;
      expect(content.texts[0].text).to.equal(text);
      expect(content.note).to.include(`was read as ${name}`);
    }
  });

  it('of Western Europe are read as they were', async () => {
    const german = 'Der Nachtbus hielt an der alten Mühle. Niemand stieg aus, und größer war keiner.';
    const bytes = Uint8Array.from(german, (character) => character.charCodeAt(0));
    const content = await readFile({ name: 'a.txt', bytes });
    expect(content.kind === 'texts' && content.texts[0].text).to.equal(german);
    expect(content.kind === 'texts' && content.note).to.match(/was read as Windows-1252/);
  });

  it('with a zero byte anywhere are no text', async () => {
    const bytes = new Uint8Array(200_000).fill(97);
    bytes[150_001] = 0;
    expect(await reasonOf('a.txt', bytes)).to.match(/zero bytes/);
  });
});

describe('cells that leave for a spreadsheet', () => {
  it('run nothing, headings and copied ones too, and numbers stay numbers', () => {
    expect(
      writeCsv(
        ['=HYPERLINK("http://a.example")', '@x', 'plain'],
        [
          ['-1', '+2.5', '−3'],
          ['-1+1', '=1', '\t=1'],
          ['-5 %', '1e-3', '-x'],
        ],
      ),
    ).to.equal(`"'=HYPERLINK(""http://a.example"")",'@x,plain\n-1,+2.5,−3\n'-1+1,'=1,'\t=1\n-5 %,1e-3,'-x\n`);
    const cells = [
      ['=1+1', '-7'],
      ["'quoted", '@sum'],
      ['-x', ''],
    ];
    expect(readClipboardTable(writeClipboardTable(cells))).to.deep.equal(cells);
    expect(
      writeClipboardTable([
        ['=1+1', '-7'],
        ['a', '@sum'],
      ]),
    ).to.equal("'=1+1\t-7\na\t'@sum");
  });

  it('and pictures hold nothing that XML has no place for', () => {
    expect(escapeXml('a<b>&"\u0000\u0007\ud800\ufffe\n')).to.equal('a&lt;b&gt;&amp;&quot;\ufffd\n');
  });
});
