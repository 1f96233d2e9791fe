import { LANGUAGE_OF } from '../languages/languages.ts';
import { plainForm } from '../languages/plain-form.ts';
import { WORD } from '../text/scan.ts';
import type { Tokens } from '../text/tokens.ts';
import type { WordLanguages } from '../text/words/word-languages.ts';

/** From this share of its mentions on a word says no more than the phrases it is part of. */
const MOSTLY = 0.5;

/** A form as phrases have it: small letters, nothing elided before it, no full stop of an abbreviation. */
const asInPhrases = (form: string): string => plainForm(form).replace(/\.$/, '');

const NONE: readonly number[][] = [];

/**
 * The types that mostly stand in a fixed phrase of their language, as *behalf* in *on behalf of*, *respect* in *with respect to* and
 * *cent* in *per cent*: as they are used they are words of grammar.
 *
 * @returns 1 for each such type
 */
export function boundTypes(tokens: Tokens, { all, ofType }: WordLanguages): Uint8Array {
  const numbers = new Map<string, number>();
  const numberOf = (form: string): number => {
    const number = numbers.get(form) ?? numbers.size;
    numbers.set(form, number);
    return number;
  };
  /** By language, the number of their first word and that of their second: phrases as numbers of words. */
  const phrases = all.map((language) => {
    const byFirst = new Map<number, Map<number, number[][]>>();
    for (const phrase of LANGUAGE_OF[language].fixedPhrases ?? []) {
      const words = phrase.split(' ').map((word) => numberOf(asInPhrases(word)));
      const bySecond = byFirst.get(words[0]) ?? new Map<number, number[][]>();
      bySecond.set(words[1], [...(bySecond.get(words[1]) ?? []), words]);
      byFirst.set(words[0], bySecond);
    }
    return byFirst;
  });
  const inPhrases = Int32Array.from(tokens.forms, (form) => numbers.get(asInPhrases(form)) ?? -1);
  const begins = tokens.forms.map((_, type) => phrases[ofType[type]].get(inPhrases[type]));
  const bound = new Int32Array(tokens.forms.length);
  for (let s = 0; s + 1 < tokens.sentenceFirst.length; s++) {
    const end = tokens.sentenceFirst[s + 1];
    for (let t = tokens.sentenceFirst[s]; t + 1 < end; t++) {
      const second = inPhrases[tokens.type[t + 1]];
      if (second < 0) continue;
      for (const phrase of begins[tokens.type[t]]?.get(second) ?? NONE) {
        if (!phrase.every((word, i) => t + i < end && inPhrases[tokens.type[t + i]] === word)) continue;
        for (let i = 0; i < phrase.length; i++) bound[tokens.type[t + i]]++;
        break;
      }
    }
  }
  return Uint8Array.from(bound, (times, type) =>
    times > 0 && tokens.kindOf[type] === WORD && times >= MOSTLY * tokens.mentionsOf[type] ? 1 : 0,
  );
}
