import { SHEETS } from '../base/sheets.ts';
import { LANGUAGE_OF } from '../languages/languages.ts';
import type { ThemeChoices } from '../themes/choices.ts';
import { leastMentions, networkInForce, sizeOfCollection, windowsInForce } from '../study/in-force.ts';
import type { WindowSettings } from '../network/windows.ts';
import { fewestToSpeak } from '../network/stretches.ts';
import { leastSources, selectionRange } from '../concepts/selection.ts';
import { NAME_KINDS, type NameKind } from '../concepts/name-clues.ts';
import type { ControlName, SentencePart, Stop } from './sentence-parts.ts';
import { NAME_KIND_TEXTS } from './name-clues.ts';
import { networkSentences } from './network-sentences.ts';
import { counted, listed } from '../base/wording.ts';
import { asksChance, MEASURES } from '../network/measures.ts';
import { WINDOW_UNITS } from '../network/windows.ts';
import { LANGUAGES, type LanguageCode } from '../languages/language-names.ts';
import { stepText } from '../text/cleaning/steps.ts';
import { comparedAttribute, comparedGroups, crossedAttribute } from '../study/groups.ts';
import { ownValue } from '../base/records.ts';
import type { ConceptSettings, StudyState } from '../study/study.ts';
import { countOfPersons, subsetText, workingSources } from '../study/subset.ts';

export * from './sentence-parts.ts';

/** Figures the sentences name; absent until they are computed. */
export interface SentenceFigures {
  readonly resolution?: number;
  /** Other numbers of themes whose groupings come back nearly as well. */
  readonly also?: readonly number[];
  readonly exact?: boolean;
  /** The languages the words are read in, the main one first. */
  readonly languages?: readonly LanguageCode[];
}

const UNIT_TEXTS = {
  lemma: 'in their dictionary form',
  stem: 'brought together by their stem',
  form: 'as they are written',
} as const;

/** Whether a part of the sentence is the names. */
const isNames = (part: string): boolean => /names\b/.test(part);

/** Which names may be concepts. */
function namesText(kinds: readonly NameKind[]): string {
  if (kinds.length === NAME_KINDS.length) return 'names';
  const of = NAME_KINDS.filter((kind) => kind !== 'other' && kinds.includes(kind)).map(
    (kind) => NAME_KIND_TEXTS[kind].many,
  );
  const others = kinds.includes('other') ? ['other names'] : [];
  return kinds.length === 0
    ? 'no names'
    : listed([...(of.length > 0 ? [`names of ${listed(of)}`] : []), ...others]);
}

function partsText(parts: readonly string[], languages: readonly LanguageCode[]): string {
  if (parts.length === 0) return 'no single words';
  if (languages.length === 0 || languages.some((each) => LANGUAGE_OF[each].hasLemmas)) return listed(parts);
  // Another language's parts of speech are not known: any word will do where one of them is wanted.
  const words = parts.some((part) => !isNames(part) && part !== 'numbers') ? ['words'] : [];
  return listed([...words, ...parts.filter((part) => isNames(part) || part === 'numbers')]);
}

/** Not every language has lemmas here, or stems. */
function unitInForce(unit: ConceptSettings['unit'], language: LanguageCode): ConceptSettings['unit'] {
  if (unit === 'form') return unit;
  const { hasLemmas, snowball } = LANGUAGE_OF[language];
  const known = unit === 'lemma' && !hasLemmas ? 'stem' : unit;
  return known === 'stem' && snowball === undefined ? 'form' : known;
}

/** How words are brought together: one way, or where the languages differ in what is known of them, the main one's and the others'. */
function unitText(unit: ConceptSettings['unit'], [main, ...others]: readonly LanguageCode[]): string {
  if (main === undefined) return UNIT_TEXTS[unit];
  const inForce = unitInForce(unit, main);
  const apart = others.filter((each) => unitInForce(unit, each) !== inForce);
  return [
    UNIT_TEXTS[inForce],
    ...apart.map((each) => `${LANGUAGES[each]} ${UNIT_TEXTS[unitInForce(unit, each)]}`),
  ].join(', ');
}

/** A share in per cent as it was set: with a digit behind the point only where there is one. */
const setPercent = (share: number): string => `${Math.round(share * 1000) / 10} %`;

const NOTHING_TAKEN_OUT = 'nothing is taken out';

/** What a window is, in words. */
export function windowText({ unit, size, acrossParagraphs, without = [] }: WindowSettings): string {
  const { one, many, slides, within } = WINDOW_UNITS[unit];
  const heard =
    without.length > 0 && within !== 'source'
      ? ` (without the turns of ${without.length > 3 ? counted(without.length, 'speaker') : listed(without)})`
      : '';
  if (!slides) return `a ${one}${heard}`;
  return `${size} ${size === 1 ? one : many}${acrossParagraphs ? ' across paragraphs' : ''}${heard}`;
}

/** What the researcher decided about themes, counted; nothing where nothing was. */
function choicesSaid({ placed, joined, locked, begun, aside }: ThemeChoices): string[] {
  const count = (record: object): number => Object.keys(record).length;
  const said = [
    count(placed) > 0 && `${counted(count(placed), 'concept')} placed`,
    count(joined) > 0 && `${counted(count(joined), 'theme')} joined to others`,
    count(locked) > 0 && `${count(locked)} locked`,
    count(begun) > 0 && `${count(begun)} begun`,
    count(aside) > 0 && `${count(aside)} set aside`,
  ].filter((each) => each !== false);
  return said.length === 0 ? [] : [` By hand: ${listed(said)}.`];
}

/** What strength is the share of, in the sentence. */
const STRENGTH_MEASURE_TEXTS = {
  windows: 'a group’s stretches',
  mentions: 'a group’s mentions of concepts',
  sources: 'a group’s sources',
} as const;

const COLUMN_TEXTS = {
  attribute: 'by',
  sources: 'source by source',
  subsets: 'by the subsets that were kept',
} as const;

/** The attribute groups are by, with the one it is crossed with and what was made of the groups. */
function crossedText(state: StudyState, attribute: string): string {
  const across = crossedAttribute(state);
  const { leftOut } = comparedGroups(state);
  const joined = Object.values(ownValue(state.groupChoices, attribute)?.joined ?? {});
  return [
    across === undefined ? attribute : `${attribute} and ${across} together`,
    ...(joined.length > 0 ? [`with ${listed([...new Set(joined)])} joined`] : []),
    ...(leftOut.length > 0 ? [`without ${listed(leftOut.map(({ value }) => value))}`] : []),
  ].join(' ');
}

/** Whether some sources are one person's. */
function personsText(state: StudyState): string {
  const { person } = state.settings.sources;
  const [persons, sources] = [countOfPersons(state), workingSources(state).length];
  if (!person) return 'each somebody else’s';
  return persons === sources
    ? `each somebody else’s by ${person}`
    : `of ${persons === 1 ? '1 person' : `${persons} people`} by ${person}, whose sources count as one`;
}

/** Numbers of themes that the texts do not decide between. */
const alsoSaid = (numbers: readonly number[]): string =>
  numbers.length === 0
    ? ''
    : numbers.length > 3
      ? ` (the texts do not decide: ${numbers[0]} to ${numbers[numbers.length - 1]} come back nearly as well)`
      : ` (the texts do not decide: ${listed(numbers.map(String))} come back nearly as well)`;

/** The settings of every stop as a sentence each: what the interface shows, and what the report's method section says. */
export function methodSentences(
  state: StudyState,
  figures: SentenceFigures = {},
): Record<Stop, readonly SentencePart[]> {
  const { speakers, cleaning, concepts, windows, links, themes, map, compare } = state.settings;
  const control = (name: ControlName, text: string): SentencePart => ({ control: name, text });
  const attribute = comparedAttribute(state);
  const parts = [
    ...(concepts.nouns ? ['nouns'] : []),
    ...(concepts.verbs ? ['verbs'] : []),
    ...(concepts.adjectives ? ['adjectives'] : []),
    ...(concepts.names ? [namesText(concepts.nameKinds)] : []),
    ...(concepts.numbers ? ['numbers'] : []),
  ];
  const stopCount = state.stopWords.length;
  const allowed = state.allowedWords.length;
  const backIn = allowed > 0 ? ` but ${counted(allowed, 'word')}` : '';
  const languages = concepts.language === 'auto' ? (figures.languages ?? []) : [concepts.language];
  const [language] = languages;
  const isKnown = language !== 'other';
  const languageName = listed(languages.filter((each) => each !== 'other').map((each) => LANGUAGES[each]));
  const stops =
    concepts.listedStopWords && isKnown
      ? `the ${languageName || 'listed'} stop words${backIn}${stopCount > 0 ? ` and ${counted(stopCount, 'own one')}` : ''}`
      : stopCount > 0
        ? counted(stopCount, 'own stop word')
        : 'no stop words';
  const hasFixedPhrases =
    concepts.listedStopWords && languages.some((each) => LANGUAGE_OF[each].fixedPhrases !== undefined);
  const atResolution = figures.resolution === undefined ? '' : `, at resolution ${figures.resolution}`;
  const resolution =
    themes.resolution === 'auto'
      ? `the fewest, three or more, that come back nearly as well as any from sources drawn anew${atResolution}`
      : `resolution ${themes.resolution}`;
  // One rule for windows and for strengths.
  const interviewersSaid = control(
    'interviewers',
    compare.interviewers ? 'whoever says them' : 'interviewers’ words not counted',
  );
  const inForce = windowsInForce(state);
  const [fewestKept, mostKept] = selectionRange(concepts.size, sizeOfCollection(state));
  const network = networkInForce(state);
  const said: Record<Stop, readonly SentencePart[]> = {
    sources: [
      'Working with ',
      control('subset', subsetText(state, state.settings.sources.subset)),
      ', ',
      control('persons', personsText(state)),
      ', ',
      control(
        'speakers',
        speakers.leftOut.length > 0
          ? `without what ${listed(speakers.leftOut.map((label) => (label === '' ? 'no name' : label)))} said`
          : 'with everyone who speaks in them',
      ),
      '.',
    ],
    clean: [
      'Before words are counted, ',
      ...cleaning.steps.flatMap((step, i): SentencePart[] => [
        ...(i === 0 ? [] : [i === cleaning.steps.length - 1 ? ' and ' : ', ']),
        { step: step.id, on: step.on, text: stepText(step) },
      ]),
      ...(cleaning.steps.length === 0 ? [NOTHING_TAKEN_OUT] : []),
      '; ',
      control('addStep', 'add a step'),
      '. The originals stay as they are.',
    ],
    concepts: [
      'Concepts are ',
      control('language', isKnown && languageName ? languageName : 'the texts’'),
      ' ',
      control('parts', partsText(parts, languages)),
      ' ',
      control('unit', unitText(concepts.unit, languages)),
      ' ',
      control('phrases', concepts.phrases ? 'and phrases of two to four words' : 'without phrases'),
      ', leaving out ',
      control('stopWords', stops),
      hasFixedPhrases
        ? ', words that mostly stand in fixed phrases, and words of fewer than '
        : ' and words of fewer than ',
      control('minimumLetters', counted(concepts.minimumLetters, 'letter')),
      '; those with at least ',
      control('minimumMentions', counted(leastMentions(state), 'mention')),
      ' in at least ',
      control(
        'minimumSources',
        counted(leastSources(concepts.minimumSources, countOfPersons(state)), 'source'),
      ),
      ' and ',
      control(
        'maximumSourceShare',
        concepts.maximumSourceShare < 1
          ? `at most ${setPercent(concepts.maximumSourceShare)} of them`
          : 'up to all of them',
      ),
      ' and ',
      control(
        'minimumPull',
        concepts.minimumPull > 0 ? `a pull of at least ${concepts.minimumPull}` : 'any pull',
      ),
      ' are ranked by how surely they are selective × √(effective sources × mentions) and at most the first ',
      control('size', fewestKept === mostKept ? String(mostKept) : `${fewestKept} to ${mostKept}`),
      fewestKept === mostKept ? ' kept.' : ' kept, as many as stand out.',
    ],
    links: [
      'Two concepts are linked when they share a window of ',
      control(
        'window',
        windows.unit === 'auto' && inForce.unit === 'source'
          ? 'a whole source, as these are short answers'
          : windows.size === 'auto' && inForce.size !== WINDOW_UNITS[inForce.unit].usualSize
            ? `${windowText(inForce)}, as there is little text`
            : windowText(inForce),
      ),
      ...(inForce.unit === 'source' ? [] : [', ', interviewersSaid]),
      ...(WINDOW_UNITS[inForce.unit].slides
        ? [
            ', ',
            control(
              'repeated',
              inForce.repeated === true ? 'also what many sources repeat' : 'nor what many sources repeat',
            ),
          ]
        : []),
      ', at least ',
      control('minimumTogether', counted(links.minimumTogether, 'time')),
      ', their ',
      control('measure', MEASURES[links.measure].name),
      ' is above ',
      control('cutOff', String(links.cutOff)),
      ...(asksChance(links)
        ? [
            ' and chance would explain it in under ',
            control('maximumQ', setPercent(links.maximumQ)),
            ' of such finds, ',
            control(
              'standsBy',
              links.standsBy === 'either'
                ? 'by meetings within the sources or by which sources hold both'
                : 'by meetings within the sources',
            ),
            ', given window lengths and how words come in bursts.',
          ]
        : [', ', control('maximumQ', 'whether or not chance would explain it'), '.']),
      ' It takes two sources, or three separate meetings.',
    ],
    themes: [
      'Themes are communities of linked concepts, found by Leiden: ',
      control('resolution', resolution),
      alsoSaid(figures.also ?? []),
      ', the best of ',
      control('runs', counted(themes.runs, 'run')),
      ' with seed ',
      control('seed', String(themes.seed)),
      '; pairs too unsure to be links count too, but every theme has a link that stands. A concept joins or leaves a theme by the company it keeps with all of it.',
      ...choicesSaid(state.themeChoices),
    ],
    map: [
      `A parcel’s area follows its theme’s strength, the share of stretches of about ${compare.words} words that speak to it, in their order, but none is too small for its words; position follows links, on a sheet that is `,
      control('sheet', SHEETS[map.sheet].label),
      '. Drawn are up to ',
      control('shownLinks', `${map.shownLinks} links`),
      ' inside parcels and ',
      control('shownBridges', `${map.shownBridges} bridges`),
      ` between them, the strongest that go clear of every word; dashed, or widely dotted, where only the same sources hold both${asksChance(links) ? '' : '; some of them may be chance'}.`,
    ],
    compare:
      attribute !== undefined || compare.columns !== 'attribute'
        ? [
            'Strength is the share of ',
            control('strengthMeasure', STRENGTH_MEASURE_TEXTS[compare.measure]),
            ...(compare.measure === 'mentions'
              ? [' that are of a theme’s own, ']
              : [
                  compare.measure === 'sources' ? ' with a stretch of about ' : ' of about ',
                  control('words', counted(compare.words, 'word')),
                  ` that speak${compare.measure === 'sources' ? 's' : ''} to a theme, with ${fewestToSpeak(compare.words) === 1 ? 'one of its concepts' : 'two of its concepts'} or more, `,
                ]),
            interviewersSaid,
            ', ',
            control('columns', COLUMN_TEXTS[compare.columns]),
            ...(compare.columns === 'attribute'
              ? [' ', control('attribute', crossedText(state, attribute ?? ''))]
              : []),
            `, with 95\u00a0% intervals ${compare.columns === 'sources' ? 'by each source’s own stretches, as one source can’t say how sources differ' : 'that go by how the sources differ'}; themes are ordered by `,
            control('order', compare.order === 'share' ? 'overall strength' : 'difference between groups'),
            compare.columns === 'sources'
              ? '.'
              : `. Differences are tested by ${figures.exact ? 'all' : '999 random'} regroupings of the sources.`,
          ]
        : ['Give the sources an attribute, such as role or place, to compare groups of them.'],
  };
  return network ? networkSentences(state, network, said, choicesSaid(state.themeChoices)) : said;
}

/** A sentence as plain words. Of cleaning steps only those that are on are said: the others did nothing. */
export function sentenceText(parts: readonly SentencePart[]): string {
  const isStep = (part: SentencePart): boolean => typeof part !== 'string' && 'step' in part;
  const first = parts.findIndex(isStep);
  const said = parts.flatMap((part) =>
    typeof part !== 'string' && 'step' in part && part.on ? [part.text] : [],
  );
  const words =
    first < 0
      ? parts
      : [
          ...parts.slice(0, first),
          said.length > 0 ? listed(said) : NOTHING_TAKEN_OUT,
          ...parts.slice(parts.findLastIndex(isStep) + 1),
        ];
  return words
    .filter((part) => typeof part === 'string' || !('control' in part && part.control === 'addStep'))
    .map((part) => (typeof part === 'string' ? part : part.text))
    .join('')
    .replace('; .', '.');
}
