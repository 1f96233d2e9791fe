import { NO_TIME } from '../../base/no-time.ts';
import { strToU8, zipSync } from 'fflate';
import { escapeXml } from '../../base/xml.ts';
import { cellText, isBroad, sizeOfDrawing, type Block, type Run } from './document.ts';

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
const WORD = 'application/vnd.openxmlformats-officedocument.wordprocessingml';
const DRAWING = 'http://schemas.openxmlformats.org/drawingml/2006';
/** Lengths in a drawing are English Metric Units; this is the width between the margins of a page. */
const PAGE_WIDTH = 5_760_000;
const PAGE_HEIGHT = 7_200_000;
/** The same of a page on its side, with room for the caption. */
const PAGE_LENGTH = 8_900_000;
const BROAD_HEIGHT = 4_600_000;
/** A picture of one white point, under the drawing where there is no `png`. */
const WHITE_POINT =
  '89504e470d0a1a0a0000000d49484452000000010000000108000000003a7e9b550000000a4944415478da63f80f00010101001cb08c990000000049454e44ae426082';

function runXml({ text, bold = false, italic = false }: Run): string {
  const lines = text.split('\n').map((line) => `<w:t xml:space="preserve">${escapeXml(line)}</w:t>`);
  const look = `${bold ? '<w:b/>' : ''}${italic ? '<w:i/>' : ''}`;
  return `<w:r>${look === '' ? '' : `<w:rPr>${look}</w:rPr>`}${lines.join('<w:br/>')}</w:r>`;
}

const paragraphXml = (style: string, runs: readonly Run[], more = ''): string =>
  `<w:p>${style === '' ? '' : `<w:pPr><w:pStyle w:val="${style}"/>${more}</w:pPr>`}${runs.map(runXml).join('')}</w:p>`;

const plain = (text: string): Run[] => [{ text }];

function tableXml({ caption, head, rows }: Extract<Block, { kind: 'table' }>): string {
  const cell = (value: string | number, bold: boolean): string =>
    `<w:tc><w:tcPr><w:tcW w:w="0" w:type="auto"/></w:tcPr><w:p><w:pPr><w:pStyle w:val="Cell"/>${typeof value === 'number' ? '<w:jc w:val="right"/>' : ''}</w:pPr>${runXml({ text: cellText(value), bold })}</w:p></w:tc>`;
  const row = (cells: readonly (string | number)[], isHead: boolean): string =>
    `<w:tr><w:trPr><w:cantSplit/>${isHead ? '<w:tblHeader/>' : ''}</w:trPr>${cells.map((value) => cell(value, isHead)).join('')}</w:tr>`;
  return [
    paragraphXml('Caption', plain(caption)),
    `<w:tbl><w:tblPr><w:tblStyle w:val="Lines"/><w:tblW w:w="5000" w:type="pct"/><w:tblLook w:firstRow="1"/></w:tblPr><w:tblGrid>${head.map(() => '<w:gridCol/>').join('')}</w:tblGrid>`,
    row(head, true),
    ...rows.map((cells) => row(cells, false)),
    '</w:tbl>',
    '<w:p/>',
  ].join('');
}

/**
 * A drawing with its words as plain as word processors draw them: they pay no heed to the order of painting, so that a halo
 * would cover the word itself (lines go clear of words anyway), and put a part of a centred line in its middle.
 */
const withPlainWords = (svg: string): string =>
  svg
    .replace(
      /(<text [^>]*?) stroke="[^"]*" stroke-width="[^"]*"(?: stroke-linejoin="[^"]*")? paint-order="stroke"/g,
      '$1',
    )
    .replace(/<tspan [^>]*>([^<]*)<\/tspan>/g, '$1');

/**
 * A picture, as points where it has been drawn already, with the drawing itself for readers that take it. Where there are no
 * points, readers of drawings as Word 2013 extends them get one white point with the drawing, all others the drawing alone
 * (Markup Compatibility, ISO 29500-3): some of them know drawings by themselves and not that extension.
 */
function pictureXml({ svg, png, alt, caption }: Extract<Block, { kind: 'picture' }>, number: number): string {
  const { width, height } = sizeOfDrawing(svg);
  const [most, highest] = isBroad(svg) ? [PAGE_LENGTH, BROAD_HEIGHT] : [PAGE_WIDTH, PAGE_HEIGHT];
  const scale = Math.min(most / width, highest / height);
  const extent = `cx="${Math.round(width * scale)}" cy="${Math.round(height * scale)}"`;
  const vector = `<a:extLst><a:ext uri="{96DAC541-7B7A-43D3-8B79-37D633B846F1}"><asvg:svgBlip xmlns:asvg="http://schemas.microsoft.com/office/drawing/2016/SVG/main" r:embed="svg${number}"/></a:ext></a:extLst>`;
  const named = `id="${number}" name="Picture ${number}" descr="${escapeXml(alt)}"`;
  const drawing = (blip: string): string =>
    [
      `<w:drawing><wp:inline><wp:extent ${extent}/><wp:docPr ${named}/>`,
      `<a:graphic xmlns:a="${DRAWING}/main"><a:graphicData uri="${DRAWING}/picture"><pic:pic xmlns:pic="${DRAWING}/picture"><pic:nvPicPr><pic:cNvPr ${named}/><pic:cNvPicPr/></pic:nvPicPr>`,
      `<pic:blipFill>${blip}<a:stretch><a:fillRect/></a:stretch></pic:blipFill>`,
      `<pic:spPr><a:xfrm><a:off x="0" y="0"/><a:ext ${extent}/></a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></pic:spPr></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing>`,
    ].join('');
  const both = drawing(`<a:blip r:embed="png${number}">${vector}</a:blip>`);
  const shown = png
    ? both
    : `<mc:AlternateContent><mc:Choice Requires="w15">${both}</mc:Choice><mc:Fallback>${drawing(`<a:blip r:embed="svg${number}"/>`)}</mc:Fallback></mc:AlternateContent>`;
  return [
    `<w:p><w:pPr><w:keepNext/></w:pPr><w:r>${shown}</w:r></w:p>`,
    paragraphXml('Caption', plain(caption)),
  ].join('');
}

const styleXml = (id: string, name: string, paragraph: string, run: string): string =>
  `<w:style w:type="paragraph" w:styleId="${id}"><w:name w:val="${name}"/><w:basedOn w:val="Normal"/>${/^heading/.test(name) ? '<w:next w:val="Normal"/>' : ''}<w:qFormat/><w:pPr>${paragraph}</w:pPr><w:rPr>${run}</w:rPr></w:style>`;
const spacing = (before: number, after: number): string =>
  `<w:spacing w:before="${before}" w:after="${after}"/>`;
const size = (halfPoints: number): string => `<w:sz w:val="${halfPoints}"/>`;
const headingStyle = (level: number, halfPoints: number): string =>
  styleXml(
    `Heading${level}`,
    `heading ${level}`,
    `<w:keepNext/>${spacing(280, 100)}<w:outlineLvl w:val="${level - 1}"/>`,
    `<w:b/>${size(halfPoints)}`,
  );
const BORDER = 'w:val="single" w:sz="4" w:space="0" w:color="C9C3AE"';

const STYLES = `${HEAD}<w:styles xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:docDefaults><w:rPrDefault><w:rPr><w:rFonts w:ascii="Georgia" w:hAnsi="Georgia" w:cs="Times New Roman"/>${size(22)}<w:lang w:val="en-GB"/></w:rPr></w:rPrDefault></w:docDefaults>${[
  `<w:style w:type="paragraph" w:default="1" w:styleId="Normal"><w:name w:val="Normal"/><w:qFormat/><w:pPr>${spacing(0, 120)}</w:pPr></w:style>`,
  headingStyle(1, 36),
  headingStyle(2, 28),
  headingStyle(3, 24),
  styleXml('Quote', 'Quote', `<w:ind w:left="560" w:right="280"/>${spacing(80, 120)}`, ''),
  styleXml('Caption', 'caption', spacing(60, 160), `<w:i/>${size(19)}`),
  styleXml('Cell', 'Table text', spacing(10, 10), size(18)),
  styleXml('ListBullet', 'List Bullet', spacing(0, 60), ''),
  `<w:style w:type="table" w:styleId="Lines"><w:name w:val="Lines"/><w:tblPr><w:tblBorders><w:top ${BORDER}/><w:bottom ${BORDER}/><w:insideH ${BORDER}/></w:tblBorders></w:tblPr></w:style>`,
].join('')}</w:styles>`;

const BULLET = '<w:numPr><w:ilvl w:val="0"/><w:numId w:val="1"/></w:numPr>';
const NUMBERING = `${HEAD}<w:numbering xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:abstractNum w:abstractNumId="0"><w:lvl w:ilvl="0"><w:numFmt w:val="bullet"/><w:lvlText w:val="•"/><w:pPr><w:ind w:left="420" w:hanging="280"/></w:pPr></w:lvl></w:abstractNum><w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num></w:numbering>`;

const bytesOf = (hexadecimal: string): Uint8Array =>
  Uint8Array.from(hexadecimal.match(/../g) ?? [], (pair) => parseInt(pair, 16));

/** What a document says of itself. */
export interface DocumentProperties {
  /** Its first heading where it is left out. */
  readonly title?: string;
  /** When what it tells was decided last, ISO 8601; undefined where nobody knows. */
  readonly date?: string | undefined;
}

/** Tables of more columns lie on a page on its side. */
const UPRIGHT_COLUMNS = 7;
const MARGINS =
  '<w:pgMar w:top="1300" w:right="1300" w:bottom="1300" w:left="1300" w:header="700" w:footer="700" w:gutter="0"/>';
const FOOTER_OF_PAGE = '<w:footerReference w:type="default" r:id="footer"/>';
const UPRIGHT = `<w:sectPr>${FOOTER_OF_PAGE}<w:pgSz w:w="11906" w:h="16838"/>${MARGINS}</w:sectPr>`;
const ON_ITS_SIDE = `<w:sectPr>${FOOTER_OF_PAGE}<w:pgSz w:w="16838" w:h="11906" w:orient="landscape"/>${MARGINS}</w:sectPr>`;
/** Ends a section, whose pages lie as is said. */
const sectionEnd = (section: string): string => `<w:p><w:pPr>${section}</w:pPr></w:p>`;

const field = (name: string): string =>
  `<w:r><w:fldChar w:fldCharType="begin"/></w:r><w:r><w:instrText xml:space="preserve"> ${name} </w:instrText></w:r><w:r><w:fldChar w:fldCharType="separate"/></w:r><w:r><w:t>1</w:t></w:r><w:r><w:fldChar w:fldCharType="end"/></w:r>`;
const FOOTER = `${HEAD}<w:ftr xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:p><w:pPr><w:jc w:val="center"/></w:pPr>${field('PAGE')}<w:r><w:t xml:space="preserve"> of </w:t></w:r>${field('NUMPAGES')}</w:p></w:ftr>`;

/** What a document says of itself (Dublin Core in Open Packaging Conventions, ECMA-376 part 2). */
function propertiesXml({ title = '', date }: DocumentProperties): string {
  const when = (name: string): string =>
    date === undefined
      ? ''
      : `<dcterms:${name} xsi:type="dcterms:W3CDTF">${escapeXml(date)}</dcterms:${name}>`;
  return `${HEAD}<cp:coreProperties xmlns:cp="${PACKAGE}/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:dcterms="http://purl.org/dc/terms/" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance"><dc:title>${escapeXml(title)}</dc:title><dc:creator>Green Thicket</dc:creator><dc:language>en-GB</dc:language>${when('created')}${when('modified')}</cp:coreProperties>`;
}

/** A text document (Office Open XML, ECMA-376, WordprocessingML) with headings, tables, captions and pictures, its pages numbered. */
export function writeDocx(
  blocks: readonly Block[],
  properties: DocumentProperties = {},
): Uint8Array<ArrayBuffer> {
  const pictures: Extract<Block, { kind: 'picture' }>[] = [];
  const blockXml = (block: Block): string => {
    switch (block.kind) {
      case 'heading':
        return paragraphXml(`Heading${block.level}`, plain(block.text));
      case 'paragraph':
        return paragraphXml('', block.runs);
      case 'quote':
        return paragraphXml('Quote', [...block.runs, ...plain(`\n${block.source}`)]);
      case 'list':
        return block.items.map((item) => paragraphXml('ListBullet', item, BULLET)).join('');
      case 'table':
        return tableXml(block);
      case 'picture':
        return pictureXml(block, pictures.push(block));
    }
  };
  // A heading goes to the page of what it is about.
  const isWide = (at: number): boolean => {
    const block = blocks[at];
    return (
      (block?.kind === 'table' && block.head.length > UPRIGHT_COLUMNS) ||
      (block?.kind === 'picture' && isBroad(block.svg)) ||
      (block?.kind === 'heading' && isWide(at + 1))
    );
  };
  const body = blocks
    .map((block, i) => {
      // Wide ones that follow each other share their pages.
      const begins = isWide(i) && !isWide(i - 1);
      const ends = isWide(i) && !isWide(i + 1);
      return `${begins ? sectionEnd(UPRIGHT) : ''}${blockXml(block)}${ends ? sectionEnd(ON_ITS_SIDE) : ''}`;
    })
    .join('');
  const first = blocks.find((block) => block.kind === 'heading');
  const title = properties.title ?? first?.text ?? '';
  const relation = (id: string, type: string, target: string): string =>
    `<Relationship Id="${id}" Type="${OFFICE}/${type}" Target="${target}"/>`;
  const relations = (inside: string): Uint8Array =>
    strToU8(`${HEAD}<Relationships xmlns="${PACKAGE}/relationships">${inside}</Relationships>`);
  const part = (name: string, type: string): string =>
    `<Override PartName="/word/${name}.xml" ContentType="${WORD}.${type}+xml"/>`;
  const files: Record<string, Uint8Array> = {
    '[Content_Types].xml': strToU8(
      `${HEAD}<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="png" ContentType="image/png"/><Default Extension="svg" ContentType="image/svg+xml"/>${part('document', 'document.main')}${part('styles', 'styles')}${part('numbering', 'numbering')}${part('footer', 'footer')}<Override PartName="/docProps/core.xml" ContentType="application/vnd.openxmlformats-package.core-properties+xml"/></Types>`,
    ),
    '_rels/.rels': relations(
      `${relation('rId1', 'officeDocument', 'word/document.xml')}<Relationship Id="rId2" Type="${PACKAGE}/relationships/metadata/core-properties" Target="docProps/core.xml"/>`,
    ),
    'docProps/core.xml': strToU8(propertiesXml({ ...properties, title })),
    'word/_rels/document.xml.rels': relations(
      [
        relation('styles', 'styles', 'styles.xml'),
        relation('numbering', 'numbering', 'numbering.xml'),
        relation('footer', 'footer', 'footer.xml'),
        ...pictures.flatMap((_, i) => [
          relation(`png${i + 1}`, 'image', `media/picture${i + 1}.png`),
          relation(`svg${i + 1}`, 'image', `media/picture${i + 1}.svg`),
        ]),
      ].join(''),
    ),
    'word/styles.xml': strToU8(STYLES),
    'word/numbering.xml': strToU8(NUMBERING),
    'word/footer.xml': strToU8(FOOTER),
    'word/document.xml': strToU8(
      `${HEAD}<w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" xmlns:r="${OFFICE}" xmlns:wp="${DRAWING}/wordprocessingDrawing" xmlns:mc="http://schemas.openxmlformats.org/markup-compatibility/2006" xmlns:w15="http://schemas.microsoft.com/office/word/2012/wordml"><w:body>${body}${UPRIGHT}</w:body></w:document>`,
    ),
  };
  const media = pictures.flatMap(({ svg, png }, i) => [
    [`word/media/picture${i + 1}.svg`, strToU8(withPlainWords(svg))] as const,
    [`word/media/picture${i + 1}.png`, png ?? bytesOf(WHITE_POINT)] as const,
  ]);
  return zipSync({ ...files, ...Object.fromEntries(media) }, { mtime: NO_TIME });
}
