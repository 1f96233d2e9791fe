import type { FileContent, RefusedFile } from '../formats/read/read-result.ts';
import { tidyText } from '../formats/read/text-file.ts';
import { clipped, LONGEST } from '../study/limits.ts';
import { LEFT_OUT_AT_FIRST, mailPieces } from '../text/mail/mail-parts.ts';
import {
  makeSource,
  NOTHING,
  type AddedSource,
  type BroughtEntry,
  type IncomingTable,
  type Intake,
} from './sources.ts';

type Texts = Extract<FileContent, { readonly kind: 'texts' }>;
type Codings = NonNullable<Texts['texts'][number]['codings']>;

/** What is coded in a text, for the Notebook. */
const entriesOf = ({ source, text }: AddedSource, codings: Codings): BroughtEntry[] =>
  codings.map(({ start, end, tags, note }) => ({
    note: clipped(note, LONGEST.note),
    tags: tags.slice(0, 1000).map((tag) => clipped(tag, LONGEST.tag)),
    excerpt: {
      sourceId: source.id,
      sourceName: source.name,
      start,
      end,
      quote: clipped(text.slice(start, end), LONGEST.quote),
    },
  }));

/**
 * Takes what was read of files, one after the other, as sources and tables.
 *
 * @param present ids of the sources that are there already
 */
export function taking(present: ReadonlySet<string>): {
  readonly take: (name: string, content: FileContent) => void;
  readonly refuse: (file: RefusedFile) => void;
  /** What came of all that was taken. */
  readonly done: () => Intake;
} {
  const added: AddedSource[] = [];
  const tables: IncomingTable[] = [];
  const refused: RefusedFile[] = [];
  const notes: string[] = [];
  const entries: BroughtEntry[] = [];
  const seen = new Set(present);
  const takeTexts = ({ texts, memos = [], isMail }: Texts): void => {
    for (const memo of memos) entries.push({ note: clipped(memo, LONGEST.note), tags: [] });
    for (const { name, text, attributes, codings = [] } of texts) {
      const source = makeSource(name, text, attributes);
      if (seen.has(source.id)) {
        refused.push({ name, reason: 'The same file is in the study already.' });
        continue;
      }
      seen.add(source.id);
      const cuts = isMail ? mailPieces(text, LEFT_OUT_AT_FIRST) : [];
      const taken = { source: cuts.length > 0 ? { ...source, cuts } : source, text };
      added.push(taken);
      for (const entry of entriesOf(taken, codings)) entries.push(entry);
    }
  };
  return {
    take(name, content) {
      if (content.kind === 'refused') {
        const { reason, encodings } = content;
        refused.push({ name, reason, ...(encodings ? { encodings } : {}) });
        return;
      }
      if (content.kind === 'table') tables.push({ name, sheets: content.sheets });
      else takeTexts(content);
      if (content.note !== undefined) notes.push(content.note);
    },
    refuse: (file) => refused.push(file),
    done: () => ({ added, tables, refused, notes, entries }),
  };
}

/** A pasted text as a source, or the reason why it is none. */
export function readPasted(name: string, pasted: string): Intake {
  const text = tidyText(pasted);
  if (text.trim() === '') return { ...NOTHING, refused: [{ name, reason: 'There is no text in it.' }] };
  return { ...NOTHING, added: [{ source: makeSource(name, text), text }] };
}
