import { strToU8 } from 'fflate';
import { hashText } from '../../base/hash.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { escapeXml } from '../../base/xml.ts';
import { archiveWriter, packBytes } from './archive-write.ts';

/** A code of a codebook; a code may hold others. */
export interface QdaCode {
  /** What it is known by here; codings name it. */
  readonly id: string;
  readonly name: string;
  readonly description?: string;
  /** #RRGGBB. */
  readonly colour?: string;
  readonly codes?: readonly QdaCode[];
}

/** A stretch of a source's text that is coded; places are UTF-16 code units of the text, as elsewhere here. */
export interface QdaSelection {
  readonly start: number;
  readonly end: number;
  /** Ids of codes; none where only something is noted on it. */
  readonly codes: readonly string[];
  /** What is noted on it. */
  readonly note?: string;
}

/** A source; its text and selections may be made when they are asked for, as they are let go of again. */
export interface QdaSource {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly selections: readonly QdaSelection[];
  /** Attribute → value, as it is written; those without one are left out. */
  readonly attributes: Readonly<Record<string, string>>;
}

/** What goes to another program for qualitative work. */
export interface QdaProject {
  readonly title: string;
  readonly codes: readonly QdaCode[];
  readonly sources: readonly QdaSource[];
  /** Attribute → what its values are; text where it is not named. */
  readonly types: Readonly<Record<string, 'text' | 'number' | 'date'>>;
  readonly notes: readonly { readonly id: string; readonly name: string; readonly text: string }[];
  /** Sources that were put together under a name. */
  readonly sets?: readonly { readonly name: string; readonly sources: readonly string[] }[];
}

const ORIGIN = 'Green Thicket';
/** Equal projects give equal bytes: no clock gets in. */
const NO_TIME = '1980-01-01T00:00:00Z';
const HEAD = '<?xml version="1.0" encoding="utf-8" standalone="yes"?>\n';

/** A GUID that is always the same for the same text: in the form of RFC 9562, version 8 (custom). */
export function guidOf(text: string): string {
  const digits = [0, 1, 2]
    .map((part) => hashText(`${part} ${text}`))
    .join('')
    .replaceAll('-', '');
  // Base 36 to hexadecimal, a letter at a time, is enough to tell things apart.
  const hex = [...digits]
    .map((letter) => (parseInt(letter, 36) % 16).toString(16))
    .join('')
    .padEnd(32, '0');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** The n-th of a family of GUIDs: its last twelve digits count, so that no text is hashed for each. */
const guidAt = (family: string, n: number): string =>
  `${family.slice(0, 24)}${n.toString(16).padStart(12, '0')}`;

const attribute = (name: string, value: string): string => ` ${name}="${escapeXml(value)}"`;
const described = (text: string | undefined): string =>
  text === undefined || text === '' ? '' : `<Description>${escapeXml(text)}</Description>`;

function codeXml({ id, name, description, colour, codes = [] }: QdaCode): string {
  const inner = `${described(description)}${codes.map(codeXml).join('')}`;
  const head = `<Code${attribute('guid', guidOf(`code ${id}`))}${attribute('name', name)} isCodable="true"${colour === undefined ? '' : attribute('color', colour)}`;
  return inner === '' ? `${head}/>` : `${head}>${inner}</Code>`;
}

const codebookXml = (codes: readonly QdaCode[]): string =>
  `<CodeBook><Codes>${codes.map(codeXml).join('')}</Codes></CodeBook>`;

/** A codebook alone (REFI-QDA Codebook 1.0, .qdc). */
export const writeCodebook = (codes: readonly QdaCode[]): string =>
  `${HEAD}<CodeBook xmlns="urn:QDA-XML:codebook:1.0" origin="${ORIGIN}"><Codes>${codes.map(codeXml).join('')}</Codes></CodeBook>\n`;

/** How many Unicode code points stand before a place of a text, asked for places that grow. */
function codePointsBefore(text: string): (place: number) => number {
  let at = 0;
  let points = 0;
  return (place) => {
    if (place < at) [at, points] = [0, 0];
    for (; at < place && at < text.length; at++) {
      const code = text.charCodeAt(at);
      // The second half of a pair is no point of its own.
      if (code < 0xdc00 || code > 0xdfff) points++;
    }
    return points;
  };
}

const VARIABLE_TYPES = { text: 'Text', number: 'Float', date: 'Date' } as const;
const VALUE_ELEMENTS = { text: 'TextValue', number: 'FloatValue', date: 'DateValue' } as const;

/** A value as the standard writes it; what is no number or date by its form is left out, as it would not be valid. */
function valueXml(name: string, value: string, type: 'text' | 'number' | 'date'): string {
  const isWritten =
    type === 'text' ||
    (type === 'number' ? /^[-+]?\d+(?:\.\d+)?$/.test(value) : /^\d{4}-\d\d-\d\d$/.test(value));
  if (!isWritten) return '';
  const element = VALUE_ELEMENTS[type];
  return `<VariableValue><VariableRef${attribute('targetGUID', guidOf(`variable ${name}`))}/><${element}>${escapeXml(value)}</${element}></VariableValue>`;
}

function sourceXml(
  { id, name, text, selections, attributes }: QdaSource,
  types: QdaProject['types'],
  user: string,
  codeGuid: (code: string) => string,
): string {
  const points = codePointsBefore(text);
  const [selectionGuids, codingGuids] = [guidOf(`selections ${id}`), guidOf(`codings ${id}`)];
  let coding = 0;
  const guid = guidOf(`source ${id}`);
  const coded = [...selections]
    .sort((a, b) => a.start - b.start || a.end - b.end)
    .map(({ start, end, codes, note }, i) => {
      const made = ` creatingUser="${user}" creationDateTime="${NO_TIME}"`;
      const codings = codes.map(
        (code) =>
          `<Coding${attribute('guid', guidAt(codingGuids, coding++))}${made}><CodeRef${attribute('targetGUID', codeGuid(code))}/></Coding>`,
      );
      const from = points(start);
      return `<PlainTextSelection${attribute('guid', guidAt(selectionGuids, i))}${attribute('name', text.slice(start, end).replace(/\s+/g, ' ').slice(0, 60))} startPosition="${from}" endPosition="${points(end)}"${made}>${described(note)}${codings.join('')}</PlainTextSelection>`;
    });
  const values = Object.entries(attributes).map(([each, value]) =>
    valueXml(each, value, Object.hasOwn(types, each) ? types[each] : 'text'),
  );
  return `<TextSource${attribute('guid', guid)}${attribute('name', name)} plainTextPath="internal://${guid}.txt" creatingUser="${user}" creationDateTime="${NO_TIME}">${coded.join('')}${values.join('')}</TextSource>`;
}

const PACKED = 6;

/**
 * A project for other programs (REFI-QDA Project Exchange 1.0, .qdpx): a ZIP of project.qde and the texts. Positions are counted
 * in Unicode code points, as the standard does. One source is looked at at a time.
 */
export function* writeQdaProject({
  title,
  codes,
  sources,
  types,
  notes,
  sets = [],
}: QdaProject): Stepwise<Uint8Array<ArrayBuffer>> {
  const user = guidOf('user');
  const codeGuids = new Map<string, string>();
  const codeGuid = (code: string): string => {
    let guid = codeGuids.get(code);
    if (guid === undefined) codeGuids.set(code, (guid = guidOf(`code ${code}`)));
    return guid;
  };
  const names = [...new Set(sources.flatMap(({ attributes }) => Object.keys(attributes)))];
  const variables = names.map(
    (name) =>
      `<Variable${attribute('guid', guidOf(`variable ${name}`))}${attribute('name', name)} typeOfVariable="${VARIABLE_TYPES[Object.hasOwn(types, name) ? types[name] : 'text']}"/>`,
  );
  const noted = notes.map(
    ({ id, name }) =>
      `<Note${attribute('guid', guidOf(`note ${id}`))}${attribute('name', name)} plainTextPath="internal://${guidOf(`note ${id}`)}.txt" creatingUser="${user}" creationDateTime="${NO_TIME}"/>`,
  );
  const grouped = sets.map(({ name, sources: members }) => {
    const refs = members.map((id) => `<MemberSource${attribute('targetGUID', guidOf(`source ${id}`))}/>`);
    return `<Set${attribute('guid', guidOf(`set ${name}`))}${attribute('name', name)}>${refs.join('')}</Set>`;
  });
  const archive = archiveWriter();
  // Programs take a NUL for the end of the text; what stands in its place is as long.
  const addText = (name: string, text: string): void =>
    archive.add(name, packBytes(strToU8(text.replaceAll('\0', '\ufffd')), PACKED));
  const write = archive.begin('project.qde', PACKED);
  write(
    [
      HEAD,
      `<Project xmlns="urn:QDA-XML:project:1.0"${attribute('name', title)} origin="${ORIGIN}" creatingUserGUID="${user}" creationDateTime="${NO_TIME}">`,
      `<Users><User guid="${user}" name="Researcher"/></Users>`,
      codebookXml(codes),
      variables.length === 0 ? '' : `<Variables>${variables.join('')}</Variables>`,
      '<Sources>',
    ].join(''),
  );
  for (const [s, source] of sources.entries()) {
    write(sourceXml(source, types, user, codeGuid));
    yield (0.7 * (s + 1)) / sources.length;
  }
  write(
    [
      '</Sources>',
      noted.length === 0 ? '' : `<Notes>${noted.join('')}</Notes>`,
      grouped.length === 0 ? '' : `<Sets>${grouped.join('')}</Sets>`,
      '</Project>\n',
    ].join(''),
    true,
  );
  for (const [s, source] of sources.entries()) {
    addText(`sources/${guidOf(`source ${source.id}`)}.txt`, source.text);
    yield 0.7 + (0.3 * (s + 1)) / sources.length;
  }
  for (const { id, text } of notes) addText(`sources/${guidOf(`note ${id}`)}.txt`, text);
  return archive.whole();
}
