import { counted, listed } from '../../base/wording.ts';
import { openArchive } from '../archive.ts';
import { refused, type FileContent, type ReadCoding, type ReadText } from './read-result.ts';
import { tidyText } from './text-file.ts';

type Attributes = Readonly<Record<string, string>>;

/** Codings that come in as excerpts, at most: more than anybody reads. */
export const MOST_CODINGS = 5000;
/** Names of sets or sources a remark tells. */
const MOST_NAMED = 5;
const DAMAGED =
  'It is a damaged project: its main part can’t be read. Save it anew in the program it comes from.';

/** A source as the project has it; places are code points of its text. */
interface ProjectSource {
  readonly guid: string;
  readonly name: string;
  readonly path: string;
  /** Text that stands in the project itself. */
  content: string | undefined;
  readonly attributes: Map<string, string>;
  readonly selections: { start: number; end: number; note: string; codes: string[] }[];
  /** Codes that the whole of it has. */
  readonly codes: string[];
}

/** What a project holds, as its parts name each other. */
interface Project {
  /** Each code's name with those of the codes it is in, the outermost first. */
  readonly codes: Map<string, readonly string[]>;
  readonly variables: Map<string, string>;
  readonly sources: ProjectSource[];
  readonly notes: { readonly path: string; content: string | undefined }[];
  /** Cases: sources that share values. */
  readonly cases: { readonly values: [string, string][]; readonly sources: string[] }[];
  /** Sources that were put together under a name. */
  readonly sets: { readonly name: string; readonly sources: Set<string> }[];
  /** Sources that are pictures, sounds and the like. */
  others: number;
}

const SOURCES: ReadonlySet<string> = new Set(['TextSource']);
const OTHER_SOURCES: ReadonlySet<string> = new Set([
  'PictureSource',
  'AudioSource',
  'VideoSource',
  'PDFSource',
]);
const VALUES: ReadonlySet<string> = new Set([
  'TextValue',
  'BooleanValue',
  'IntegerValue',
  'FloatValue',
  'DateValue',
  'DateTimeValue',
]);

/** Walks project.qde; a name in a namespace of its own is taken by its last part, and entities of the file's own stay as written. */
async function walk(
  xml: string,
  on: {
    readonly open: (name: string, attributes: Attributes) => void;
    readonly close: (name: string) => void;
    readonly text: (text: string) => void;
  },
): Promise<boolean> {
  const { Parser } = await import('saxen');
  const local = (name: string): string => name.slice(name.indexOf(':') + 1);
  const fault: { first?: Error } = {};
  new Parser()
    .on('openTag', (name, attributesOf, decode) => {
      const attributes = Object.entries(attributesOf()).map(([each, value]) => [each, decode(value)]);
      on.open(local(name), Object.fromEntries(attributes) as Attributes);
    })
    .on('closeTag', (name) => on.close(local(name)))
    .on('text', (value, decode) => on.text(decode(value)))
    .on('cdata', (value) => on.text(value))
    .on('error', (error) => {
      fault.first ??= error;
    })
    .parse(xml);
  return fault.first === undefined;
}

const numberOf = (text: string | undefined): number => {
  const value = Number(text);
  return Number.isSafeInteger(value) && value >= 0 ? value : -1;
};

async function readProject(xml: string): Promise<Project | undefined> {
  const project: Project = {
    codes: new Map(),
    variables: new Map(),
    sources: [],
    notes: [],
    cases: [],
    sets: [],
    others: 0,
  };
  const open: string[] = [];
  /** Names of the codes that are open. */
  const within: string[] = [];
  let source: ProjectSource | undefined;
  let note: Project['notes'][number] | undefined;
  let selection: ProjectSource['selections'][number] | undefined;
  let variable = '';
  let text = '';
  const isWhole = await walk(xml, {
    open(name, attributes) {
      open.push(name);
      text = '';
      const { guid = '', name: named = '', targetGUID = '' } = attributes;
      if (name === 'Code') {
        within.push(named);
        project.codes.set(guid, [...within]);
      } else if (name === 'Variable') project.variables.set(guid, named);
      else if (OTHER_SOURCES.has(name)) project.others++;
      else if (SOURCES.has(name)) {
        source = {
          guid,
          name: named,
          path: attributes.plainTextPath ?? '',
          content: undefined,
          attributes: new Map(),
          selections: [],
          codes: [],
        };
        project.sources.push(source);
      } else if (name === 'PlainTextSelection' && source) {
        const [start, end] = [numberOf(attributes.startPosition), numberOf(attributes.endPosition)];
        selection = { start, end, note: '', codes: [] };
        source.selections.push(selection);
      } else if (name === 'CodeRef') (selection ?? source)?.codes.push(targetGUID);
      else if (name === 'VariableRef') variable = targetGUID;
      else if (name === 'Case') project.cases.push({ values: [], sources: [] });
      else if (name === 'SourceRef' && open.includes('Case')) project.cases.at(-1)?.sources.push(targetGUID);
      else if (name === 'Set') project.sets.push({ name: named.trim(), sources: new Set() });
      else if (name === 'MemberSource') project.sets.at(-1)?.sources.add(targetGUID);
      else if (name === 'Note') {
        note = { path: attributes.plainTextPath ?? '', content: undefined };
        project.notes.push(note);
      }
    },
    text(part) {
      text += part;
    },
    close(name) {
      open.pop();
      if (name === 'Code') within.pop();
      const value = text.trim();
      if (VALUES.has(name)) {
        const named = project.variables.get(variable);
        const pair: [string, string] = [named ?? variable, value];
        if (value === '') return;
        if (source && open.includes('TextSource')) source.attributes.set(...pair);
        else if (open.includes('Case')) project.cases.at(-1)?.values.push(pair);
      } else if (name === 'PlainTextContent') {
        if (note) note.content = text;
        else if (source) source.content = text;
      } else if (name === 'Description' && selection) selection.note = value;
      else if (name === 'PlainTextSelection') selection = undefined;
      else if (name === 'Note') note = undefined;
      else if (SOURCES.has(name)) source = undefined;
      text = '';
    },
  });
  return isWhole ? project : undefined;
}

/**
 * Where code points of a text as it came in stand in the tidied text; undefined beyond its end. Line ends of two characters are one
 * there, a byte order mark none.
 *
 * @param points rising
 */
export function placesOfPoints(raw: string, points: readonly number[]): (number | undefined)[] {
  const places: (number | undefined)[] = [];
  let next = 0;
  let point = 0;
  let place = 0;
  for (let at = 0; next < points.length;) {
    while (next < points.length && points[next] <= point) {
      places.push(points[next] < 0 ? undefined : place);
      next++;
    }
    if (at >= raw.length) break;
    const length = (raw.codePointAt(at) ?? 0) > 0xffff ? 2 : 1;
    const isDropped = (at === 0 && raw[at] === '\ufeff') || (raw[at] === '\r' && raw[at + 1] === '\n');
    if (!isDropped) place += length;
    at += length;
    point++;
  }
  while (next++ < points.length) places.push(undefined);
  return places;
}

/** The codings of a source in its tidied text; those that point beyond it, or at nothing, are counted. */
function codingsOf(
  { selections }: ProjectSource,
  codes: ReadonlyMap<string, string>,
  raw: string,
): { codings: ReadCoding[]; astray: number } {
  const points = [...new Set(selections.flatMap(({ start, end }) => [start, end]))].sort((a, b) => a - b);
  const places = new Map(placesOfPoints(raw, points).map((place, i) => [points[i], place]));
  const codings: ReadCoding[] = [];
  let astray = 0;
  for (const { start, end, codes: refs, note } of selections) {
    const [from, to] = [places.get(start), places.get(end)];
    const tags = [...new Set(refs.flatMap((ref) => codes.get(ref) ?? []))].filter((tag) => tag !== '');
    if (from === undefined || to === undefined || from >= to) astray++;
    else if (tags.length > 0 || note !== '') codings.push({ start: from, end: to, tags, note });
  }
  return { codings, astray };
}

/**
 * What each code is called as a tag: its name, or where another code under another has the same name, with those it is under. Two
 * codes are never one for their name.
 */
function tagsOfCodes(codes: Project['codes']): Map<string, string> {
  const places = new Map<string, Set<string>>();
  for (const path of codes.values()) {
    const name = path[path.length - 1];
    places.set(name, (places.get(name) ?? new Set()).add(path.join(UNDER)));
  }
  return new Map(
    Array.from(codes, ([guid, path]) => {
      const name = path[path.length - 1];
      return [
        guid,
        (places.get(name)?.size ?? 0) > 1 ? path.filter((each) => each !== '').join(UNDER) : name,
      ];
    }),
  );
}
const UNDER = ' › ';

/** Codes that whole sources have, as an attribute a code: whoever has it says yes. */
function codesOfWholes({ sources }: Project, tags: ReadonlyMap<string, string>): Project['sets'] {
  const found = new Map<string, Set<string>>();
  for (const { guid, codes } of sources) {
    for (const code of codes) {
      const tag = tags.get(code) ?? '';
      if (tag !== '') found.set(`Code: ${tag}`, (found.get(`Code: ${tag}`) ?? new Set()).add(guid));
    }
  }
  return Array.from(found, ([name, members]) => ({ name, sources: members }));
}

/** Sets that hold some of the texts, but not all, each as the attribute it becomes. */
function setsOfTexts({ sets, sources }: Project): Project['sets'] {
  const byName = new Map<string, Set<string>>();
  for (const set of sets) {
    const members = sources.filter(({ guid }) => set.sources.has(guid));
    if (members.length === 0 || members.length === sources.length) continue;
    const name = `Set: ${set.name === '' ? 'untitled' : set.name}`;
    const known = byName.get(name) ?? new Set<string>();
    byName.set(name, known);
    for (const { guid } of members) known.add(guid);
  }
  return Array.from(byName, ([name, members]) => ({ name, sources: members }));
}

/**
 * Reads a project of another program for qualitative work (REFI-QDA Project Exchange 1.0, .qdpx): its texts with their variables as
 * attributes, its codings and notes. What it holds besides is counted and said.
 */
export async function readQdaProject(bytes: Uint8Array): Promise<FileContent> {
  const archive = openArchive(bytes);
  const xml = archive.text('project.qde');
  const project = xml === undefined ? undefined : await readProject(xml.replace(/^\ufeff/, ''));
  if (!project) return refused(DAMAGED);
  /** A text by its path; only what is in the archive itself. */
  const textAt = (path: string): string | undefined => {
    if (!path.startsWith('internal://')) return undefined;
    const name = `sources/${path.replace(/^internal:\/\//, '')}`;
    if (archive.has(name)) return archive.text(name);
    // Some programs write the folder, or the ending, in capitals.
    const found = archive.entries.find((entry) => entry.name.toLowerCase() === name.toLowerCase());
    return found && archive.text(found.name);
  };
  const tags = tagsOfCodes(project.codes);
  const wholes = codesOfWholes(project, tags);
  const shared = new Map<string, [string, string][]>();
  for (const { values, sources } of project.cases)
    for (const guid of sources) shared.set(guid, [...(shared.get(guid) ?? []), ...values]);
  const sets = setsOfTexts(project);
  const texts: ReadText[] = [];
  const missing: string[] = [];
  let astray = 0;
  let left = MOST_CODINGS;
  let codingsLeftOut = 0;
  for (const source of project.sources) {
    const raw = source.content ?? textAt(source.path);
    const text = raw === undefined ? '' : tidyText(raw);
    if (raw === undefined || text.trim() === '') {
      missing.push(source.name);
      continue;
    }
    const found = codingsOf(source, tags, raw);
    astray += found.astray;
    const codings = found.codings.slice(0, left);
    left -= codings.length;
    codingsLeftOut += found.codings.length - codings.length;
    const attributes = Object.fromEntries([
      ...[...sets, ...wholes].map(({ name, sources }): [string, string] => [
        name,
        sources.has(source.guid) ? 'yes' : 'no',
      ]),
      ...(shared.get(source.guid) ?? []),
      ...source.attributes,
    ]);
    texts.push({ name: source.name === '' ? 'Untitled' : source.name, text, attributes, codings });
  }
  if (texts.length === 0) return refused('The project holds no text that can be read.');
  const memos = project.notes
    .map(({ path, content }) => tidyText(content ?? textAt(path) ?? '').trim())
    .filter((text) => text !== '');
  const codings = MOST_CODINGS - left;
  const remarks = [
    codings + memos.length > 0 &&
      `${counted(codings, 'coding')} and ${counted(memos.length, 'note')} are in the Notebook.`,
    sets.length > 0 &&
      `${sets.length === 1 ? 'Its set is an attribute' : `Its ${sets.length} sets are attributes`}: ${listed(sets.slice(0, MOST_NAMED).map(({ name }) => name))}${sets.length > MOST_NAMED ? ' and others' : ''}.`,
    wholes.length > 0 &&
      `${wholes.length === 1 ? 'A code of whole sources is an attribute' : `${wholes.length} codes of whole sources are attributes`}: ${listed(wholes.slice(0, MOST_NAMED).map(({ name }) => name))}${wholes.length > MOST_NAMED ? ' and others' : ''}.`,
    codingsLeftOut > 0 && `${counted(codingsLeftOut, 'more coding')} did not fit into it.`,
    astray > 0 && `${counted(astray, 'coding')} pointed beyond the end of a text and did not come in.`,
    missing.length > 0 &&
      `No text was found for ${counted(missing.length, 'source')}: ${missing.slice(0, MOST_NAMED).join(', ')}.`,
    project.others > 0 &&
      `${counted(project.others, 'picture, sound or PDF', 'pictures, sounds or PDFs')} did not come in.`,
  ].filter((each) => each !== false);
  return {
    kind: 'texts',
    texts,
    ...(memos.length > 0 ? { memos } : {}),
    ...(remarks.length > 0 ? { note: remarks.join(' ') } : {}),
  };
}
