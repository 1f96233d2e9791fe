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

/** Reads the words of a Word document: paragraphs, lists and tables one paragraph apart, footnotes and endnotes after them. */
export function readDocx(name: string, bytes: Uint8Array): Promise<FileContent> {
  return refusingOffice(() => wordsOf(name, bytes));
}

/** A line's end within a paragraph; the library passes over it, and two words become one. */
const LINE_END = /<w:(?:br|cr)\b[^>]*?(?:\/>|>\s*<\/w:(?:br|cr)>)/g;

/** The document with its line ends written as text, and parts put in the place of others. */
function withLineEnds(
  bytes: Uint8Array,
  archive: Archive,
  parts: ReadonlyMap<string, string>,
  instead: ReadonlyMap<string, string> = new Map(),
): Uint8Array<ArrayBuffer> {
  const changed = [...parts, ...instead].filter(
    ([name, part]) => instead.get(name) === part || part.search(LINE_END) >= 0,
  );
  if (changed.length === 0) return new Uint8Array(bytes);
  const entries = new Map(archive.entries.map(({ name }) => [name, archive.read(name)]));
  for (const [name, part] of changed) {
    const written = part.replace(LINE_END, '<w:t xml:space="preserve">\n</w:t>');
    entries.set(name, new TextEncoder().encode(written));
  }
  return new Uint8Array(zipSync(Object.fromEntries(entries), { level: 0 }));
}

const NOTES = /<w:(?:foot|end)notes\b([^>]*)>/;
const NOTE = /<w:(?:footnote|endnote)\b([^>]*)>([\s\S]*?)<\/w:(?:footnote|endnote)>/g;
/** Lines between text and notes are kept as notes too. */
const NO_NOTE = /\bw:type="(?:separator|continuation\w*)"/;

/** The notes of a part as the body of a document, since the library reads the words of bodies only; undefined where there are none. */
function notesAsBody(part: string): string | undefined {
  const [, names] = NOTES.exec(part) ?? [];
  if (names === undefined) return undefined;
  const notes = Array.from(part.matchAll(NOTE)).flatMap(([, attributes, words]) =>
    NO_NOTE.test(attributes) ? [] : [words],
  );
  return notes.length === 0
    ? undefined
    : `<?xml version="1.0" encoding="UTF-8"?><w:document${names}><w:body>${notes.join('')}</w:body></w:document>`;
}

/** The words of a document with those of its notes after them. */
async function rawWords(
  bytes: Uint8Array,
  archive: Archive,
  parts: ReadonlyMap<string, string>,
): Promise<string> {
  const read = async (file: Uint8Array<ArrayBuffer>): Promise<string> =>
    (await mammoth.extractRawText({ arrayBuffer: file.buffer })).value;
  const texts = [await read(withLineEnds(bytes, archive, parts))];
  const main = [...parts].find(([, part]) => /<w:document\b/.test(part))?.[0];
  for (const part of parts.values()) {
    const body = notesAsBody(part);
    if (main === undefined || body === undefined) continue;
    const others = new Map([...parts].filter(([name]) => name !== main));
    texts.push(await read(withLineEnds(bytes, archive, others, new Map([[main, body]]))));
  }
  return texts.join('\n\n');
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
    text = await rawWords(bytes, archive, parts);
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
