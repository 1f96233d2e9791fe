import { byCodeUnits } from '../../base/order.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import type { Lexicon } from '../../languages/en/lexicon.ts';
import { originalPlaces, type LayeredText } from '../offsets.ts';
import { NUMBER, WORD } from '../scan.ts';
import type { CleaningAction } from './steps.ts';
import type { Tokens } from '../tokens.ts';

/** What may still want cleaning; what is put right by letters comes before what is only taken out. */
export const REMAIN_KINDS = ['mojibake', 'odd', 'runs', 'digits', 'long', 'glued'] as const;
export type RemainKind = (typeof REMAIN_KINDS)[number];

/** Something left in the cleaned text, with the step that would remove it. */
export interface Remain {
  readonly kind: RemainKind;
  readonly text: string;
  readonly count: number;
  /** Its first place in each of a few sources, in the original. */
  readonly places: readonly { readonly source: number; readonly start: number; readonly end: number }[];
  readonly step: CleaningAction;
}

const MOST_A_KIND = 40;
const PLACES = 12;
/** Words longer than this are looked at. */
const LONG_WORD = 24;
/** A part of a glued word has at least this many letters. */
const SHORTEST_PART = 3;

/** Marks that belong in a text in any language, and are not odd. */
const USUAL =
  /[\p{L}\p{M}\p{N}\s.,;:!?…'"‘’‚‛“”„‟«»‹›()[\]{}\-‐‑‒–—―/&%@#*+=<>|_~^`\\$€£§°·¿¡、。，；：？！「」『』（）・]/u;
const SYMBOL_RUN = /(?:(?![.…!?'"‘’“”\s\-–—_])[\p{P}\p{S}]){3,}|[!?]{3,}|[-_=*~]{3,}/gu;
const MOJIBAKE =
  /(?:[ÃÂãâ][\u0080-\u00bf€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]|â€[\u0080-\u00bf€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]|ï¿½|\ufffd)+/g;
const HIGH_1252 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** UTF-8 that was read as Windows-1252, put right; undefined where it can't be. Its capitals may have been made small. */
export function repairMojibake(text: string): string | undefined {
  return asUtf8(text) ?? asUtf8(text.replace(/[ãâ](?!€)/g, (letter) => letter.toUpperCase()));
}

function asUtf8(text: string): string | undefined {
  const bytes: number[] = [];
  for (const character of text) {
    const code = character.charCodeAt(0);
    const high = HIGH_1252.indexOf(character);
    if (high >= 0) bytes.push(0x80 + high);
    else if (code < 256) bytes.push(code);
    else return undefined;
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Uint8Array.from(bytes));
  } catch {
    // It was not UTF-8, so there is nothing to put right.
    return undefined;
  }
}

type Found = Map<string, { count: number; places: { source: number; start: number; end: number }[] }>;

function note(found: Found, text: string, source: number, place: () => { start: number; end: number }): void {
  let entry = found.get(text);
  if (!entry) found.set(text, (entry = { count: 0, places: [] }));
  entry.count++;
  const last = entry.places[entry.places.length - 1];
  if (entry.places.length < PLACES && last?.source !== source) entry.places.push({ source, ...place() });
}

const fixed = (find: string, replacement = ''): CleaningAction => ({
  kind: 'replace',
  find,
  isPattern: false,
  wholeWords: false,
  matchCase: true,
  replacement,
});

/**
 * What is left to clean, most frequent first within each kind.
 *
 * @param layers the cleaned text of each source, one at a time
 * @param lexicon words by which glued ones are known; none where the language has no lexicon
 */
export function* findRemains(
  layers: Iterable<LayeredText>,
  tokens: Tokens,
  lexicon: Lexicon | undefined,
): Stepwise<Remain[]> {
  const odd: Found = new Map();
  const runs: Found = new Map();
  const mojibake: Found = new Map();
  const sources = tokens.sourceFirst.length - 1;
  let source = 0;
  for (const layer of layers) {
    const { text } = layer;
    const where = (start: number, end: number) => () => {
      const places = originalPlaces(layer);
      return { start: places.startOf(start), end: places.endOf(end - 1) };
    };
    const broken = [...text.matchAll(MOJIBAKE)].map((match) => [match.index, match.index + match[0].length]);
    let nextBroken = 0;
    for (let i = 0; i < text.length; i++) {
      if (nextBroken < broken.length && i === broken[nextBroken][0]) {
        // Its parts are no odd characters of their own.
        i = broken[nextBroken++][1] - 1;
        continue;
      }
      const code = text.charCodeAt(i);
      // Nearly every character is plain ASCII, and those are usual but for control characters.
      if (code < 127 && code > 31) continue;
      if (code === 10 || code === 9) continue;
      const character = String.fromCodePoint(text.codePointAt(i) ?? code);
      if (!USUAL.test(character)) note(odd, character, source, where(i, i + character.length));
      i += character.length - 1;
    }
    for (const match of text.matchAll(SYMBOL_RUN)) {
      note(runs, match[0].slice(0, 40), source, where(match.index, match.index + match[0].length));
    }
    for (const [start, end] of broken) note(mojibake, text.slice(start, end), source, where(start, end));
    source++;
    yield source / (sources + 1);
  }
  const byType = new Map<number, { kind: RemainKind; step: CleaningAction }>();
  const isUsed = usedForms(tokens);
  for (let type = 0; type < tokens.forms.length; type++) {
    const form = tokens.forms[type];
    const kind = tokens.kindOf[type];
    if (kind === NUMBER || (kind === WORD && /\p{Nd}/u.test(form))) {
      byType.set(type, { kind: 'digits', step: { kind: 'numbers', inWords: kind !== NUMBER } });
    } else if (kind === WORD) {
      const parts = lexicon && gluedParts(form, lexicon, isUsed);
      if (parts) {
        byType.set(type, {
          kind: 'glued',
          step: {
            kind: 'replace',
            find: form,
            isPattern: false,
            wholeWords: true,
            matchCase: false,
            replacement: parts,
          },
        });
      } else if (form.length > LONG_WORD) {
        byType.set(type, { kind: 'long', step: fixed(form) });
      }
    }
  }
  const places = placesOfTypes(tokens, byType);
  const remains: Remain[] = [
    ...ofFound('mojibake', mojibake, (text) => ({
      kind: 'replace',
      find: text,
      isPattern: false,
      wholeWords: false,
      // The step stands before capitals are made small.
      matchCase: false,
      replacement: repairMojibake(text) ?? '',
    })),
    ...ofFound('odd', odd, (text) =>
      /\p{Extended_Pictographic}/u.test(text)
        ? { kind: 'symbols', which: 'emoji' }
        : /[\p{S}\p{Co}\p{Cc}\p{Cf}\ufffd]/u.test(text)
          ? { kind: 'symbols', which: 'symbols' }
          : fixed(text),
    ),
    ...ofFound('runs', runs, (text) => fixed(text)),
  ];
  for (const kind of ['digits', 'long', 'glued'] as const) {
    const ofKind = [...byType]
      .filter(([, each]) => each.kind === kind)
      .map(([type, { step }]) => ({
        kind,
        text: tokens.forms[type],
        count: tokens.mentionsOf[type],
        places: places.get(type) ?? [],
        step,
      }))
      .sort((a, b) => b.count - a.count || byCodeUnits(a.text, b.text))
      .slice(0, MOST_A_KIND);
    for (const each of ofKind) remains.push(each);
  }
  return remains;
}

function ofFound(kind: RemainKind, found: Found, step: (text: string) => CleaningAction): Remain[] {
  return [...found]
    .map(([text, { count, places }]) => ({ kind, text, count, places, step: step(text) }))
    .sort((a, b) => b.count - a.count || byCodeUnits(a.text, b.text))
    .slice(0, MOST_A_KIND);
}

/** Small-letter forms the study uses twice or more. */
function usedForms(tokens: Tokens): (form: string) => boolean {
  const mentions = new Map<string, number>();
  tokens.forms.forEach((form, type) => {
    const small = form.toLowerCase();
    mentions.set(small, (mentions.get(small) ?? 0) + tokens.mentionsOf[type]);
  });
  return (form) => (mentions.get(form) ?? 0) >= 2;
}

/** The two words a glued one is made of, with a space: both are in the lexicon and used in the study, it is not. */
function gluedParts(form: string, lexicon: Lexicon, isUsed: (form: string) => boolean): string | undefined {
  const small = form.toLowerCase();
  if (small.length < 2 * SHORTEST_PART || lexicon.senses.has(small) || !/^\p{L}+$/u.test(small))
    return undefined;
  // A plural or verb form of a word that is known is no glued one.
  if (
    /(?:s|es|ed|ing|er|ers|ly)$/.test(small) &&
    lexicon.senses.has(small.replace(/(?:es|s|ed|ing|ers|er|ly)$/, ''))
  )
    return undefined;
  for (let cut = small.length - SHORTEST_PART; cut >= SHORTEST_PART; cut--) {
    const [first, second] = [small.slice(0, cut), small.slice(cut)];
    if (lexicon.senses.has(first) && isUsed(first) && isUsed(second)) return `${first} ${second}`;
  }
  return undefined;
}

function placesOfTypes(
  tokens: Tokens,
  types: ReadonlyMap<number, unknown>,
): Map<number, { source: number; start: number; end: number }[]> {
  const places = new Map<number, { source: number; start: number; end: number }[]>();
  if (types.size === 0) return places;
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    const source = tokens.sentenceSource[s];
    for (let t = tokens.sentenceFirst[s]; t < tokens.sentenceFirst[s + 1]; t++) {
      const type = tokens.type[t];
      if (!types.has(type)) continue;
      const held = places.get(type) ?? [];
      if (held.length >= PLACES || held[held.length - 1]?.source === source) continue;
      held.push({ source, start: tokens.start[t], end: tokens.end[t] });
      places.set(type, held);
    }
  }
  return places;
}
