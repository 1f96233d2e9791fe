import { expect } from 'chai';
import { strFromU8, unzipSync } from 'fflate';
import type { Decision } from '../../src/study/decisions.ts';
import type { NotebookEntry } from '../../src/study/notebook.ts';
import { seededRandom } from '../../src/numeric/random.ts';
import { REPORT_PART_NAMES, type ReportQuestion } from '../../src/views/report/report-types.ts';
import { asking, exampleStudy } from '../examples.ts';

/** Names of two languages, and what stands for each. */
const NAMES: Readonly<Record<string, string>> = {
  ...{ 'O’Grendl': 'Bea', MacGorvin: 'Cy', Harrowgate: 'Dee', Tilburnock: 'Eve', Quennelby: 'Flo' },
  ...{ 'Ashby-Lornex': 'Gus', 'Ada Merrowick': 'Hal', 'St. Cuthrenby': 'Ida', Wexcombley: 'Joe' },
  ...{ Brindlemax: 'Kay', Großmüller: 'Lou', Käthchenow: 'Meg', Björnsenius: 'Nan', Weißhauptmann: 'Oz' },
  ...{ Übelmannert: 'Pia', Schröttlein: 'Quin', 'Jörg Lindenauer': 'Rob', Löwenzahnert: 'Sue' },
  ...{ Söhnleinius: 'Tom', 'Von Äpfelbaumer': 'Una' },
};
/**
 * Letters and digits alone, in small letters without accents, cells of tables apart: a fold of this test's own, so that it sees
 * what the matcher's misses.
 */
const bare = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/ß/g, 'ss')
    .replace(/[,;"<>]+/g, '|')
    .replace(/[^\p{L}\p{N}|]/gu, '');
/** A name without its accents. */
const unaccented = (name: string): string =>
  name.normalize('NFKD').replace(/\p{M}/gu, '').replace(/ß/g, 'ss');
const split = (name: string, by: string): string => `${name.slice(0, 4)}${by}${name.slice(4)}`;

/** Twenty ways of writing a name. */
const formsOf = (name: string): readonly string[] => [
  ...[name, name.toLowerCase(), name.toUpperCase(), name.normalize('NFD'), unaccented(name)],
  ...[`${name}’s`, `${name}'s`, `${name}s`, `${name}es`, `${name}n`],
  ...[split(name, '\u00ad'), split(name, '\u200b'), split(name, '-\n'), split(name, '-\r\n  ')],
  ...[name.replace(/ /g, '\u00a0').replace('’', 'ʼ'), name.replace(/[ -]/g, '\u2011').replace('’', "'")],
  ...[`${bare(name)}@example.org`, `@${bare(name)}`, `${name}2`, `interview_${name}`],
];
const FORMS = Object.keys(NAMES).flatMap(formsOf);
const WEATHER = ['rain', 'shelter', 'bench', 'wind'];
const MONEY = ['fare', 'wage', 'ticket', 'rent'];

function study() {
  const random = seededRandom(5);
  const among = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)];
  const files = [
    'ogrendl',
    'OGrendl2',
    'interviewOGrendl',
    'Grossmueller',
    'Ada_Merrowick',
    'löwenzahnert 3',
  ];
  const texts = Array.from({ length: 12 }, (_, i) => {
    const words = i % 2 === 0 ? WEATHER : MONEY;
    const said = FORMS.filter((_form, at) => at % 12 === i).map(
      (form) =>
        `Then ${form} saw the ${among(words)} and the ${among(words)} with O’Grendl by the ${among(words)}.`,
    );
    return {
      name: `${i}-${files[i % files.length]}.txt`,
      text: said.join('\n\n'),
      attributes: {
        'seen by O’Grendl': i % 2 === 0 ? 'Großmüller' : 'other',
        day: `2031-0${1 + (i % 3)}-10`,
      },
    };
  });
  const made = exampleStudy(texts);
  const decisions: Decision[] = [
    { kind: 'setAttributeType', attribute: 'day', type: 'date' },
    { kind: 'renameStudy', title: 'Talks with O’Grendl' },
    { kind: 'renameConcept', key: 'rain', label: 'rain of O’Grendl' },
    { kind: 'renameTheme', letter: 'A', name: 'What the old Großmüller and O’Grendl said of weather' },
    { kind: 'noteTheme', letter: 'A', note: 'As o’grendl put it to grossmueller@example.org' },
    { kind: 'keepSubset', name: 'Friends of Großmüller', subset: [] },
    { kind: 'setPseudonyms', change: NAMES },
  ];
  for (const decision of decisions) made.decide(decision);
  return made;
}

/** Every text in a file that leaves: of an archive those of its files, and their names. */
function textsOf(bytes: Uint8Array): string[] {
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return [strFromU8(bytes)];
  return Object.entries(unzipSync(bytes)).flatMap(([name, inner]) => [name, ...textsOf(inner)]);
}

/** Each name as letters alone; umlauts in two ways. */
const LISTED = Object.keys(NAMES).flatMap((name) => [
  bare(name),
  bare(name.toLowerCase().replace(/[äöü]/g, '$&e')),
]);
/** What of listed names can be made out: whatever marks, breaks and tags stand between their letters. */
function leaks(texts: readonly string[]): string[] {
  return texts.flatMap((text) => {
    const plain = bare(
      text.replace(/<\/?(?:[abiu]|em|mark|span|strong|tspan|w:(?:r|t|rPr|b|i))\b[^>]*>/g, ' '),
    );
    const raw = bare(text);
    return LISTED.filter((name) => plain.includes(name) || raw.includes(name)).map(
      (name) => `${name}: ${plain.slice(Math.max(0, plain.indexOf(name) - 60), plain.indexOf(name) + 40)}`,
    );
  });
}

describe(`names with a pseudonym, ${FORMS.length} forms of them`, () => {
  const ask = asking(study());
  const kept = (['map', 'strength', 'themes', 'links', 'concepts'] as const).map((kind, i): NotebookEntry => {
    const question = kind === 'strength' ? { kind, rows: { kind: 'themes' as const } } : { kind };
    return {
      ...{ id: `n${i}`, time: '2031-01-02T03:04:05.000Z', note: `o’grendl at ${i}`, tags: ['Großmüllers'] },
      view: { asked: question, address: 'map', seq: 1, figure: ask('figure', question) },
    };
  });
  const asked: ReportQuestion = {
    ...{ parts: REPORT_PART_NAMES, entries: kept, version: '9.9', quotations: 3 },
    decisions: [{ time: '2031-01-02T03:04:05.000Z', words: 'drop O’Grendls', reason: 'for GROSSMUELLER' }],
  };
  const outputs: Readonly<Record<string, () => Uint8Array>> = {
    codebook: () => ask('codebookFile', null).bytes,
    project: () => ask('projectFile', { notes: kept }).bytes,
    everything: () => ask('everythingFile', asked).bytes,
    page: () => ask('reportFile', { ...asked, as: 'html' }).bytes,
    document: () => ask('reportFile', { ...asked, as: 'docx' }).bytes,
    'cleaned texts': () => ask('cleanedFile', { as: 'zip' }).bytes,
    'cleaned table': () => ask('cleanedFile', { as: 'csv' }).bytes,
    adjacency: () => ask('adjacencyFile', null).bytes,
    graphml: () => ask('networkFile', { as: 'graphml' }).bytes,
    'graph as JSON': () => ask('networkFile', { as: 'json' }).bytes,
    matrix: () => ask('matrixFile', { figure: 'mentions' }).bytes,
    workbook: () => new TextEncoder().encode(JSON.stringify(ask('workbook', null))),
    ...Object.fromEntries(
      (['csv', 'docx'] as const).map((as) => [
        `passages as ${as}`,
        () =>
          ask('passagesFile', {
            selection: { kind: 'concept', key: 'rain' },
            order: 'text',
            as,
          }).bytes,
      ]),
    ),
  };
  for (const [name, make] of Object.entries(outputs)) {
    it(`stand in no ${name}`, () => {
      const texts = textsOf(make());
      expect(texts.join('\n')).to.match(/\[(?:Bea|Cy|Lou)\]|rain/);
      expect(leaks(texts)).to.deep.equal([]);
    });
  }
});
