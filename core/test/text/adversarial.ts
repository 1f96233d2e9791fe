import { looksLikeChat, readChat } from '../../src/formats/read/chat.ts';
import { readDelimited } from '../../src/formats/csv.ts';
import { htmlTitle, htmlToText } from '../../src/formats/read/html.ts';
import { readJson, readJsonLines } from '../../src/formats/read/json.ts';
import { readRichText } from '../../src/formats/read/rich-text.ts';
import { readSubtitles } from '../../src/formats/read/subtitles.ts';
import { decodeText, tidyText } from '../../src/formats/read/text-file.ts';
import { finish } from '../../src/base/stepwise.ts';
import { readSynonyms } from '../../src/concepts/synonyms.ts';
import { readQuery } from '../../src/reading/search.ts';
import { readNamePattern } from '../../src/intake/name-pattern.ts';
import { findSpecials } from '../../src/text/addresses.ts';
import { findBoundaries, findTurnLabels } from '../../src/text/boundaries.ts';
import { cleanText } from '../../src/text/cleaning/cleaning.ts';
import { readPart } from '../../src/text/reading-part.ts';
import { findDate } from '../../src/text/dates.ts';
import { findDuplicates } from '../../src/text/look-alikes/duplicates.ts';
import { detectLanguage } from '../../src/languages/detect.ts';
import { bareSubject, headFields, looksLikeMail, mailParts } from '../../src/text/mail/mail-parts.ts';
import { findRepeats } from '../../src/text/look-alikes/repeats.ts';
import { scanTokens } from '../../src/text/scan.ts';
import { findSpeakers } from '../../src/text/speakers.ts';
import { splitText } from '../../src/text/splitting.ts';
import { CLEANING_KINDS, newStep } from '../../src/text/cleaning/steps.ts';
import { repeatedLines } from '../../src/text/trimming.ts';

const cleaned = (text: string, kind: (typeof CLEANING_KINDS)[number]): unknown => {
  const step = newStep(kind, []);
  const filled =
    step.kind === 'replace'
      ? { ...step, find: '(a+)+b', isPattern: true }
      : step.kind === 'lines'
        ? { ...step, pattern: '(a|aa)+$' }
        : step;
  return cleanText(text, [filled], readPart({ original: text, cuts: [] }, findBoundaries(text), new Set()));
};

/** Whatever reads a text that somebody else wrote, by name. */
export const TEXT_FUNCTIONS: ReadonlyMap<string, (text: string) => unknown> = new Map<
  string,
  (text: string) => unknown
>([
  ['sentences', findBoundaries],
  ['turn labels', findTurnLabels],
  ['tokens', (text) => scanTokens(text, () => undefined)],
  ['addresses', findSpecials],
  ...CLEANING_KINDS.map((kind): [string, (text: string) => unknown] => [
    `cleaning: ${kind}`,
    (text) => cleaned(text, kind),
  ]),
  ['dates', (text) => findDate(text, 'dmy')],
  ['language', detectLanguage],
  ['duplicates', (text) => finish(findDuplicates([text, `${text} more`]))],
  ['speakers', (text) => finish(findSpeakers([text, text]))],
  ['sections by headings', (text) => splitText(text, { kind: 'headings', keepBefore: true })],
  ['sections by words', (text) => splitText(text, { kind: 'words', words: 50 })],
  ['sections by blank lines', (text) => splitText(text, { kind: 'blankLines', lines: 2 })],
  ['sections by a separator', (text) => splitText(text, { kind: 'separator', separator: '--' })],
  ['parts of mails', (text) => [mailParts(text), headFields(text), looksLikeMail(text), bareSubject(text)]],
  ['mails', (text) => mailParts(`From: a\nTo: b\nSubject: c\n\n${text}`)],
  ['chats', (text) => [looksLikeChat(text), readChat('a.txt', text)]],
  ['rich text', (text) => readRichText('a.rtf', new TextEncoder().encode(`{\\rtf1 ${text}}`))],
  ['what repeats', (text) => finish(findRepeats([text, `${text}\nmore`, text, text]))],
  ['repeated lines', (text) => repeatedLines([text, text, text])],
  ['tidy text', tidyText],
  ['encoding', (text) => decodeText(new TextEncoder().encode(text))],
  ['page', htmlToText],
  ['page title', htmlTitle],
  ['subtitles', (text) => readSubtitles('a.vtt', text)],
  ['table', readDelimited],
  ['JSON lines', readJsonLines],
  ['JSON', readJson],
  ['synonyms', readSynonyms],
  [
    'a search',
    (text) => {
      try {
        return readQuery(text);
      } catch (error) {
        return error;
      }
    },
  ],
  [
    'a name pattern',
    (text) => {
      try {
        return readNamePattern(text).read(text);
      } catch (error) {
        return error;
      }
    },
  ],
]);

/** What is repeated: marks, letters of many scripts, openings without closings, and mixtures that look like something. */
export const REPEATED: readonly string[] = [
  ...'.!?…。:;,\'"“”’()[]{}<>&#@*/\\|-–—_=+~^%$ \n\t\r\0aA1é中あ한ไاא\u0301\u200d😀\ufeff',
  '. ',
  '.\n',
  '\r\n',
  ' \n',
  '\n \n',
  '...',
  '.”',
  '."\'',
  '!?',
  'a.',
  'A.',
  'A. ',
  'a.b',
  'a-',
  'a-\n',
  'a ',
  'aa ',
  'a\n',
  'Ab: ',
  'Ab:\n',
  'A b c: ',
  '1:',
  '1:2',
  '[1:23] ',
  '[00:01',
  '(',
  '((',
  '([',
  '[a',
  '(a ',
  '<a',
  '<a ',
  '<div>',
  '</',
  '<!--',
  '<a href="',
  '<p',
  '<title>',
  '&amp',
  '&#',
  '&#x',
  'http://',
  'https://a',
  'www.',
  'www.a.',
  'a@',
  'a@b',
  '@a',
  '#a',
  '#',
  'a.a',
  'a_a',
  "a'a",
  '-a',
  'a,b',
  '"a',
  '"a"',
  '""',
  ',',
  ';',
  '\t',
  '中。',
  '中文',
  '中文。',
  'あ。',
  'กข',
  '1 ',
  '1,',
  '1.',
  '1/',
  '1/2/',
  '12/12/',
  '1.1.',
  '2031-',
  '2031-01-',
  'Jan ',
  '- ',
  '* ',
  '> ',
  '= ',
  '## ',
  '___',
  '--\n',
  '{"a":',
  '[',
  '{',
  '[[',
  '{"a":1}\n',
  'a|b',
  'a=b',
  '{a}',
  '{a',
  'near ',
  '*a',
  'a*',
  '"a" ',
  'WEBVTT\n',
  '00:00:01 --> ',
  '1\n00:00:01,000 --> 00:00:02,000\na\n\n',
  'ä',
  'Ã¤',
  'â€™',
  '’s ',
  'Mr. ',
  'e.g. ',
  'No. 1 ',
  '"No." ',
  'I. ',
  '1. A\n',
  'A\n\n',
  'A\n-\n',
  'A\n=\n',
  'x'.repeat(200) + ' ',
  'aA',
  'aB1',
  '😀a',
  '👩‍👩‍👧 ',
  'a\u0301',
  '\ud800',
];

/** What comes after the repeated, so that what has run on finds that it must not stop there. */
export const TAIL = 'x';
