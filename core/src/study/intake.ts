import { readTextFile, refuseSize, tidyText } from '../formats/text-file.ts';
import { hashText } from '../numeric/hash.ts';
import type { StudySource } from './study.ts';

/** A file as it comes in. */
export interface IncomingFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** What came in and what did not, and why. */
export interface Intake {
  readonly added: readonly {
    readonly source: StudySource;
    readonly text: string;
    readonly encoding: string;
  }[];
  readonly refused: readonly { readonly name: string; readonly reason: string }[];
}

const READ_ENDINGS = /\.(?:txt|md|markdown|text)$/i;

/** Why a file is refused by its name or size alone, before it is read. */
export function refuseUnread(name: string, size: number): string | undefined {
  if (!READ_ENDINGS.test(name)) {
    return 'Only .txt and .md files are read so far. Save its words as one of these.';
  }
  return refuseSize(size);
}

/** Makes a source of a text. The id follows from name and text, so the same file is known when it comes again. */
export function makeSource(
  name: string,
  text: string,
  attributes: Readonly<Record<string, string>> = {},
): StudySource {
  const textHash = hashText(text);
  return { id: hashText(`${name}\u0000${textHash}`), name, attributes, textHash, length: text.length };
}

/** A pasted text as a source, or the reason why it is none. */
export function readPasted(name: string, pasted: string): Intake {
  const text = tidyText(pasted);
  if (text.trim() === '') return { added: [], refused: [{ name, reason: 'There is no text in it.' }] };
  return { added: [{ source: makeSource(name, text), text, encoding: 'UTF-8' }], refused: [] };
}

/** Reads files into sources; what can't be read, or is there already, is reported. */
export function readFiles(files: Iterable<IncomingFile>, present: ReadonlySet<string>): Intake {
  const added: { source: StudySource; text: string; encoding: string }[] = [];
  const refused: { name: string; reason: string }[] = [];
  const seen = new Set(present);
  for (const { name, bytes } of files) {
    const reason = refuseUnread(name, bytes.length);
    const read = reason === undefined ? readTextFile(bytes) : ({ ok: false, reason } as const);
    if (!read.ok) {
      refused.push({ name, reason: read.reason });
      continue;
    }
    const source = makeSource(name, read.text);
    if (seen.has(source.id)) {
      refused.push({ name, reason: 'The same file is in the study already.' });
      continue;
    }
    seen.add(source.id);
    added.push({ source, text: read.text, encoding: read.encoding });
  }
  return { added, refused };
}
