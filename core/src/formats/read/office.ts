import { ArchiveError, openArchive, type Archive } from '../archive.ts';
import { refused, type FileContent } from './read-result.ts';

/** Why an office document is not opened, as a sentence for the researcher. */
export class OfficeError extends Error {
  override readonly name = 'OfficeError';
}

/** XML beyond this is more than any text a person wrote, and takes minutes and gigabytes to read. */
const MOST_XML = 48 * 1024 * 1024;

/**
 * Opens an office document once it is known to be whole: every part is proved against its checksum, since the libraries
 * that read it do not, and the XML is bounded.
 *
 * @returns the archive and its XML parts by name. Throws an ArchiveError or an OfficeError that says why it can't be read.
 */
export function openOffice(
  bytes: Uint8Array,
  program: string,
): { archive: Archive; parts: Map<string, string> } {
  const archive = openArchive(bytes);
  const parts = new Map<string, string>();
  let length = 0;
  for (const { name, size } of archive.entries) {
    const isXml = /\.(?:xml|rels)$/.test(name);
    length += isXml ? size : 0;
    if (length > MOST_XML) {
      throw new OfficeError(
        `It holds more than ${MOST_XML / 1024 / 1024} MB of text and layout, more than can be read here. Save its words as plain text (.txt or .csv) and add that.`,
      );
    }
    if (!isXml) {
      archive.read(name);
      continue;
    }
    const text = archive.text(name) ?? '';
    // No word processor or spreadsheet writes a document type; one that is there can only pull something else in.
    if (/<!(?:DOCTYPE|ENTITY)/i.test(text)) {
      throw new OfficeError(
        `Its XML declares entities, which could draw in other files. It was not opened. Save it anew from a ${program}.`,
      );
    }
    parts.set(name, text);
  }
  return { archive, parts };
}

/** Reads an office document; what makes it unreadable becomes a refusal. */
export async function refusingOffice(read: () => Promise<FileContent>): Promise<FileContent> {
  try {
    return await read();
  } catch (error) {
    if (error instanceof OfficeError || error instanceof ArchiveError) return refused(error.message);
    throw error;
  }
}
