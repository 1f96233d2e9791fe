import type { RefusedFile, SheetRows } from '../formats/read/read-result.ts';
import { hashText } from '../base/hash.ts';
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

/** A part that is cut out of a source. */
export interface CutPart {
  readonly name: string;
  readonly text: string;
  /** Where it stands in the source's text. */
  readonly place: { readonly start: number; readonly end: number };
  readonly attributes: Readonly<Record<string, string>>;
  readonly cuts?: StudySource['cuts'];
}

/** A part of a source's text as a source; the part's text is not kept again. */
export function makePart(whole: StudySource, { name, text, place, attributes, cuts }: CutPart): StudySource {
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
