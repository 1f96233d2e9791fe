import type { Stepwise } from '../base/stepwise.ts';
import type { LanguageCode } from './language-names.ts';

/** Gives what is known of a language, loaded when it is first asked for; undefined where nothing is. */
export type KnownOf<Known> = (language: LanguageCode) => Stepwise<Known | undefined>;

/** What is known of languages, by how it is come by for each of which anything is. */
export const knownBy = <Known>(
  sources: Readonly<Partial<Record<LanguageCode, () => Stepwise<Known>>>>,
): KnownOf<Known> =>
  function* (language) {
    const source = sources[language];
    return source && (yield* source());
  };
