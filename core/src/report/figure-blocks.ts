import { safeDrawing } from '../formats/drawing.ts';
import { paragraph, type Block, type DocumentTable } from '../formats/write/document.ts';
import type { Figure } from '../views/report/figure-types.ts';
import { FIGURE_WORDS } from '../words/report-sentences.ts';

/** Columns of a table that can be read on a page lying on its side; one of more is parted. */
const MOST_COLUMNS = 12;

/** Numbers for captions, figures and tables apart. */
export interface CaptionNumbers {
  figures: number;
  tables: number;
}

/** A figure as parts of a document: its picture, and its table, in parts where it has many columns; each takes the next number. */
export function figureBlocks(
  { title, note, picture: kept, table }: Figure,
  numbers: CaptionNumbers,
): Block[] {
  // A picture that was kept may come from elsewhere: it is data until it was read as a drawing.
  const svg = kept && safeDrawing(kept.svg);
  const picture = kept && svg !== undefined ? { svg, alt: kept.alt } : undefined;
  const lost = kept && svg === undefined ? FIGURE_WORDS.pictureLost : '';
  const words = `${title}. ${note}${lost}`;
  const blocks: Block[] = [];
  if (picture) blocks.push({ kind: 'picture', caption: `Figure ${++numbers.figures}. ${words}`, ...picture });
  else if (!table && lost !== '') blocks.push(paragraph(words));
  if (table) {
    const what = picture ? `The numbers of figure ${numbers.figures}` : words;
    const parts = partedTable(table);
    const number = ++numbers.tables;
    for (const [i, part] of parts.entries()) {
      const which = parts.length === 1 ? '' : `, part ${i + 1} of ${parts.length}`;
      blocks.push({ kind: 'table', caption: `Table ${number}${which}. ${what}`, ...part });
    }
  }
  return blocks;
}

/** A table of many columns as several, each with the first column, as even as they come. */
export function partedTable(table: DocumentTable): DocumentTable[] {
  const columns = table.head.length - 1;
  const count = Math.ceil(columns / (MOST_COLUMNS - 1));
  if (count <= 1) return [table];
  const each = Math.ceil(columns / count);
  return Array.from({ length: count }, (_, part) => {
    const cut = <Cell>(cells: readonly Cell[]): Cell[] => [
      cells[0],
      ...cells.slice(1 + part * each, 1 + (part + 1) * each),
    ];
    return { head: cut(table.head), rows: table.rows.map(cut) };
  });
}
