import { deu, fra, ita, jpn, nld, por, spa, swe, zho } from 'stopword';
import type { LanguageCode } from '../languages/language-names.ts';

/** English function words: the Snowball project's published list (BSD), with the forms its contractions leave. */
const FUNCTION_WORDS = `
i me my myself we us our ours ourselves you your yours yourself yourselves he him his himself she her hers herself it
its itself they them their theirs themselves what which who whom whose this that these those am is are was were be
been being have has had having do does did doing done would should could can cannot ought will shall may might must
i'm you're he's she's it's we're they're i've you've we've they've i'd you'd he'd she'd we'd they'd it'd i'll you'll he'll
she'll we'll they'll it'll isn't aren't wasn't weren't hasn't haven't hadn't doesn't don't didn't won't wouldn't shan't
shouldn't can't couldn't mustn't needn't mightn't let's that's who's what's here's there's when's where's why's how's
that'd there'd who'd that'll there'll ain't a an the and but if or nor because as until while of at by for with about
against between among into onto upon through throughout during before after above below to from up down in out on off
over under again further then once here there when where why how all any both each either neither every few more most
other another such no not only own same so than too very also even ever never yet still just though although unless
since whether within without towards toward across along around behind beside besides beyond despite except inside
near outside past per plus till unlike via cos 'cause cause may s t d ll m re ve don
`;

/** Function words of older texts, and of formal ones. Our own list. */
const OLD_FUNCTION_WORDS = `
thou thee thy thine thyself ye hath hast doth dost didst hadst shalt canst couldst wouldst shouldst mayst wast unto
tis twas 'tis 'twas o'er e'er ne'er ere nay yea whilst amongst amidst betwixt hither thither whither hence thence whence
thereof whereof hereof therein wherein herein thereby whereby hereby therefore wherefore thereto hereto whereas
notwithstanding
`;

/** Words that carry talk along and say little of what it is about. Our own list, for spoken material. */
const TALK_WORDS = `
yeah yes yep no nope oh ah eh er erm um uh hmm mm mmm ha well okay ok right sure really actually basically literally
obviously honestly exactly absolutely definitely probably maybe perhaps quite rather pretty bit lot lots kind sort
thing things something anything nothing everything someone somebody anyone anybody everyone everybody nobody one ones
like know mean think thought guess suppose say says said saying tell tells told talk get gets got getting gotten go
goes going gone went come comes came coming make makes made making take takes took taken want wants wanted see seen
saw look looks looked looking way much many less least enough now always sometimes often usually already almost away
back else mind way ways place places people man men woman women lady lad lads girl boy fellow chap bloke please thanks thank sorry dunno gonna wanna gotta course fact point example instance stuff whatever
put puts keep keeps kept give gives gave given use used try tried trying seem seems seemed happen happens happened mr mrs ms dr jr sr
inc ltd llc plc
`;

/** Numbers as words and times: off until asked for, as numerals are. Our own list. */
const NUMBER_WORDS = `
zero two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen
nineteen twenty thirty forty fifty sixty seventy eighty ninety hundred hundreds thousand thousands million half quarter
third couple dozen o'clock
`;

/** Times: no concepts by themselves, but parts of phrases such as day ticket. Our own list. */
const TIME_WORDS = `
second seconds minute minutes hour hours day days week weeks month months year years time times today tonight tomorrow
yesterday monday tuesday wednesday thursday friday saturday sunday mondays tuesdays wednesdays thursdays fridays
saturdays sundays january february march april june july august september october november december jan feb apr aug
sept oct nov dec tue tues thu thur thurs fri
`;

const listed = (text: string): string[] => text.trim().split(/\s+/);

const NUMBERS_AND_TIMES = new Set([...listed(NUMBER_WORDS), ...listed(TIME_WORDS)]);

/** Whether an English word stands for a number or a time: half, Monday, hour. */
export function isNumberWord(word: string): boolean {
  return NUMBERS_AND_TIMES.has(word);
}

/** What the published Spanish list lacks: forms of ser, estar, haber and tener, and pronouns. */
const SPANISH_FORMS = `
es son era eran fue fueron ser sea sido soy eres somos está están estaba estaban estar estoy estamos ha han he hay había
habían hemos tiene tienen tenía tengo tenemos si esta este esto estos estas esa esos esas aquel aquella le les lo nosotros
nosotras ustedes vosotros ellos ellas usted yo nos os mis tus nuestro nuestra vuestro todo toda todos todas
`;

/** A list of stop words under its name. */
export interface StopLayer {
  readonly name: string;
  readonly words: readonly string[];
}

/** The layers of the English stop list, each shown under its name. */
export const ENGLISH_STOP_WORDS: readonly StopLayer[] = [
  { name: 'function words', words: [...listed(FUNCTION_WORDS), ...listed(OLD_FUNCTION_WORDS)] },
  { name: 'words of talk', words: listed(TALK_WORDS) },
  { name: 'numbers', words: listed(NUMBER_WORDS) },
  { name: 'times', words: listed(TIME_WORDS) },
];

/** The published lists of the other languages (package stopword, MIT licence, from the lists named in its LICENSE). */
const OTHER_STOP_WORDS: Readonly<Record<Exclude<LanguageCode, 'en' | 'other'>, readonly string[]>> = {
  de: deu,
  fr: fra,
  es: [...spa, ...listed(SPANISH_FORMS)],
  it: ita,
  pt: por,
  nl: nld,
  sv: swe,
  zh: zho,
  ja: jpn,
};

/** The layers of a language's stop list. */
export function stopLayers(language: LanguageCode): readonly StopLayer[] {
  if (language === 'other') return [];
  return language === 'en'
    ? ENGLISH_STOP_WORDS
    : [{ name: 'function words', words: OTHER_STOP_WORDS[language] }];
}

const functionWordsFound = new Map<LanguageCode, ReadonlySet<string>>();

/** The function words of a language, as stop lists have them (`stopForm`). */
export function functionWordsOf(language: LanguageCode): ReadonlySet<string> {
  let words = functionWordsFound.get(language);
  if (!words) {
    words = new Set(
      stopLayers(language)
        .slice(0, 1)
        .flatMap(({ words }) => words.map(stopForm)),
    );
    functionWordsFound.set(language, words);
  }
  return words;
}

/** The layers of a language's stop list that a word is on. */
export function layersWith(word: string, language: LanguageCode): string[] {
  const form = stopForm(word.trim());
  return stopLayers(language)
    .filter((layer) => layer.words.some((each) => stopForm(each) === form))
    .map((layer) => layer.name);
}

/** How a stop word is stopped: it may be no part of a phrase either, or only no concept by itself. */
export type StopWords = ReadonlyMap<string, 'everywhere' | 'alone'>;

/** A word as stop lists have it: small letters, straight apostrophes. */
export function stopForm(word: string): string {
  return word.toLowerCase().replaceAll('’', "'");
}

export interface StopWordSettings {
  /** The language whose published list is in force; none for only the study's own. */
  readonly language: LanguageCode | undefined;
  /** The study's own stop words. */
  readonly own: readonly string[];
  /** Words of the published list that are let back in. */
  readonly allowed?: readonly string[];
  /** Whether numbers and times are let in with their words. */
  readonly numbers?: boolean;
}

/** Layers that numbers let in bring with them. */
const NUMBER_LAYERS: ReadonlySet<string> = new Set(['numbers', 'times']);

/** All stop words in force. A word on the study's own list is stopped whatever is let back in. */
export function stopWordsInForce({
  language,
  own,
  allowed = [],
  numbers = false,
}: StopWordSettings): StopWords {
  const words = new Map<string, 'everywhere' | 'alone'>();
  for (const layer of language ? stopLayers(language) : []) {
    if (numbers && NUMBER_LAYERS.has(layer.name)) continue;
    const how = layer.name === 'times' ? 'alone' : 'everywhere';
    for (const word of layer.words) {
      const form = stopForm(word);
      if (!words.has(form)) words.set(form, how);
    }
  }
  for (const word of allowed) words.delete(stopForm(word));
  for (const word of own) words.set(stopForm(word), 'everywhere');
  return words;
}
