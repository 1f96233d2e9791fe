import { strFromU8 } from 'fflate';
import { listEntries, unpackEntries } from './archive.ts';
import { refused, type FileContent } from './read-result.ts';
import { tidyText } from './text-file.ts';

/** Reads the words of a Word document: paragraphs, lists, tables and footnotes, one paragraph apart. */
export async function readDocx(name: string, bytes: Uint8Array): Promise<FileContent> {
  const entries = listEntries(bytes);
  const parts = unpackEntries(bytes, (each) => /\.(?:xml|rels)$/.test(each));
  for (const part of Object.values(parts)) {
    // Word never writes a document type; one that is there can only be meant to pull something else in.
    if (/<!(?:DOCTYPE|ENTITY)/i.test(strFromU8(part))) {
      return refused(
        'Its XML declares entities, which could draw in other files. It was not opened. Save it anew from a word processor.',
      );
    }
  }
  const { extractRawText } = await import('mammoth/mammoth.browser.js');
  let text: string;
  try {
    text = (await extractRawText({ arrayBuffer: new Uint8Array(bytes).buffer })).value;
  } catch {
    return refused('The document is damaged: its text can’t be found. Open it, save it anew and add that.');
  }
  const tidy = tidyText(text)
    .replace(/\n{3,}/g, '\n\n')
    .trim();
  if (tidy === '') return refused('There is no text in the document; perhaps it holds pictures only.');
  const macro = entries.some((entry) => /vbaProject\.bin$/i.test(entry.name));
  return {
    kind: 'texts',
    texts: [{ name, text: `${tidy}\n` }],
    ...(macro ? { note: `${name} holds a macro, which was left alone; its words came in.` } : {}),
  };
}
