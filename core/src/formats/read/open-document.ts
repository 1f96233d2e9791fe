import { inFigures } from '../../base/wording.ts';
import { OfficeError, openOffice, refusingOffice } from './office.ts';
import { MOST_CELLS, MOST_COLUMNS, refused, type FileContent, type SheetRows } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** Names of OpenDocument 1.3 (ISO/IEC 26300) by the prefixes used here. */
const NAMESPACES = Object.fromEntries(
  ['office', 'text', 'table'].map((prefix) => [
    `urn:oasis:names:tc:opendocument:xmlns:${prefix}:1.0`,
    prefix,
  ]),
);
const DAMAGED = 'The document is damaged: its text can’t be read. Open it, save it anew and add that.';

/** Elements whose words are no part of the text: what was deleted, remarks, forms, readings over words. */
const SKIPPED: ReadonlySet<string> = new Set([
  'text:tracked-changes',
  'office:annotation',
  'office:forms',
  'text:ruby-text',
  'text:note-citation',
  'text:sequence-decls',
]);
const PARAGRAPHS: ReadonlySet<string> = new Set(['text:p', 'text:h']);

type Attributes = Readonly<Record<string, string>>;

/** What is called while the content of an OpenDocument file is walked; what is skipped is not told of. */
interface Walk {
  readonly onOpen: (name: string, attributes: Attributes) => void;
  readonly onClose: (name: string) => void;
  readonly onText: (text: string) => void;
}

async function walkContent(bytes: Uint8Array, program: string, walk: Walk): Promise<void> {
  const { parts } = openOffice(bytes, program);
  if (/<(?:\w+:)?encryption-data\b/.test(parts.get('META-INF/manifest.xml') ?? ''))
    throw new OfficeError('It is protected by a password. Open it, save a copy without one, and add that.');
  const content = parts.get('content.xml');
  if (content === undefined) throw new OfficeError(DAMAGED);
  const { Parser } = await import('saxen');
  let skipped = 0;
  const fault: { first?: Error } = {};
  const onText = (text: string): void => {
    if (skipped === 0) walk.onText(text);
  };
  new Parser()
    .ns(NAMESPACES)
    .on('openTag', (name, attributes) => {
      if (skipped > 0 || SKIPPED.has(name)) skipped++;
      else walk.onOpen(name, attributes());
    })
    .on('closeTag', (name) => {
      if (skipped > 0) skipped--;
      else walk.onClose(name);
    })
    .on('text', (value, decode) => onText(decode(value)))
    .on('cdata', onText)
    .on('error', (error) => {
      fault.first ??= error;
    })
    .parse(content);
  if (fault.first) throw new OfficeError(DAMAGED);
}

/** What an element within a paragraph stands for: spaces, a tab, a line's end; undefined for any other. */
function spacing(name: string, attributes: Attributes): string | undefined {
  switch (name) {
    case 'text:s':
      return ' '.repeat(Math.min(Number(attributes['text:c'] ?? 1) || 1, 200));
    case 'text:tab':
      return '\t';
    case 'text:line-break':
      return '\n';
  }
  return undefined;
}

/** Reads the words of an OpenDocument text: paragraphs, lists and tables one paragraph apart, notes after them. */
export function readOpenText(name: string, bytes: Uint8Array): Promise<FileContent> {
  return refusingOffice(async () => {
    const paragraphs: string[] = [];
    const notes: string[] = [];
    // A frame in a paragraph, and a note, hold paragraphs of their own.
    const open: string[] = [];
    let inNotes = 0;
    await walkContent(bytes, 'word processor', {
      onOpen: (element, attributes) => {
        if (PARAGRAPHS.has(element)) open.push('');
        else if (element === 'text:note-body') inNotes++;
        else if (open.length > 0) open[open.length - 1] += spacing(element, attributes) ?? '';
      },
      onClose: (element) => {
        if (element === 'text:note-body') inNotes--;
        else if (PARAGRAPHS.has(element)) {
          const text = (open.pop() ?? '').trim();
          if (text !== '') (inNotes > 0 ? notes : paragraphs).push(text);
        }
      },
      // Line ends of the file itself are no spaces between words more than one.
      onText: (text) => {
        if (open.length > 0) open[open.length - 1] += text.replace(/[ \t\r\n]+/g, ' ');
      },
    });
    const tidy = tidyText([...paragraphs, ...notes].join('\n\n')).trim();
    return tidy === ''
      ? refused('There is no text in the document; perhaps it holds pictures only.')
      : { kind: 'texts', texts: [{ name, text: `${tidy}\n` }] };
  });
}

/** A cell's value as it is written in a table of text: dates as ISO 8601, numbers with a full stop. */
function cellValue(attributes: Attributes, text: string): string {
  switch (attributes['office:value-type']) {
    case 'float':
    case 'currency':
    case 'percentage':
      return attributes['office:value'] ?? text;
    case 'date':
      return (attributes['office:date-value'] ?? text)
        .replace('T', ' ')
        .replace(/ 00:00:00$/, '')
        .slice(0, 16);
    case 'boolean':
      return attributes['office:boolean-value'] ?? text;
  }
  return text;
}

/** Rows of one sheet as they are read; what is repeated and empty is only made once something follows it. */
class SheetMaker {
  readonly rows: string[][] = [];
  private emptyRows = 0;
  private row: string[] = [];
  private emptyCells = 0;
  private cells = 0;

  constructor(readonly name: string) {}

  addCell(value: string, times: number): void {
    if (value === '') {
      this.emptyCells += times;
      return;
    }
    if (this.row.length + this.emptyCells + times > MOST_COLUMNS) this.refuse();
    for (; this.emptyCells > 0; this.emptyCells--) this.row.push('');
    for (let i = 0; i < times; i++) this.row.push(value);
  }

  endRow(times: number): void {
    const row = this.row;
    this.row = [];
    this.emptyCells = 0;
    if (row.length === 0) {
      this.emptyRows += times;
      return;
    }
    this.cells += row.length * times;
    if (this.cells > MOST_CELLS || this.rows.length + this.emptyRows + times > MOST_CELLS) this.refuse();
    for (; this.emptyRows > 0; this.emptyRows--) this.rows.push([]);
    for (let i = 0; i < times; i++) this.rows.push(row);
  }

  private refuse(): never {
    throw new OfficeError(
      `The sheet ${this.name} is larger than can be read: at most ${inFigures(MOST_COLUMNS)} columns and ${inFigures(MOST_CELLS)} cells. Save the part you need as .csv.`,
    );
  }
}

const timesOf = (attributes: Attributes, kind: 'rows' | 'columns'): number =>
  Math.max(1, Number(attributes[`table:number-${kind}-repeated`] ?? 1) || 1);

/** Reads the sheets of an OpenDocument workbook as tables of text. */
export function readOpenSheets(bytes: Uint8Array): Promise<FileContent> {
  return refusingOffice(async () => {
    const sheets: SheetMaker[] = [];
    let cell: { attributes: Attributes; paragraphs: string[] } | undefined;
    let rowTimes = 1;
    await walkContent(bytes, 'spreadsheet program', {
      onOpen: (element, attributes) => {
        if (element === 'table:table') sheets.push(new SheetMaker(attributes['table:name'] ?? 'sheet'));
        else if (element === 'table:table-row') rowTimes = timesOf(attributes, 'rows');
        else if (element === 'table:table-cell' || element === 'table:covered-table-cell')
          cell = { attributes, paragraphs: [] };
        else if (cell && PARAGRAPHS.has(element)) cell.paragraphs.push('');
        else if (cell && cell.paragraphs.length > 0)
          cell.paragraphs[cell.paragraphs.length - 1] += spacing(element, attributes) ?? '';
      },
      onClose: (element) => {
        if (element === 'table:table-row') sheets.at(-1)?.endRow(rowTimes);
        if (!cell || (element !== 'table:table-cell' && element !== 'table:covered-table-cell')) return;
        const value = cellValue(cell.attributes, cell.paragraphs.join('\n'));
        sheets.at(-1)?.addCell(value, timesOf(cell.attributes, 'columns'));
        cell = undefined;
      },
      onText: (text) => {
        if (cell && cell.paragraphs.length > 0) cell.paragraphs[cell.paragraphs.length - 1] += text;
      },
    });
    const filled: SheetRows[] = sheets
      .filter(({ rows }) => rows.some((row) => row.some((value) => value.trim() !== '')))
      .map(({ name, rows }) => {
        const columns = rows.reduce((most, row) => Math.max(most, row.length), 0);
        return { name, rows: rows.map((row) => [...row, ...Array<string>(columns - row.length).fill('')]) };
      });
    return filled.length === 0 ? refused('The workbook is empty.') : { kind: 'table', sheets: filled };
  });
}
