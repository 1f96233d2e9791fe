import type { Choice } from '../../themes/braid.ts';
import type { Joiner } from '../../themes/joiners.ts';
import type { Band } from '../../themes/bands.ts';
import type { Theme } from '../../themes/themes.ts';
import type { Flow, NamedGroup } from '../../themes/beside.ts';
import type { MapScene } from '../../map/scene.ts';
import type { ResolutionPoint } from '../../themes/resolution.ts';

/** The figures of every theme, as they stand in the themes. */
export interface ThemeFiguresView {
  readonly rows: readonly ThemeFigures[];
}

/** What a theme is like by its figures. */
export interface ThemeFigures {
  readonly letter: string;
  readonly label: string;
  readonly concepts: number;
  /** Share of stretches, mentions of its concepts, and sources that speak to it, of so many. */
  readonly share: number;
  readonly mentions: number;
  readonly sources: number;
  readonly ofSources: number;
  /** Mean NPMI of its ten top concepts’ pairs. */
  readonly coherence: number;
  readonly density: number;
  readonly centrality: number;
  /** Where it stands among the themes by each, 1 for the highest. */
  readonly densityRank: number;
  readonly centralityRank: number;
  /** Other themes by the stretches that speak to both, most first. */
  readonly meets: readonly {
    readonly letter: string;
    readonly label: string;
    readonly stretches: number;
    /** The concepts, one of each, of the strongest bridge between them; absent where none is. */
    readonly bridge?: { readonly keys: readonly [string, string]; readonly label: string };
  }[];
}

/** The themes of now beside a kept grouping, or what another setting would give. */
export interface BesideView {
  readonly then: readonly NamedGroup[];
  readonly now: readonly NamedGroup[];
  readonly flows: readonly Flow[];
  readonly agreement: number;
  readonly shared: number;
  readonly labels: Readonly<Record<string, string>>;
  /** What became of which theme, a sentence each. */
  readonly became: readonly string[];
}

export interface ThemeRow {
  readonly letter: string;
  readonly label: string;
  readonly share: number;
  /** What the researcher made of it; `found` where nothing. */
  readonly by: Theme['by'];
  /** Whether the grouping adds to a theme that was begun. */
  readonly grows: boolean;
  /** Themes that were joined to it. */
  readonly joined: readonly string[];
  readonly note: string;
  readonly concepts: readonly {
    readonly key: string;
    readonly label: string;
    readonly mentions: number;
    /** The share of all stretches that hold it. */
    readonly ofStretches: number;
    /** Whether the researcher put it here. */
    readonly placed: boolean;
    /** Where the grouping alone has it, where that is another theme, or none (empty); else undefined. */
    readonly foundIn?: string;
  }[];
}

/** A theme that was set aside: its concepts take no part. */
export interface AsideRow {
  readonly letter: string;
  readonly name: string;
  readonly concepts: readonly { readonly key: string; readonly label: string }[];
}

/** Words that are no concepts yet and keep a theme’s company. */
export interface JoinersView {
  readonly words: readonly (Omit<Joiner, 'thing'> & { readonly key: string; readonly label: string })[];
}

/** The parts a theme falls into by the links inside it; one where nothing parts it. */
export interface ThemePartsView {
  readonly parts: readonly (readonly { readonly key: string; readonly label: string }[])[];
}

export interface ThemesView {
  readonly themes: readonly ThemeRow[];
  readonly loose: readonly { readonly key: string; readonly label: string; readonly placed: boolean }[];
  /** Groups that hold together on unsure pairs alone; their concepts are not among the loose ones. */
  readonly perhaps: readonly (readonly { readonly key: string; readonly label: string }[])[];
  readonly aside: readonly AsideRow[];
  /** Concepts that were put in a theme that is no longer there, with its letter. */
  readonly astray: readonly { readonly key: string; readonly label: string; readonly letter: string }[];
  /** A letter no theme has had. */
  readonly nextLetter: string;
  readonly modularity: number;
  readonly resolution: number;
  readonly sweep: readonly ResolutionPoint[];
  /** Numbers of themes that may be chosen, fewest first. */
  readonly choices: readonly Choice[];
}

/** Topics as a second opinion on the themes. */
export interface TopicsView {
  readonly topics: readonly {
    /** Share of all that is said. */
    readonly share: number;
    /** Whether it was begun with words of the researcher’s own. */
    readonly isOwn: boolean;
    /** The researcher’s; empty where it has none. */
    readonly name: string;
    readonly words: readonly {
      readonly key: string;
      readonly label: string;
      /** Share of the topic’s mentions. */
      readonly share: number;
      /** Letter of its theme; empty where it is in none. */
      readonly letter: string;
    }[];
    /** The themes its words are of, most first: how many of the theme’s concepts are this topic’s. */
    readonly themes: readonly { readonly letter: string; readonly here: number; readonly of: number }[];
  }[];
  /** How far five beginnings of the search part what is said alike (adjusted mutual information): 1 where they agree in all. */
  readonly ofBeginnings: number;
  /** How far topics and themes part the concepts alike: adjusted mutual information, about 0 by chance, 1 when the same. */
  readonly agreement: number;
  readonly sourceIds: readonly string[];
  /** Sources × topics: each source’s mixture; rows sum to 1. */
  readonly mixture: Float64Array;
}

/** How many themes there may be, and which concepts go where between neighbouring numbers. */
export interface HowManyView {
  /** From the fewest themes to the most, with those of now; of each, its themes as lists of concepts, loose ones left out. */
  readonly columns: readonly {
    readonly resolution: number;
    readonly themes: number;
    readonly steadiness: number;
    readonly isNow: boolean;
    readonly groups: readonly (readonly string[])[];
  }[];
  /** Concept → the letter of its theme now. */
  readonly letterOf: Readonly<Record<string, string>>;
}

/** How much of the texts concepts and themes take in, and what they miss. */
export interface CoverageView {
  /** Share of the words that are part of a kept concept. */
  readonly words: number;
  /** Stretches, and those that speak to any theme. */
  readonly stretches: number;
  readonly reached: number;
  /** What is said where no theme reaches, oftener than elsewhere. */
  readonly missed: readonly {
    readonly key: string;
    readonly label: string;
    /** Mentions there, and in all. */
    readonly mentions: number;
    readonly all: number;
  }[];
}

/** How themes do when other sources had been heard (`resampleThemes`). */
export interface SteadinessView {
  readonly draws: number;
  readonly themes: readonly {
    readonly letter: string;
    readonly band: Band;
    /** Share of draws in which it comes back. */
    readonly comesBack: number;
    readonly overlap: number;
  }[];
  /** Concepts in a theme, with the share of their theme they are with on average. */
  readonly concepts: readonly {
    readonly key: string;
    readonly together: number;
    /** The other theme it is with most, and the share of that one it is with; empty where it is with none. */
    readonly lean: string;
    readonly leaning: number;
  }[];
}

export interface MapView {
  readonly scene: MapScene;
  readonly keys: readonly string[];
}

/** The live figures of the trail. */
export interface WordsOnTrail {
  readonly words: number;
}

export interface ConceptsOnTrail {
  readonly concepts: number;
  readonly candidates: number;
}

export interface ThemesOnTrail {
  readonly themes: number;
  /** Share of the stretches that speak to any theme. */
  readonly reached: number;
  readonly resolution: number;
  readonly modularity: number;
  /** Other numbers of themes whose groupings come back nearly as well; none where the resolution is the researcher's. */
  readonly also: readonly number[];
}
