import { readArchive, readFile, type IncomingFile } from '../formats/read/files.ts';
import type { ReadingControl, RefusedFile, SheetRows } from '../formats/read/read-result.ts';
import { tidyText } from '../formats/read/text-file.ts';
import { hashText } from '../base/hash.ts';
import { LEFT_OUT_AT_FIRST, mailPieces } from '../text/mail/mail-parts.ts';
import { clipped, LONGEST } from '../study/limits.ts';
import type { NotebookEntry } from '../study/notebook.ts';
import type { StudySource } from '../study/study.ts';

/** A text that came in as a source. */
export interface AddedSource {
  readonly source: StudySource;
  readonly text: string;
}

/** A table whose columns the researcher chooses from before it becomes sources. */
export interface IncomingTable {
  readonly name: string;
  readonly sheets: readonly SheetRows[];
}

/** What came in and what did not, and why. */
export interface Intake {
  readonly added: readonly AddedSource[];
  readonly tables: readonly IncomingTable[];
  readonly refused: readonly RefusedFile[];
  /** What is worth knowing of the files that came in. */
  readonly notes: readonly string[];
  /** What was coded in them elsewhere, and notes that came along: for the Notebook. */
  readonly entries: readonly BroughtEntry[];
}

/** An entry of the Notebook that comes in with texts. */
export type BroughtEntry = Omit<NotebookEntry, 'id' | 'time'>;

export const NOTHING: Intake = { added: [], tables: [], refused: [], notes: [], entries: [] };

/** Attributes as long as they may be. */
function clippedAttributes(attributes: Readonly<Record<string, string>>): Readonly<Record<string, string>> {
  const fits = ([name, value]: [string, string]): boolean =>
    name.length <= LONGEST.name && value.length <= LONGEST.value;
  const entries = Object.entries(attributes);
  if (entries.every(fits)) return attributes;
  return Object.fromEntries(
    entries.map(([name, value]) => [clipped(name, LONGEST.name), clipped(value, LONGEST.value)]),
  );
}

/** Makes a source of a text. The id follows from name and text, so the same file is known when it comes again. */
export function makeSource(
  name: string,
  text: string,
  attributes: Readonly<Record<string, string>> = {},
): StudySource {
  const textHash = hashText(text);
  return {
    id: hashText(`${name}\u0000${textHash}`),
    name: clipped(name, LONGEST.name),
    attributes: clippedAttributes(attributes),
    textHash,
    length: text.length,
  };
}

/** A part of a source's text as a source; the part's text is not kept again. */
export function makePart(
  whole: StudySource,
  name: string,
  text: string,
  place: { readonly start: number; readonly end: number },
  attributes: Readonly<Record<string, string>>,
  cuts: StudySource['cuts'] = undefined,
): StudySource {
  const base = whole.part ?? { of: whole.id, start: 0 };
  const textHash = hashText(text);
  const start = base.start + place.start;
  const key = [base.of, start, base.start + place.end, name, JSON.stringify(cuts ?? [])].join('\u0000');
  return {
    id: hashText(key),
    name: clipped(name, LONGEST.name),
    attributes: clippedAttributes(attributes),
    textHash,
    length: text.length,
    part: { of: base.of, start, end: base.start + place.end },
    ...(cuts && cuts.length > 0 ? { cuts } : {}),
  };
}

/** The text of a source, out of the original it is or is a part of. */
export function textOf(source: StudySource, original: (id: string) => string): string {
  const { part } = source;
  return part ? original(part.of).slice(part.start, part.end) : original(source.id);
}

/** A pasted text as a source, or the reason why it is none. */
export function readPasted(name: string, pasted: string): Intake {
  const text = tidyText(pasted);
  if (text.trim() === '') return { ...NOTHING, refused: [{ name, reason: 'There is no text in it.' }] };
  return { ...NOTHING, added: [{ source: makeSource(name, text), text }] };
}

/**
 * Reads files into sources and tables; what can't be read, or is there already, is reported. Archives are opened.
 *
 * @param present ids of the sources that are there already
 */
export async function readFiles(
  files: Iterable<IncomingFile>,
  present: ReadonlySet<string>,
  control: ReadingControl = {},
): Promise<Intake> {
  const added: AddedSource[] = [];
  const tables: IncomingTable[] = [];
  const refused: RefusedFile[] = [];
  const notes: string[] = [];
  const entries: BroughtEntry[] = [];
  const seen = new Set(present);
  const read = async (file: IncomingFile): Promise<void> => {
    let content: Awaited<ReturnType<typeof readFile>>;
    try {
      content = await readFile(file, control);
    } catch (error) {
      // What a reader did not foresee concerns this file alone; the others come in.
      const reason = error instanceof Error ? error.message : String(error);
      refused.push({ name: file.name, reason: `It can’t be read (${reason}).` });
      return;
    }
    switch (content.kind) {
      case 'refused':
        refused.push({
          name: file.name,
          reason: content.reason,
          ...(content.encodings ? { encodings: content.encodings } : {}),
        });
        return;
      case 'archive': {
        const archive = readArchive(file);
        for (const each of archive.refused) refused.push(each);
        for (const inner of archive.files) {
          if (control.stopped?.()) return;
          await read(inner);
        }
        return;
      }
      case 'table':
        tables.push({ name: file.name, sheets: content.sheets });
        break;
      case 'texts':
        for (const memo of content.memos ?? []) entries.push({ note: clipped(memo, LONGEST.note), tags: [] });
        for (const { name, text, attributes, codings = [] } of content.texts) {
          const source = makeSource(name, text, attributes);
          if (seen.has(source.id)) {
            refused.push({ name, reason: 'The same file is in the study already.' });
            continue;
          }
          seen.add(source.id);
          const cuts = content.isMail ? mailPieces(text, LEFT_OUT_AT_FIRST) : [];
          added.push({ source: cuts.length > 0 ? { ...source, cuts } : source, text });
          for (const { start, end, tags, note } of codings) {
            entries.push({
              note: clipped(note, LONGEST.note),
              tags: tags.slice(0, 1000).map((tag) => clipped(tag, LONGEST.tag)),
              excerpt: {
                sourceId: source.id,
                sourceName: source.name,
                start,
                end,
                quote: clipped(text.slice(start, end), LONGEST.quote),
              },
            });
          }
        }
    }
    if (content.note !== undefined) notes.push(content.note);
  };
  for (const file of files) {
    if (control.stopped?.()) break;
    await read(file);
  }
  return { added, tables, refused, notes, entries };
}
