import { openArchive } from '../archive.ts';
import { htmlToText } from './html.ts';
import { refused, type FileContent } from './read-result.ts';
import { decodeText } from './text-file.ts';

const DAMAGED =
  'The e-book is damaged: its chapters can’t be found. Get it again, or save its words as .txt and add that.';

/** The opening tags of some kinds in an XML text, each with its attributes, whatever prefix they have. */
async function tagsIn(
  xml: string,
  kinds: ReadonlySet<string>,
): Promise<(Record<string, string> & { tag: string })[]> {
  const { Parser } = await import('saxen');
  const found: (Record<string, string> & { tag: string })[] = [];
  new Parser()
    .on('openTag', (named, attributesOf, decode) => {
      const tag = named.slice(named.indexOf(':') + 1);
      if (!kinds.has(tag)) return;
      const attributes = Object.entries(attributesOf()).map(([name, value]) => [name, decode(String(value))]);
      found.push({ ...Object.fromEntries(attributes), tag });
    })
    .on('error', () => undefined)
    .parse(xml);
  return found;
}

/** A path that stands in a file, as the archive has it. */
function pathFrom(file: string, href: string): string {
  const plain = href.replace(/#.*$/, '');
  let path = plain;
  try {
    path = decodeURIComponent(plain);
  } catch {
    // A lone per cent sign is one.
  }
  const steps = file.split('/').slice(0, -1);
  for (const step of path.split('/')) {
    if (step === '..') steps.pop();
    else if (step !== '.' && step !== '') steps.push(step);
  }
  return steps.join('/');
}

/** Reads the words of an e-book (EPUB 2 and 3, ISO/IEC 23736): its chapters in the order they are read, without its lists of contents. */
export async function readEbook(name: string, bytes: Uint8Array): Promise<FileContent> {
  const archive = openArchive(bytes);
  const textOf = (path: string): string | undefined => {
    if (!archive.has(path)) return undefined;
    const decoded = decodeText(archive.read(path));
    return decoded.ok ? decoded.text : undefined;
  };
  const [root] = await tagsIn(textOf('META-INF/container.xml') ?? '', new Set(['rootfile']));
  const file = root?.['full-path'] ?? '';
  const book = textOf(file);
  if (book === undefined) return refused(DAMAGED);
  const tags = await tagsIn(book, new Set(['item', 'itemref']));
  const items = new Map(tags.flatMap((item) => (item.tag === 'item' ? [[item.id ?? '', item]] : [])));
  const chapters: string[] = [];
  const read = new Set<string>();
  let missing = 0;
  for (const { tag, idref = '' } of tags) {
    const item = tag === 'itemref' ? items.get(idref) : undefined;
    // A chapter is read once, however often it is named and by whatever names.
    const path = item && pathFrom(file, item.href ?? '');
    if (tag !== 'itemref' || read.has(path ?? idref) || /\bnav\b/.test(item?.properties ?? '')) continue;
    read.add(path ?? idref);
    const chapter = path === undefined ? undefined : textOf(path);
    if (chapter === undefined) missing++;
    else chapters.push(htmlToText(chapter).trim());
  }
  const text = chapters.filter((chapter) => chapter !== '').join('\n\n');
  if (text === '')
    return refused(
      archive.has('META-INF/encryption.xml') || archive.has('META-INF/rights.xml')
        ? 'It is protected against copying, so that its words can’t be read.'
        : missing > 0
          ? DAMAGED
          : 'There is no text in the e-book; perhaps it holds pictures only.',
    );
  return {
    kind: 'texts',
    texts: [{ name, text: `${text}\n` }],
    ...(missing > 0 ? { note: `${missing} of its chapters can’t be found in ${name}.` } : {}),
  };
}
