import { OfficeError, openOffice, refusingOffice } from './office.ts';
import { refused, type FileContent } from './read-result.ts';
import { tidyText } from './text-file.ts';

const DAMAGED = 'The presentation is damaged: its slides can’t be found. Open it, save it anew and add that.';

/** What is no words of the slide's own: what stands for another program's rendering, and numbers and dates of slides. */
const NUMBERS: ReadonlySet<string> = new Set(['sldNum', 'dt', 'ftr', 'hdr']);

type Parts = ReadonlyMap<string, string>;

/** The name of a part that another names, from the folder of the one that names it. */
function partAt(from: string, target: string): string {
  const path = target.startsWith('/')
    ? target.slice(1)
    : `${from.slice(0, from.lastIndexOf('/') + 1)}${target}`;
  const steps: string[] = [];
  for (const step of path.split('/')) {
    if (step === '..') steps.pop();
    else if (step !== '.' && step !== '') steps.push(step);
  }
  return steps.join('/');
}

/** What a part is related to: [id, kind, name of the part]. */
async function relatedTo(parts: Parts, part: string): Promise<[id: string, kind: string, name: string][]> {
  const cut = part.lastIndexOf('/') + 1;
  const xml = parts.get(`${part.slice(0, cut)}_rels/${part.slice(cut)}.rels`);
  const found: [string, string, string][] = [];
  if (xml === undefined) return found;
  const { Parser } = await import('saxen');
  new Parser()
    .on('openTag', (name, attributesOf, decode) => {
      if (localName(name) !== 'Relationship') return;
      const { Id = '', Type = '', Target = '' } = attributesOf();
      found.push([decode(Id), Type.slice(Type.lastIndexOf('/') + 1), partAt(part, decode(Target))]);
    })
    .on('error', () => undefined)
    .parse(xml);
  return found;
}

const localName = (name: string): string => name.slice(name.indexOf(':') + 1);

/** The paragraphs of a slide, or of the notes on one, in the order of the file. */
async function paragraphsOf(xml: string): Promise<string[]> {
  const { Parser } = await import('saxen');
  const paragraphs: string[] = [];
  const fault: { first?: Error } = {};
  /** How many elements deep what is left out is; the words of a shape that numbers slides are taken back at its end. */
  let skipped = 0;
  let isText = false;
  let paragraph = '';
  let [shapeAt, isNumber] = [0, false];
  new Parser()
    .on('openTag', (named, attributesOf) => {
      const name = localName(named);
      if (skipped > 0 || name === 'Fallback') skipped++;
      else if (name === 'sp') [shapeAt, isNumber] = [paragraphs.length, false];
      else if (name === 'ph' && NUMBERS.has(String(attributesOf().type ?? ''))) isNumber = true;
      else if (name === 'p') paragraph = '';
      else if (name === 't') isText = true;
      else if (name === 'br' || name === 'tab') paragraph += name === 'br' ? '\n' : '\t';
    })
    .on('closeTag', (named) => {
      const name = localName(named);
      if (skipped > 0) skipped--;
      else if (name === 't') isText = false;
      else if (name === 'p') {
        if (paragraph.trim() !== '') paragraphs.push(paragraph.trim());
        paragraph = '';
      } else if (name === 'sp' && isNumber) paragraphs.length = shapeAt;
    })
    .on('text', (value, decode) => {
      if (isText && skipped === 0) paragraph += decode(value);
    })
    .on('error', (error) => {
      fault.first ??= error;
    })
    .parse(xml);
  if (fault.first) throw new OfficeError(DAMAGED);
  return paragraphs;
}

/** The slides of a presentation in the order they are shown. */
async function slidesIn(parts: Parts): Promise<string[]> {
  const main = 'ppt/presentation.xml';
  const named = new Map((await relatedTo(parts, main)).map(([id, , name]) => [id, name]));
  const order = Array.from((parts.get(main) ?? '').matchAll(/<p:sldId\b[^>]*?\br:id="([^"]*)"/g), ([, id]) =>
    named.get(id),
  );
  // A slide is read once, however often it is named.
  return [...new Set(order)].flatMap((name) => (name !== undefined && parts.has(name) ? name : []));
}

/** Reads the words of a presentation (Office Open XML, ISO/IEC 29500), slide by slide in their order, each with the notes on it behind it. */
export function readPresentation(name: string, bytes: Uint8Array): Promise<FileContent> {
  return refusingOffice(async () => {
    const { parts } = openOffice(bytes, 'presentation program');
    const words: string[] = [];
    for (const slide of await slidesIn(parts)) {
      for (const paragraph of await paragraphsOf(parts.get(slide) ?? '')) words.push(paragraph);
      for (const [, kind, notes] of await relatedTo(parts, slide))
        if (kind === 'notesSlide')
          for (const paragraph of await paragraphsOf(parts.get(notes) ?? '')) words.push(paragraph);
    }
    const tidy = tidyText(words.join('\n\n')).trim();
    return tidy === ''
      ? refused('There is no text on the slides; perhaps they hold pictures only.')
      : { kind: 'texts', texts: [{ name, text: `${tidy}\n` }] };
  });
}
