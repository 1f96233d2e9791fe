import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import { readFile } from '../../src/formats/read/files.ts';
import { htmlToText } from '../../src/formats/read/html.ts';

const read = (name: string, bytes: Uint8Array) => readFile({ name, bytes });
const textOf = async (name: string, bytes: Uint8Array | string): Promise<string> => {
  const content = await read(name, typeof bytes === 'string' ? strToU8(bytes) : bytes);
  return content.kind === 'texts' ? content.texts[0].text : JSON.stringify(content);
};
const NAMESPACES = ['office', 'text', 'table', 'draw']
  .map((prefix) => `xmlns:${prefix}="urn:oasis:names:tc:opendocument:xmlns:${prefix}:1.0"`)
  .join(' ');
const openDocument = (
  kind: 'text' | 'spreadsheet',
  body: string,
  more: Record<string, string> = {},
): Uint8Array =>
  zipSync(
    Object.fromEntries(
      Object.entries({
        mimetype: `application/vnd.oasis.opendocument.${kind}`,
        'content.xml': `<?xml version="1.0"?><office:document-content ${NAMESPACES}><office:body><office:${kind}>${body}</office:${kind}></office:body></office:document-content>`,
        ...more,
      }).map(([name, text]) => [name, strToU8(text)]),
    ),
  );

/** One text in each kind of document: heading, list, table of two cells, a line broken, a note. */
const WORDS =
  'A talk Rain “late” & wet café at 20:00 Speaker Answer A We waited at the harbour The end of it.';
const HTML =
  '<h1>A talk</h1><ul><li>Rain</li></ul><p>“late” &amp; wet café at&nbsp;20:00</p><table><tr><th>Speaker</th><th>Answer</th></tr><tr><td>A</td><td>We waited at the harbour</td></tr></table><p>The end<br>of it.</p>';
const ODT =
  '<text:h>A talk</text:h><text:list><text:list-item><text:p>Rain</text:p></text:list-item></text:list><text:p>“late”<text:s/>&amp; wet<text:tab/>café at 20:00</text:p><table:table><table:table-row><table:table-cell><text:p>Speaker</text:p></table:table-cell><table:table-cell><text:p>Answer</text:p></table:table-cell></table:table-row><table:table-row><table:table-cell><text:p>A</text:p></table:table-cell><table:table-cell><text:p>We waited at <text:span>the</text:span> harbour</text:p></table:table-cell></table:table-row></table:table><text:p>The end<text:line-break/>of it.</text:p>';
const RTF =
  "{\\rtf1\\ansi\\ansicpg1252{\\fonttbl{\\f0\\fcharset0 Serif;}{\\f1\\fcharset238 East;}}{\\info{\\title No words}}{\\*\\generator X;}\\pard A talk\\par {\\listtext 1.\\tab}Rain\\par \\ldblquote late\\rdblquote  & wet caf\\'e9 at\\~20:00\\par\\trowd Speaker\\cell Answer\\cell\\row A\\cell We waited at {\\b the} harbour\\cell\\row The end\\line of it.\\par}";
const DOCX_NAMESPACE = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
const paragraph = (...runs: string[]): string =>
  `<w:p>${runs.map((run) => `<w:r>${run}</w:r>`).join('')}</w:p>`;
const said = (text: string): string => `<w:t xml:space="preserve">${text}</w:t>`;
const cell = (text: string): string => `<w:tc>${paragraph(said(text))}</w:tc>`;
/** A document of Word with a body and other parts. */
const wordDocument = (body: string, more: Record<string, string> = {}): Uint8Array =>
  zipSync(
    Object.fromEntries(
      Object.entries({
        '[Content_Types].xml':
          '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
        '_rels/.rels':
          '<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>',
        'word/document.xml': `<w:document ${DOCX_NAMESPACE}><w:body>${body}</w:body></w:document>`,
        ...more,
      }).map(([name, text]) => [name, strToU8(text)]),
    ),
  );
const DOCX = wordDocument(
  `${paragraph(said('A talk'))}${paragraph(said('Rain'))}${paragraph(said('“late” &amp; wet café at\u00a020:00'))}<w:tbl><w:tr>${cell('Speaker')}${cell('Answer')}</w:tr><w:tr>${cell('A')}${cell('We waited at the harbour')}</w:tr></w:tbl>${paragraph(said('The end'), '<w:br/>', said('of it.'))}`,
);

describe('documents of every kind', () => {
  it('give the same words, with cells and broken lines apart', async () => {
    const words = async (name: string, bytes: Uint8Array | string): Promise<string> =>
      (await textOf(name, bytes)).replace(/\s+/g, ' ').trim();
    expect(htmlToText(HTML).replace(/\s+/g, ' ')).to.equal(WORDS);
    // What was taken back is not read; one that is never closed takes nothing with it.
    expect(htmlToText('<p>We <del>never</del> <ins>always</ins> wait.</p>')).to.match(
      /^We\s+always wait\.\s*$/,
    );
    expect(htmlToText('<p>We <del>wait.</p><p>Here.</p>')).to.match(/We\s+wait\.\s+Here\./);
    expect(await words('a.html', `<html>${HTML}</html>`)).to.equal(WORDS);
    expect(await words('a.odt', openDocument('text', ODT))).to.equal(WORDS);
    expect(await words('a.rtf', RTF)).to.equal(WORDS);
    expect(await words('a.docx', DOCX)).to.equal(WORDS);
  });

  it('in Word have their footnotes and endnotes after the text, and no mark of them in it', async () => {
    const notes = (kind: 'footnote' | 'endnote', ...words: string[]): string =>
      `<?xml version="1.0"?><w:${kind}s ${DOCX_NAMESPACE}><w:${kind} w:type="separator" w:id="-1">${paragraph('<w:separator/>', said('a line'))}</w:${kind}>${words.map((each, i) => `<w:${kind} w:id="${i + 1}">${paragraph(`<w:${kind}Ref/>`, each)}</w:${kind}>`).join('')}</w:${kind}s>`;
    const body = `${paragraph(said('The passengers'), '<w:footnoteReference w:id="1"/>', said(' wait.'))}${paragraph(said('They go.'))}`;
    const document = wordDocument(body, {
      'word/footnotes.xml': notes(
        'footnote',
        said('Of the night bus.'),
        `${said('Two')}<w:br/>${said('lines.')}`,
      ),
      'word/endnotes.xml': notes('endnote', said('All of it is made up.')),
    });
    expect(await textOf('a.docx', document)).to.equal(
      'The passengers wait.\n\nThey go.\n\nOf the night bus.\n\nTwo\nlines.\n\nAll of it is made up.\n',
    );
    // Notes with nothing but the line above them are none.
    expect(await textOf('a.docx', wordDocument(body, { 'word/footnotes.xml': notes('footnote') }))).to.equal(
      'The passengers wait.\n\nThey go.\n',
    );
  });

  it('in OpenDocument lose what was deleted and remarks, and have notes and frames as paragraphs', async () => {
    const body =
      '<text:tracked-changes><text:p>gone</text:p></text:tracked-changes><text:p>One<office:annotation><text:p>remark</text:p></office:annotation> bus<text:note><text:note-citation>1</text:note-citation><text:note-body><text:p>a note</text:p></text:note-body></text:note>.</text:p><text:p>Two<draw:frame><draw:text-box><text:p>boxed</text:p></draw:text-box></draw:frame></text:p>';
    expect(await textOf('a.odt', openDocument('text', body))).to.equal(
      'One bus.\n\nboxed\n\nTwo\n\na note\n',
    );
  });

  it('in rich text are read in each font’s code page, by Unicode, with notes after them', async () => {
    const rtf =
      "{\\rtf1\\ansi{\\fonttbl{\\f0\\fcharset0 A;}{\\f1\\fcharset204 B;}}{\\f1\\'c4\\'e0}{\\f0 \\uc1\\u8364? 5, \\u-10179?\\u-8704?{\\v hidden}{\\deleted gone}{\\footnote a note} {\\*\\unknown x}{\\pict 89504e47}{\\field{\\*\\fldinst HYPERLINK x}{\\fldrslt here}}\\par {\\*\\shpinst{\\sp{\\sn a}}{\\shptxt boxed\\par}}}}";
    expect(await textOf('a.rtf', rtf)).to.equal('Да€ 5, 😀 here\n\nboxed\n\na note\n');
  });

  it('of a spreadsheet give text, numbers, days, and cells that are repeated or empty', async () => {
    const value = (attributes: string, text = ''): string =>
      `<table:table-cell ${attributes}>${text === '' ? '' : `<text:p>${text}</text:p>`}</table:table-cell>`;
    const row = (cells: string, attributes = ''): string =>
      `<table:table-row ${attributes}>${cells}</table:table-row>`;
    const sheet = `<table:table table:name="Answers">${row(value('', 'name') + value('', 'said') + value('', 'day'))}${row(value('', 'Ada') + value('office:value-type="float" office:value="1.5"', '1,5') + value('office:value-type="date" office:date-value="2031-05-12"', '12/05/31'))}${row(value('table:number-columns-repeated="3"'), 'table:number-rows-repeated="2"')}${row(value('table:number-columns-repeated="2"', 'twice'))}${row(value('table:number-columns-repeated="16000"'), 'table:number-rows-repeated="1000000"')}</table:table>`;
    const content = await read('a.ods', openDocument('spreadsheet', sheet));
    expect(content).to.deep.equal({
      kind: 'table',
      sheets: [
        {
          name: 'Answers',
          rows: [
            ['name', 'said', 'day'],
            ['Ada', '1.5', '2031-05-12'],
            ['', '', ''],
            ['', '', ''],
            ['twice', 'twice', ''],
          ],
        },
      ],
    });
  });

  it('that are locked, damaged or too wide say so', async () => {
    const wide = `<table:table table:name="W"><table:table-row><table:table-cell table:number-columns-repeated="16000"><text:p>x</text:p></table:table-cell></table:table-row></table:table>`;
    const cases: [string, Uint8Array, RegExp][] = [
      [
        'locked.odt',
        openDocument('text', '', { 'META-INF/manifest.xml': '<manifest:encryption-data/>' }),
        /protected by a password/,
      ],
      ['cut.odt', openDocument('text', '<text:p>one'), /damaged/],
      ['none.odt', openDocument('text', ''), /no text/],
      ['wide.ods', openDocument('spreadsheet', wide), /larger than can be read/],
      ['deep.rtf', strToU8(`{\\rtf1 ${'{'.repeat(5000)}`), /groups do not close/],
      ['none.rtf', strToU8('{\\rtf1 }'), /no text/],
    ];
    for (const [name, bytes, reason] of cases)
      expect(await read(name, bytes), name)
        .to.have.property('reason')
        .that.matches(reason);
  });
});
