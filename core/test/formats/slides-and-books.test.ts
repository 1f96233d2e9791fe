import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import { readFile } from '../../src/formats/read/files.ts';
import { readFiles } from '../../src/intake/intake.ts';

const archive = (files: Readonly<Record<string, string>>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])));
const wordsOf = async (name: string, bytes: Uint8Array): Promise<string> => {
  const content = await readFile({ name, bytes });
  return content.kind === 'texts'
    ? content.texts.map(({ text }) => text).join('|') + (content.note ?? '')
    : content.kind === 'refused'
      ? content.reason
      : content.kind;
};

const P = 'xmlns:p="urn:p" xmlns:a="urn:a" xmlns:r="urn:r" xmlns:mc="urn:mc"';
const paragraph = (...runs: readonly string[]): string =>
  `<a:p>${runs.map((run) => (run === '\n' ? '<a:br/>' : `<a:r><a:t>${run}</a:t></a:r>`)).join('')}</a:p>`;
const shape = (inside: string, kind = ''): string =>
  `<p:sp><p:nvSpPr><p:nvPr>${kind === '' ? '' : `<p:ph type="${kind}"/>`}</p:nvPr></p:nvSpPr><p:txBody>${inside}</p:txBody></p:sp>`;
const slide = (...shapes: readonly string[]): string =>
  `<p:sld ${P}><p:cSld>${shapes.join('')}</p:cSld></p:sld>`;
const relations = (of: readonly (readonly [string, string, string])[]): string =>
  `<Relationships xmlns="urn:rels">${of.map(([id, kind, target]) => `<Relationship Id="${id}" Type="http://types/${kind}" Target="${target}"/>`).join('')}</Relationships>`;
const SLIDES = {
  '[Content_Types].xml': '<Types/>',
  'ppt/presentation.xml': `<p:presentation ${P}><p:sldIdLst><p:sldId id="1" r:id="r2"/><p:sldId id="2" r:id="r1"/><p:sldId id="3" r:id="r2"/></p:sldIdLst></p:presentation>`,
  'ppt/_rels/presentation.xml.rels': relations([
    ['r1', 'slide', 'slides/slide1.xml'],
    ['r2', 'slide', '/ppt/slides/slide2.xml'],
  ]),
  'ppt/slides/slide1.xml': slide(
    shape(paragraph('Second &amp; last', '\n', 'line')),
    shape(paragraph('7'), 'sldNum'),
    `<mc:AlternateContent><mc:Choice>${shape(paragraph('Once'))}</mc:Choice><mc:Fallback>${shape(paragraph('Once'))}</mc:Fallback></mc:AlternateContent>`,
  ),
  'ppt/slides/slide2.xml': slide(
    shape(paragraph('Night', ' buses')),
    shape(paragraph('') + paragraph('Rain')),
  ),
  'ppt/slides/_rels/slide2.xml.rels': relations([['n', 'notesSlide', '../notesSlides/notesSlide1.xml']]),
  'ppt/notesSlides/notesSlide1.xml': slide(
    shape(paragraph('Say it slowly.')),
    shape(paragraph('1'), 'sldNum'),
  ),
};

const CHAPTER = (body: string): string =>
  `<?xml version="1.0"?><!DOCTYPE html><html xmlns="http://www.w3.org/1999/xhtml"><head><title>No words of it</title></head><body>${body}</body></html>`;
const BOOK = {
  mimetype: 'application/epub+zip',
  'META-INF/container.xml':
    '<container xmlns="urn:c"><rootfiles><rootfile full-path="OEBPS/book.opf" media-type="x"/></rootfiles></container>',
  'OEBPS/book.opf': `<opf:package xmlns:opf="urn:o"><opf:manifest>
    <opf:item id="toc" href="toc.xhtml" properties="nav"/><opf:item id="one" href="text/chapter%201.xhtml"/>
    <opf:item id="two" href="text/two.xhtml#start"/><opf:item id="again" href="./text/two.xhtml"/></opf:manifest>
    <opf:spine><opf:itemref idref="toc"/><opf:itemref idref="two"/><opf:itemref idref="one"/><opf:itemref idref="two"/><opf:itemref idref="again"/></opf:spine></opf:package>`,
  'OEBPS/toc.xhtml': CHAPTER('<nav>Contents</nav><p>Contents</p>'),
  'OEBPS/text/chapter 1.xhtml': CHAPTER('<h1>After</h1><p>It came <i>late</i>.</p>'),
  'OEBPS/text/two.xhtml': CHAPTER('<h1>Before</h1><p>We waited in café rain.</p>'),
};

describe('slides and e-books', () => {
  it('slides come in as they are shown, with their notes, without numbers and what stands twice', async () => {
    expect(await wordsOf('talk.pptx', archive(SLIDES))).to.equal(
      'Night buses\n\nRain\n\nSay it slowly.\n\nSecond & last\nline\n\nOnce\n',
    );
  });

  it('an e-book comes in as it is read, each chapter once, without its list of contents', async () => {
    expect(await wordsOf('book.epub', archive(BOOK))).to.equal(
      'Before\n\nWe waited in café rain.\n\nAfter\n\nIt came late.\n',
    );
    const { added } = await readFiles(
      [{ name: 'all.zip', bytes: zipSync({ 'book.epub': archive(BOOK), 'talk.pptx': archive(SLIDES) }) }],
      new Set(),
    );
    expect(added.map(({ source }) => source.name)).to.deep.equal(['book.epub', 'talk.pptx']);
  });

  it('that are damaged, empty or locked are refused with what to do, or come in in part and say so', async () => {
    const without = (files: Readonly<Record<string, string>>, ...gone: readonly string[]): Uint8Array =>
      archive(Object.fromEntries(Object.entries(files).filter(([name]) => !gone.includes(name))));
    for (const [name, bytes, said] of [
      ['a.pptx', without(SLIDES, 'ppt/slides/slide1.xml', 'ppt/slides/slide2.xml'), /no text on the slides/],
      ['a.pptx', archive({ ...SLIDES, 'ppt/slides/slide1.xml': '<p:sld><a:p>' }), /damaged/],
      [
        'a.pptx',
        archive({ ...SLIDES, 'ppt/slides/slide1.xml': '<!DOCTYPE x><p:sld/>' }),
        /declares entities/,
      ],
      ['a.pptx', without(SLIDES, 'ppt/_rels/presentation.xml.rels'), /no text on the slides/],
      ['a.epub', without(BOOK, 'META-INF/container.xml'), /e-book is damaged/],
      ['a.epub', archive({ ...BOOK, 'OEBPS/book.opf': '<package' }), /no text in the e-book/],
      [
        'a.epub',
        archive({
          mimetype: BOOK.mimetype,
          'META-INF/container.xml': BOOK['META-INF/container.xml'],
          'META-INF/rights.xml': '<r/>',
          'OEBPS/book.opf': '<package/>',
        }),
        /protected against copying/,
      ],
      ['a.epub', without(BOOK, 'OEBPS/text/two.xhtml'), /After[^]*1 of its chapters can’t be found/],
      [
        'a.epub',
        archive({
          ...BOOK,
          'META-INF/container.xml': '<container><rootfile full-path="../../etc/passwd"/></container>',
        }),
        /e-book is damaged/,
      ],
    ] as const)
      expect(await wordsOf(name, bytes), name).to.match(said);
  });
});
