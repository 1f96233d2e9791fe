import { expect } from 'chai';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { parseHTML } from 'linkedom';
import mammoth from 'mammoth';
import {
  heading,
  paragraph,
  sizeOfDrawing,
  withDrawnWords,
  withWords,
  type Block,
} from '../../src/formats/write/document.ts';
import { writeDocx } from '../../src/formats/write/docx-write.ts';
import { fontFace, withFontFace, writeHtml } from '../../src/formats/write/html-write.ts';

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100" width="200" height="100" role="img"><style>text{fill:red}</style><defs><pattern id="hatch-A"/></defs><rect fill="url(#hatch-A)" width="9"/><text x="1">Ada &amp; Bo</text></svg>';
const BLOCKS: readonly Block[] = [
  heading(1, 'A study'),
  heading(2, 'What was said'),
  {
    kind: 'paragraph',
    runs: [{ text: 'Plain, ' }, { text: 'bold', bold: true }, { text: ', slanted', italic: true }],
  },
  { kind: 'quote', runs: [{ text: 'Said Ada.' }], source: 'one.txt, paragraph 2' },
  { kind: 'list', items: [[{ text: 'first' }], [{ text: 'second' }]] },
  { kind: 'table', caption: 'Numbers', head: ['who', 'how many'], rows: [['Ada', 3]] },
  { kind: 'picture', caption: 'Figure 1. A map', alt: 'A map of "two" words', svg: SVG },
  heading(2, 'What follows'),
  heading(3, 'Small'),
];
const awkward = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 30 })
  .filter((text) => text.trim() === text && !/\s/.test(text));

describe('a document as a page', () => {
  const { document } = parseHTML(writeHtml('A study', BLOCKS));

  it('has its headings in order, chapters to go to, tables with headers and pictures with words', () => {
    expect([...document.querySelectorAll('h1,h2,h3')].map(({ tagName }) => tagName)).to.deep.equal([
      'H1',
      'H2',
      'H2',
      'H3',
    ]);
    for (const link of document.querySelectorAll('nav a')) {
      const target = document.querySelector(link.getAttribute('href') ?? '');
      expect(target?.textContent).to.equal(link.textContent);
    }
    expect(document.querySelectorAll('nav a').length).to.equal(2);
    expect(document.querySelector('table caption')?.textContent).to.equal('Numbers');
    expect([...document.querySelectorAll('th')].map((cell) => cell.getAttribute('scope'))).to.deep.equal([
      'col',
      'col',
      'row',
    ]);
    expect(document.querySelector('td.number')?.textContent).to.equal('3');
    expect(document.querySelector('svg')?.getAttribute('aria-label')).to.equal('A map of "two" words');
    expect(document.querySelector('blockquote cite')?.textContent).to.equal('one.txt, paragraph 2');
  });

  it('has commas in long counts, none in years, shares and what was written', () => {
    const rows = [['2345678', 164483, 9999, 2026, 1234567.5, -23456]];
    const table: Block = { kind: 'table', caption: 'Counts', head: ['a', 'b', 'c', 'd', 'e', 'f'], rows };
    const page = parseHTML(writeHtml('Counts', [table])).document;
    expect([...page.querySelectorAll('tbody th, td')].map((cell) => cell.textContent)).to.deep.equal([
      ...['2345678', '164,483', '9999', '2026', '1234567.5', '-23,456'],
    ]);
  });

  it('runs nothing, asks for nothing, and has names of its own for each drawing', () => {
    const page = writeHtml('A study', [...BLOCKS, ...BLOCKS]);
    const policy = parseHTML(page).document.querySelector('meta[http-equiv="Content-Security-Policy"]');
    expect(policy?.getAttribute('content'))
      .to.match(/^default-src 'none';/)
      .and.not.include('script-src');
    expect(page).to.not.match(/<script|<link|<iframe|https?:\/\/(?!www\.w3\.org\/2000\/svg)/);
    expect(page).to.include('id="p1-hatch-A"').and.include('url(#p2-hatch-A)');
    expect(page).to.not.include('fill:red');
    const typed = withFontFace(page, fontFace('QUJD'));
    expect(typed).to.include('src:url(data:font/woff2;base64,QUJD)');
  });

  it('keeps any words harmless', () => {
    fc.assert(
      fc.property(awkward, (text) => {
        const page = writeHtml(text, [heading(1, text), paragraph(text), heading(2, 'b')]);
        const read = parseHTML(page).document;
        const clean = text.replace(/[\u0000-\u001f\u007f\ufffe\uffff]/g, '');
        const shown = (read.querySelector('p')?.textContent ?? '').replace(/\u007f/g, '');
        expect(shown).to.equal(clean);
        expect(read.querySelectorAll('script,img').length).to.equal(0);
      }),
    );
    expect(writeHtml('x', [paragraph('<script>alert(1)</script>')])).to.not.include('<script>');
  });
});

describe('a document for word processors', () => {
  it('has headings, lists, tables and pictures that another reader knows', async () => {
    const { value } = await mammoth.convertToHtml({ buffer: Buffer.from(writeDocx(BLOCKS)) });
    expect(value).to.include('<h1>A study</h1>').and.include('<h2>What was said</h2>');
    expect(value).to.include('<h3>Small</h3>').and.include('<strong>bold</strong>');
    expect(value).to.include('<em>, slanted</em>');
    expect(value).to.match(/<table><thead><tr><th><p><strong>who<\/strong>/);
    expect(value).to.match(/<ul><li>first<\/li><li>second<\/li><\/ul>/);
    expect(value).to.match(/<img alt="A map of &quot;two&quot; words" src="data:image\/svg\+xml/);
  });

  it('shows a drawing without a picture to word processors that know drawings only by themselves', () => {
    const drawn =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10" width="10" height="10"><text x="1" y="2" fill="#000" stroke="#fff" stroke-width="3" stroke-linejoin="round" paint-order="stroke">stroke="no" rain</text><text x="1" y="2" stroke="#fff" stroke-width="3" paint-order="stroke"><tspan font-weight="800">A</tspan> bench</text><path d="M0 0" stroke="#111" stroke-width="2"/></svg>';
    const files = unzipSync(writeDocx([{ kind: 'picture', caption: 'c', alt: 'a', svg: drawn }]));
    const words = strFromU8(files['word/document.xml']);
    const fallback = /<mc:Fallback>(.*?)<\/mc:Fallback>/.exec(words)?.[1] ?? '';
    expect(fallback).to.contain('<a:blip r:embed="svg1"/>');
    expect(words).to.match(/<mc:Choice Requires="w15">.*r:embed="png1".*svgBlip/);
    // No halo that would be painted over a word, and no letter in the middle of its line.
    expect(strFromU8(files['word/media/picture1.svg'])).to.equal(
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10" width="10" height="10"><text x="1" y="2" fill="#000">stroke="no" rain</text><text x="1" y="2">A bench</text><path d="M0 0" stroke="#111" stroke-width="2"/></svg>',
    );
  });

  it('says what it is, numbers its pages, and lays wide tables on their side', () => {
    const wide = (columns: number): Block => ({
      kind: 'table',
      caption: `${columns} columns`,
      head: Array.from({ length: columns }, (_, i) => `c${i}`),
      rows: [Array.from({ length: columns }, (_, i) => i)],
    });
    const drawing = (width: number): Block => ({
      kind: 'picture',
      caption: `${width} across`,
      alt: '',
      svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} 800" width="${width}" height="800"></svg>`,
    });
    const blocks = [
      heading(1, 'A & B'),
      wide(7),
      drawing(700),
      heading(2, 'Wide ones'),
      wide(8),
      drawing(1200),
      wide(12),
      heading(2, 'After'),
    ];
    const files = unzipSync(writeDocx(blocks, { date: '2031-02-03T04:05:06.000Z' }));
    const properties = strFromU8(files['docProps/core.xml']);
    expect(properties).to.include('<dc:title>A &amp; B</dc:title>').and.include('<dc:language>en-GB');
    expect(properties).to.match(/<dcterms:modified [^>]*>2031-02-03T04:05:06\.000Z</);
    expect(strFromU8(files['word/footer.xml'])).to.match(/ PAGE .* of .* NUMPAGES /);
    expect(strFromU8(files['_rels/.rels'])).to.include('docProps/core.xml');
    const body = strFromU8(files['word/document.xml']);
    // Upright to before the wide ones, on its side over both, upright to the end.
    const ends = [...body.matchAll(/<w:sectPr>.*?<\/w:sectPr>/g)].map(([each]) => each.includes('landscape'));
    expect(ends).to.deep.equal([false, true, false]);
    expect(body.indexOf('7 columns')).to.be.below(body.indexOf('<w:sectPr>'));
    expect(body.indexOf('700 across')).to.be.below(body.indexOf('<w:sectPr>'));
    // As wide as the page that lies is long: 247 mm between the margins, of which 24.7 cm are 8.9 million units.
    expect(body).to.include('cx="6900000" cy="4600000"');
    expect(writeHtml('', blocks).match(/<figure class="broad">/g)).to.have.length(1);
    expect(body.indexOf('12 columns')).to.be.below(body.indexOf('landscape'));
    // What the wide ones are about stands over them.
    expect(body.indexOf('Wide ones')).to.be.above(body.indexOf('<w:sectPr>'));
    expect(body.match(/r:id="footer"/g)).to.have.length(3);
    expect(strFromU8(unzipSync(writeDocx(blocks))['docProps/core.xml'])).not.to.include('dcterms:modified');
  });

  it('carries each drawing, with its picture where there is one', () => {
    const png = new Uint8Array([1, 2, 3]);
    const withPicture = BLOCKS.map((block) => (block.kind === 'picture' ? { ...block, png } : block));
    const files = unzipSync(writeDocx(withPicture));
    expect(strFromU8(files['word/media/picture1.svg'])).to.equal(SVG);
    expect([...files['word/media/picture1.png']]).to.deep.equal([1, 2, 3]);
    expect(writeDocx(withPicture)).to.deep.equal(writeDocx(withPicture));
    // As wide as the page, and as high as the drawing is to its width.
    const [, across, down] =
      /<wp:extent cx="(\d+)" cy="(\d+)"/.exec(strFromU8(files['word/document.xml'])) ?? [];
    expect(Number(across) / Number(down)).to.equal(2);
  });
});

describe('the words of a document', () => {
  it('are all changed, prose and labels each in their way, and nothing else', () => {
    const marked = withWords(BLOCKS, { prose: (text) => `(${text})`, label: (text) => `<${text}>` });
    expect(marked[0]).to.deep.equal(heading(1, '<A study>'));
    expect(marked[3]).to.deep.equal({
      kind: 'quote',
      runs: [{ text: '(Said Ada.)' }],
      source: '<one.txt, paragraph 2>',
    });
    expect(marked[5]).to.deep.equal({
      kind: 'table',
      caption: '<Numbers>',
      head: ['<who>', '<how many>'],
      rows: [['<Ada>', 3]],
    });
    const same = withWords(BLOCKS, { prose: (text) => text, label: (text) => text });
    expect(same).to.deep.equal(BLOCKS);
  });

  it('on a drawing are changed as they read, and what is drawn stays', () => {
    expect(withDrawnWords(SVG, (text) => text.replace('Ada & Bo', 'Cy > Dee'))).to.equal(
      SVG.replace('Ada &amp; Bo', 'Cy &gt; Dee'),
    );
    expect(withDrawnWords(SVG, () => 'x')).to.include('text{fill:red}');
    expect(sizeOfDrawing(SVG)).to.deep.equal({ width: 200, height: 100 });
    expect(() => sizeOfDrawing('<svg/>')).to.throw(/viewBox/);
  });
});
