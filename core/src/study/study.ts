import type { DateOrder } from '../text/dates.ts';
import { FIRST_STEPS, type CleaningStep } from '../text/cleaning/steps.ts';
import type { Piece } from '../text/reading-part.ts';
import { NAME_KINDS, type NameKind } from '../concepts/name-clues.ts';
import type { WordKind } from '../text/words/parts-of-speech.ts';
import type { LanguageCode } from '../languages/language-names.ts';
import type { OtherNetwork } from '../network/elsewhere.ts';
import type { LinkSettings } from '../network/links.ts';
import type { WindowSettings, WindowUnit } from '../network/windows.ts';
import { NO_CHOICES, type ThemeChoices } from '../themes/choices.ts';
import type { ThemeSettings } from '../themes/themes.ts';
import type { MapSettings } from '../map/scene.ts';
import type { StrengthMeasure } from '../compare/measures.ts';
import type { ToneEntry } from '../compare/tone-lists.ts';
import type { NamesOutside, Pseudonyms } from './pseudonyms.ts';
import type { AttributeType } from './attributes.ts';
import type { Subset } from './conditions.ts';

/** A source as the study knows it; its original text is kept apart and never changes. */
export interface StudySource {
  readonly id: string;
  /** The file's name, or what the researcher called a pasted text. */
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  /** Hash of the original, so that results are known to be of this text. */
  readonly textHash: string;
  /** Characters of the text. */
  readonly length: number;
  /** Where the text is a part of another source's original: that source, and the part's place in it. */
  readonly part?: { readonly of: string; readonly start: number; readonly end: number };
  /** Pieces of the text that are not read; places in the text, sorted and not overlapping. */
  readonly cuts?: readonly Piece[];
}

export interface ConceptSettings {
  /** The language whose stop words, lemmas and stems are used; `auto` for the one most sources are in. */
  readonly language: LanguageCode | 'auto';
  readonly unit: 'lemma' | 'stem' | 'form';
  readonly nouns: boolean;
  readonly verbs: boolean;
  readonly adjectives: boolean;
  /** Names of people, places and organisations. */
  readonly names: boolean;
  /** The kinds of names that may be, where names may. */
  readonly nameKinds: readonly NameKind[];
  /** Numbers, and the words for numbers and times. */
  readonly numbers: boolean;
  readonly phrases: boolean;
  readonly phraseMentions: number;
  readonly phraseNpmi: number;
  /** Whether the language's published stop list is in force beside the study's own. */
  readonly listedStopWords: boolean;
  readonly size: number | 'auto';
  /** 'auto' by how much text there is. */
  readonly minimumMentions: number | 'auto';
  readonly minimumSources: number | 'auto';
  readonly maximumSourceShare: number;
  /** Fewest letters of a concept. */
  readonly minimumLetters: number;
  /** Least pull of a concept, in nats. */
  readonly minimumPull: number;
}

/** The windows, whose unit and size may be left to what the texts are and how much of them there is. */
export interface WindowChoice extends Omit<WindowSettings, 'unit' | 'size'> {
  readonly unit: WindowUnit | 'auto';
  readonly size: number | 'auto';
}

/** What the columns of a comparison are: groups of an attribute, single sources, or the subsets that were kept. */
export const COLUMN_KINDS = ['attribute', 'sources', 'subsets'] as const;
export type ColumnKind = (typeof COLUMN_KINDS)[number];

export interface CompareSettings {
  readonly columns: ColumnKind;
  /** The attribute whose values are the groups; empty for the first one. */
  readonly attribute: string;
  /** A second attribute: a group then is a value of each; empty for none. */
  readonly across: string;
  readonly measure: StrengthMeasure;
  readonly order: 'share' | 'difference';
  /** Words of the stretches of text that strength is the share of, about. */
  readonly words: number;
  /** Whether what interviewers say counts for strength. */
  readonly interviewers: boolean;
}

/** What the researcher made of the groups of an attribute. */
export interface GroupChoices {
  /** Value → the group it is joined into. */
  readonly joined: Readonly<Record<string, string>>;
  /** Groups that are not compared. */
  readonly leftOut: readonly string[];
  /** Groups that stand first, in this order. */
  readonly order: readonly string[];
}

/** What the researcher has of the topic model. */
export interface TopicChoices {
  /** How many topics; as many as there are themes where it is null. */
  readonly count: number | null;
  /** Whether words are taken as they are written, not brought to their dictionary form. */
  readonly asWritten: boolean;
  /** Words that are left out: those of topics that were dropped. */
  readonly leftOut: readonly string[];
  /** Topics begun with words of the researcher’s own; they come first. */
  readonly own: readonly (readonly string[])[];
  /** The first word of a topic → its name. */
  readonly names: Readonly<Record<string, string>>;
}

export const NO_TOPIC_CHOICES: TopicChoices = {
  count: null,
  asWritten: false,
  leftOut: [],
  own: [],
  names: {},
};

/** A theme of a grouping that was kept. */
export interface KeptTheme {
  readonly letter: string;
  readonly label: string;
  readonly keys: readonly string[];
}

export interface SourceSettings {
  /** The conditions of the subset that is worked with; empty for all sources. */
  readonly subset: Subset;
  /** How 4/5/2031 is read; null until the researcher was asked. */
  readonly dateOrder: DateOrder | null;
  /** The attribute that says who speaks in a source; '' where each is somebody else's, null until the researcher was asked. */
  readonly person: string | null;
}

export interface SpeakerSettings {
  /** Labels of the speakers whose turns are not read. */
  readonly leftOut: readonly string[];
  /** Label of a speaker → their role, such as interviewer. */
  readonly roles: Readonly<Record<string, string>>;
}

export interface CleaningSettings {
  readonly steps: readonly CleaningStep[];
}

export interface StudySettings {
  readonly sources: SourceSettings;
  readonly speakers: SpeakerSettings;
  readonly cleaning: CleaningSettings;
  readonly concepts: ConceptSettings;
  readonly windows: WindowChoice;
  readonly links: LinkSettings;
  readonly themes: ThemeSettings;
  readonly map: MapSettings;
  readonly compare: CompareSettings;
}

/** The state of a study: what its decisions amount to. */
export interface StudyState {
  readonly title: string;
  readonly sources: readonly StudySource[];
  /** A network that was made elsewhere; it is worked with where there are no sources. */
  readonly network: OtherNetwork | null;
  /** Attribute → what its values are; text where it is not named. */
  readonly attributeTypes: Readonly<Record<string, AttributeType>>;
  /** Subsets kept under a name. */
  readonly subsets: Readonly<Record<string, Subset>>;
  readonly settings: StudySettings;
  readonly stopWords: readonly string[];
  /** Words of the published stop list that are let back in. */
  readonly allowedWords: readonly string[];
  /** Word, small letters → what the researcher says it is. */
  readonly wordKinds: Readonly<Record<string, WordKind>>;
  /** Name, as it is labelled → what the researcher says it is of. */
  readonly nameKinds: Readonly<Record<string, NameKind>>;
  readonly kept: readonly string[];
  readonly dropped: readonly string[];
  /** Variant key → key of the concept it counts for. */
  readonly merges: Readonly<Record<string, string>>;
  /** Suggested merges that were refused: two keys, sorted, with a tab between. */
  readonly refusedMerges: readonly string[];
  readonly conceptLabels: Readonly<Record<string, string>>;
  /** Theme letter → name. */
  readonly themeNames: Readonly<Record<string, string>>;
  readonly themeChoices: ThemeChoices;
  readonly topicChoices: TopicChoices;
  /** Groupings kept under a name, to be laid beside what there is later. */
  readonly groupings: Readonly<Record<string, readonly KeptTheme[]>>;
  /** Attribute → what was made of its groups. */
  readonly groupChoices: Readonly<Record<string, GroupChoices>>;
  /** Tone lists of the researcher’s own, by name. */
  readonly toneLists: Readonly<Record<string, readonly ToneEntry[]>>;
  /** Concept → where its word was put on the map. */
  readonly mapPins: Readonly<Record<string, readonly [x: number, y: number]>>;
  /** Names that leave the study as others. */
  readonly pseudonyms: Pseudonyms;
  /** Names with a pseudonym that are words too, and names only where they begin with a capital. */
  readonly capitalNames: readonly string[];
}

export const DEFAULT_SETTINGS: StudySettings = {
  sources: { subset: [], dateOrder: null, person: null },
  speakers: { leftOut: [], roles: {} },
  cleaning: { steps: FIRST_STEPS },
  concepts: {
    language: 'auto',
    unit: 'lemma',
    nouns: true,
    verbs: false,
    adjectives: false,
    names: true,
    nameKinds: NAME_KINDS,
    numbers: false,
    phrases: true,
    phraseMentions: 3,
    phraseNpmi: 0.2,
    listedStopWords: true,
    size: 'auto',
    minimumMentions: 'auto',
    minimumSources: 'auto',
    maximumSourceShare: 1,
    minimumLetters: 2,
    minimumPull: 0,
  },
  windows: { unit: 'auto', size: 'auto', acrossParagraphs: false },
  links: { measure: 'npmi', cutOff: 0.1, minimumTogether: 3, maximumQ: 0.05, standsBy: 'either' },
  themes: { resolution: 'auto', runs: 50, seed: 1 },
  map: { shownLinks: 150, shownBridges: 40, sheet: 'wide' },
  compare: {
    columns: 'attribute',
    attribute: '',
    across: '',
    measure: 'windows',
    order: 'share',
    words: 50,
    interviewers: false,
  },
};

export const EMPTY_STUDY: StudyState = {
  title: 'Untitled study',
  sources: [],
  network: null,
  attributeTypes: {},
  subsets: {},
  settings: DEFAULT_SETTINGS,
  stopWords: [],
  allowedWords: [],
  wordKinds: {},
  nameKinds: {},
  kept: [],
  dropped: [],
  merges: {},
  refusedMerges: [],
  conceptLabels: {},
  themeNames: {},
  themeChoices: NO_CHOICES,
  topicChoices: NO_TOPIC_CHOICES,
  groupings: {},
  groupChoices: {},
  toneLists: {},
  mapPins: {},
  pseudonyms: {},
  capitalNames: [],
};

/** How names leave a study. */
export const namesOutside = ({ pseudonyms, capitalNames }: StudyState): NamesOutside => ({
  pseudonyms,
  capitalNames,
});
