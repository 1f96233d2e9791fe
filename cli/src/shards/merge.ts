import { columnsBySource, TokenNumbering } from '@green-thicket/core/text/token-columns';
import { counted, listed } from '@green-thicket/core/base/wording';
import { UsageError } from '../usage-error.ts';
import { PartWriter, readPart, readRecord, TABLE_ROW, TEXT, type PartRecord } from './part.ts';

export interface MergeOptions {
  readonly out: string;
  readonly force?: boolean;
  /** Whether parts may be missing before the first and after the last, to be merged later. */
  readonly partial?: boolean;
}

interface Ordered {
  readonly folder: string;
  readonly record: PartRecord;
}

/** What must be the same in all parts, and how it is called. */
const SHARED: readonly (readonly [keyof PartRecord, string])[] = [
  ['program', 'with another version of the program'],
  ['settings', 'with other settings'],
  ['text', 'with another column of texts'],
  ['listing', 'from another list of files'],
  ['of', 'from another list of files'],
];

/** The parts in the order of their files. Throws a UsageError where they do not make one piece. */
function inOrder(folders: readonly string[], partial: boolean): Ordered[] {
  const parts = folders
    .map((folder) => ({ folder, record: readRecord(folder) }))
    .sort((a, b) => a.record.from - b.record.from || a.record.to - b.record.to);
  const [first] = parts;
  for (const { folder, record } of parts) {
    const other = SHARED.find(([name]) => record[name] !== first.record[name]);
    if (other)
      throw new UsageError(
        `${folder} was counted ${other[1]} than ${first.folder}. Count it again as the others were.`,
      );
  }
  const { of } = first.record;
  const missing: string[] = [];
  const gap = (from: number, to: number): void => {
    if (from < to) missing.push(to - from === 1 ? `file ${to}` : `files ${from + 1} to ${to}`);
  };
  if (!partial) gap(0, first.record.from);
  parts.slice(1).forEach(({ folder, record }, i) => {
    const before = parts[i];
    if (record.from < before.record.to)
      throw new UsageError(`${folder} and ${before.folder} hold the same files. Leave one of them out.`);
    gap(before.record.to, record.from);
  });
  if (!partial) gap(parts[parts.length - 1].record.to, of);
  if (missing.length > 0)
    throw new UsageError(
      `A part is missing: ${listed(missing)} of ${counted(of, 'file')} are in none of the parts. Count them, then merge again.`,
    );
  return parts;
}

/**
 * Merges parts into one, the same bytes in whatever order they are named: part after part is read, its sources numbered on
 * and written; only the names of types are held beside the part at hand.
 */
export async function merge(folders: readonly string[], options: MergeOptions): Promise<void> {
  const parts = inOrder(folders, options.partial ?? false);
  const writer = new PartWriter(options.out, options.force ?? false);
  try {
    const numbering = new TokenNumbering();
    const seen = new Set<string>();
    for (const kind of [TEXT, TABLE_ROW]) {
      for (const { folder, record } of parts) {
        if ((kind === TEXT ? record.sources - record.rows : record.rows) === 0) continue;
        const part = await readPart(folder);
        const renumber = numbering.part(part.names);
        const columns = columnsBySource(part.columns, part.sentences);
        for (const [i, each] of part.sources.entries()) {
          if (each.kind !== kind) continue;
          // The same text under the same name comes in once, as it does in one piece.
          if (kind === TEXT && seen.has(each.source.id)) {
            process.stderr.write(`Left out ${each.source.name}: the same file is in another part already.\n`);
            continue;
          }
          seen.add(each.source.id);
          await writer.add({ ...each, columns: renumber(columns[i]) });
        }
        process.stderr.write(`Merged ${folder}.\n`);
      }
    }
    const [first, last] = [parts[0].record, parts[parts.length - 1].record];
    await writer.end(numbering.names, {
      program: first.program,
      from: first.from,
      to: last.to,
      of: first.of,
      listing: first.listing,
      settings: first.settings,
      text: first.text,
      entries: parts.flatMap(({ record }) => record.entries),
      describing: parts.flatMap(({ record }) => record.describing),
    });
  } catch (error) {
    writer.abandon();
    throw error;
  }
}
