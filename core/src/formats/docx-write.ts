import { strToU8, zipSync } from 'fflate';
import { escapeXml } from '../base/xml.ts';

/** A run of text in a paragraph. */
export interface DocxRun {
  readonly text: string;
  readonly bold?: boolean;
}

/** A paragraph of a document: a heading or body text. */
export interface DocxParagraph {
  readonly heading?: boolean;
  readonly runs: readonly DocxRun[];
}

/** Entries of a ZIP carry a time; the same document is the same bytes whenever it is written. */
const NO_TIME = new Date('1980-01-01T00:00:00');

function runXml({ text, bold = false }: DocxRun): string {
  const lines = text.split('\n').map((line) => `<w:t xml:space="preserve">${escapeXml(line)}</w:t>`);
  return `<w:r>${bold ? '<w:rPr><w:b/></w:rPr>' : ''}${lines.join('<w:br/>')}</w:r>`;
}

function paragraphXml({ heading = false, runs }: DocxParagraph): string {
  const style = heading
    ? '<w:pPr><w:keepNext/><w:outlineLvl w:val="1"/><w:spacing w:before="240" w:after="60"/></w:pPr>'
    : '<w:pPr><w:spacing w:after="120"/></w:pPr>';
  return `<w:p>${style}${runs.map((run) => runXml(heading ? { ...run, bold: true } : run)).join('')}</w:p>`;
}

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';

/** A text document (Office Open XML, ECMA-376, WordprocessingML) of plain paragraphs with bold runs. */
export function writeDocx(paragraphs: readonly DocxParagraph[]): Uint8Array<ArrayBuffer> {
  const main = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml';
  const files = {
    '[Content_Types].xml': `${HEAD}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/word/document.xml" ContentType="${main}"/></Types>`,
    '_rels/.rels': `${HEAD}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="rId1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>`,
    'word/document.xml': `${HEAD}<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${paragraphs.map(paragraphXml).join('')}</w:body></w:document>`,
  };
  return zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])), {
    mtime: NO_TIME,
  });
}
