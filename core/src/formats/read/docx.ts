import { zipSync } from 'fflate';
import mammoth from 'mammoth/mammoth.browser.js';
import { inFigures } from '../../base/wording.ts';
import type { Archive } from '../archive.ts';
import { OfficeError, openOffice, refusingOffice } from './office.ts';
import { refused, type FileContent } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** The library that reads them takes a second for 20,000 and memory in proportion; a thick book has 10,000. */
const MOST_PARAGRAPHS = 50_000;

/** How often a text holds another. */
function countOf(text: string, sought: string): number {
  let count = 0;
  for (let at = text.indexOf(sought); at >= 0; at = text.indexOf(sought, at + sought.length)) count++;
  return count;
}

/** Reads the words of a Word document: paragraphs, lists, tables and footnotes, one paragraph apart. */
export function readDocx(name: string, bytes: Uint8Array): Promise<FileContent> {
  return refusingOffice(() => wordsOf(name, bytes));
}

/** A line's end within a paragraph; the library passes over it, and two words become one. */
const LINE_END = /<w:(?:br|cr)\b[^>]*?(?:\/>|>\s*<\/w:(?:br|cr)>)/g;

/** The document with its line ends written as text. */
function withLineEnds(
  bytes: Uint8Array,
  archive: Archive,
  parts: ReadonlyMap<string, string>,
): Uint8Array<ArrayBuffer> {
  const changed = [...parts].filter(([, part]) => part.search(LINE_END) >= 0);
  if (changed.length === 0) return new Uint8Array(bytes);
  const entries = new Map(archive.entries.map(({ name }) => [name, archive.read(name)]));
  for (const [name, part] of changed) {
    const written = part.replace(LINE_END, '<w:t xml:space="preserve">\n</w:t>');
    entries.set(name, new TextEncoder().encode(written));
  }
  return new Uint8Array(zipSync(Object.fromEntries(entries), { level: 0 }));
}

async function wordsOf(name: string, bytes: Uint8Array): Promise<FileContent> {
  const { archive, parts } = openOffice(bytes, 'word processor');
  for (const part of parts.values()) {
    const paragraphs = countOf(part, '<w:p>') + countOf(part, '<w:p ');
    if (paragraphs > MOST_PARAGRAPHS) {
      throw new OfficeError(
        `It has ${inFigures(paragraphs)} paragraphs, more than can be read here (${inFigures(MOST_PARAGRAPHS)}). Save its words as plain text (.txt) and add that.`,
      );
    }
  }
  let text: string;
  try {
    text = (await mammoth.extractRawText({ arrayBuffer: withLineEnds(bytes, archive, parts).buffer })).value;
  } catch {
    return refused('The document is damaged: its text can’t be found. Open it, save it anew and add that.');
  }
  const tidy = tidyText(text)
    .replace(/\n{3,}/g, '\n\n')
    .trim();
  if (tidy === '') return refused('There is no text in the document; perhaps it holds pictures only.');
  const macro = archive.entries.some((entry) => /vbaProject\.bin$/i.test(entry.name));
  return {
    kind: 'texts',
    texts: [{ name, text: `${tidy}\n` }],
    ...(macro ? { note: `${name} holds a macro, which was left alone; its words came in.` } : {}),
  };
}
