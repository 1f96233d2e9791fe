import { strToU8 } from 'fflate';
import { writeCsv } from '../../formats/csv.ts';
import { heading, type Block, type Run } from '../../formats/write/document.ts';
import { writeDocx } from '../../formats/write/docx-write.ts';
import { counted } from '../../base/wording.ts';
import { attributeNames } from '../../study/groups.ts';
import type { Renamer } from '../../study/pseudonyms.ts';
import type { StudySource } from '../../study/study.ts';
import type { PassageRow } from './reading-view-types.ts';
import { ownValue } from '../../base/records.ts';

/** A passage in its own words, with those that are marked. */
type MarkedPassage = Pick<PassageRow, 'text' | 'start' | 'marks'>;

/** Passages with names changed; what is marked stays marked, and places stay those of the original. */
export function renamedPassages<P extends MarkedPassage>(rows: readonly P[], renamer: Renamer): P[] {
  return rows.map((row) => {
    const { text, changed, placeOf } = renamer.renamed(row.text);
    if (changed === 0) return row;
    const marks = row.marks.map((mark) => ({
      ...mark,
      start: row.start + placeOf(mark.start - row.start, 'start'),
      end: row.start + placeOf(mark.end - row.start, 'end'),
    }));
    return { ...row, text, marks };
  });
}

/** Sources as they are named in what leaves the study. */
export const renamedSources = (
  sources: readonly StudySource[],
  { renameAnyCase }: Renamer,
): readonly StudySource[] =>
  sources.map((source) => ({
    ...source,
    name: renameAnyCase(source.name),
    attributes: Object.fromEntries(
      Object.entries(source.attributes).map(([name, value]) => [renameAnyCase(name), renameAnyCase(value)]),
    ),
  }));

/** Passages as a table: a row each, with its source, the source's attributes, its place and the words that are marked. */
export function passagesCsv(
  rows: readonly PassageRow[],
  sources: readonly StudySource[],
): Uint8Array<ArrayBuffer> {
  const attributes = attributeNames(sources);
  const sourceOf = new Map(sources.map((source) => [source.id, source]));
  return strToU8(
    writeCsv(
      ['source', ...attributes, 'paragraph', 'windows', 'start', 'end', 'marked', 'passage'],
      rows.map((row) => {
        const source = sourceOf.get(row.sourceId);
        const marked = row.marks.map(({ start, end }) => row.text.slice(start - row.start, end - row.start));
        return [
          source?.name ?? '',
          ...attributes.map((name) => ownValue(source?.attributes, name) ?? ''),
          row.paragraph,
          row.windows,
          row.start,
          row.end,
          [...new Set(marked)].join('; '),
          row.text,
        ];
      }),
    ),
  );
}

/** Passages as a text document: the source as a heading, the passage with its marked words in bold. */
export function passagesDocx(
  title: string,
  rows: readonly PassageRow[],
  sources: readonly StudySource[],
): Uint8Array<ArrayBuffer> {
  const sourceOf = new Map(sources.map((source) => [source.id, source]));
  const blocks: Block[] = [heading(1, `${title}: ${counted(rows.length, 'passage')}`)];
  for (const row of rows) {
    const source = sourceOf.get(row.sourceId);
    const values = Object.values(source?.attributes ?? {}).filter((value) => value !== '');
    const head = [source?.name ?? '', ...values, `paragraph ${row.paragraph}`].join(' · ');
    blocks.push(heading(2, head), { kind: 'paragraph', runs: markedRuns(row) });
  }
  return writeDocx(blocks);
}

/** A passage's words with those that are marked in bold. */
export function markedRuns({ text, start, marks }: MarkedPassage): Run[] {
  const runs: Run[] = [];
  let at = 0;
  for (const mark of marks) {
    const from = Math.max(at, mark.start - start);
    const to = mark.end - start;
    if (to <= from || to > text.length) continue;
    if (from > at) runs.push({ text: text.slice(at, from) });
    runs.push({ text: text.slice(from, to), bold: true });
    at = to;
  }
  if (at < text.length) runs.push({ text: text.slice(at) });
  return runs;
}
