import { readFileSync } from 'node:fs';
import { finish, inOneStep } from '../src/base/stepwise.ts';
import { decide, type Decision } from '../src/study/decisions.ts';
import { Engine } from '../src/engine/engine.ts';
import { makeSource, textOf } from '../src/intake/sources.ts';
import type { Library, StudyInput } from '../src/engine/resources.ts';
import type { StageName } from '../src/engine/stage-keys.ts';
import type { StageResults } from '../src/engine/stages.ts';
import { makeView } from '../src/answers/make-view.ts';
import type { ViewAnswers, ViewName, ViewQuestions } from '../src/views/view-keys.ts';
import { withGround } from '../src/map/ground.ts';
import type { ThemeIdentity } from '../src/themes/identity.ts';
import { EMPTY_STUDY, type StudySource, type StudyState } from '../src/study/study.ts';
import { parseToneLists, type ToneList } from '../src/compare/tone-lists.ts';
import { parseMeanings, type Meanings } from '../src/languages/en/meanings.ts';
import { parseLexicon, type Lexicon } from '../src/languages/en/lexicon.ts';
import type { CleaningStep } from '../src/text/cleaning/steps.ts';
import type { SourceText } from '../src/text/reading-part.ts';
import { partsByLexicon } from '../src/text/words/parts-by-lexicon.ts';
import type { PartsOfTypes } from '../src/text/words/parts-of-speech.ts';
import { knownBy } from '../src/languages/known-by.ts';
import type { WordKnowledge } from '../src/text/words/word-knowledge.ts';
import { readTokens, type Tokens } from '../src/text/tokens.ts';

let lexicon: Lexicon | undefined;

export function englishLexicon(): Lexicon {
  return (lexicon ??= parseLexicon(readFileSync(new URL('../lexicon/english.txt', import.meta.url), 'utf8')));
}

let meanings: Meanings | undefined;
/** What English words can mean, read once. */
export function englishMeanings(): Meanings {
  return (meanings ??= parseMeanings(
    readFileSync(new URL('../lexicon/meanings.txt', import.meta.url), 'utf8'),
  ));
}

let tone: ToneList[] | undefined;
/** The published lists of how words sound, read once. */
export function publishedTone(): ToneList[] {
  return (tone ??= parseToneLists(readFileSync(new URL('../lexicon/tone.txt', import.meta.url), 'utf8')));
}

/** What is known of English words. */
export const englishWords = (): WordKnowledge => ({ lexicon: englishLexicon() });

/** What is known of English, each read when it is first asked for. */
export const englishKnowledge = {
  words: knownBy({ en: () => inOneStep(englishWords) }),
  meanings: knownBy({ en: () => inOneStep(englishMeanings) }),
  tone: () => inOneStep(publishedTone),
};

/** What a study of English texts is computed with. */
export const englishLibrary = (original: (id: string) => string): Library => ({
  original,
  words: englishKnowledge.words,
});

/** The parts of speech of English texts. */
export const englishParts = (tokens: Tokens): PartsOfTypes => partsByLexicon(tokens, englishLexicon());

/** Only what a study can hardly do without: Bus and bus are one word. */
export const ONLY_CASE: readonly CleaningStep[] = [{ id: 'case', on: true, kind: 'case' }];

export function textsOf(...originals: string[]): SourceText[] {
  return originals.map((original) => ({ original, cuts: [] }));
}

export function tokensOf(...originals: string[]): Tokens {
  return finish(readTokens(textsOf(...originals), ONLY_CASE));
}

/** A study of some texts, with an engine to compute its stages. */
export interface ExampleStudy {
  state: StudyState;
  /** The letters and places of an earlier grouping, on which the next goes on; none at first. */
  register: readonly ThemeIdentity[];
  input: () => StudyInput;
  engine: Engine;
  original: (id: string) => string;
  /** Makes a source whose text the study can get at, to be added by a decision. */
  bring: (name: string, text: string, attributes?: Record<string, string>) => StudySource;
  compute: <S extends StageName>(stage: S) => StageResults[S];
  decide: (decision: Decision) => void;
}

export function exampleStudy(
  texts: readonly { name: string; text: string; attributes?: Record<string, string> }[],
  own: Partial<Library> = {},
): ExampleStudy {
  const originals = new Map<string, string>();
  const bring: ExampleStudy['bring'] = (name, text, attributes) => {
    const source = makeSource(name, text, attributes);
    originals.set(source.id, text);
    return source;
  };
  const sources = texts.map(({ name, text, attributes }) => bring(name, text, attributes));
  const whole = (id: string): string => originals.get(id) ?? '';
  let known: { sources: readonly StudySource[]; byId: ReadonlyMap<string, StudySource> } | undefined;
  const original = (id: string): string => {
    const { sources } = study.state;
    if (known?.sources !== sources)
      known = { sources, byId: new Map(sources.map((each) => [each.id, each])) };
    const source = known.byId.get(id);
    return source ? textOf(source, whole) : whole(id);
  };
  const engine = new Engine({ ...englishLibrary(original), ...own });
  const study: ExampleStudy = {
    state: decide(EMPTY_STUDY, { kind: 'addSources', sources }),
    register: [],
    input: () => ({ state: study.state, register: study.register }),
    engine,
    original,
    bring,
    compute: (stage) => finish(engine.compute(stage, study.input())),
    decide: (decision) => {
      study.state = decide(study.state, decision);
    },
  };
  return study;
}

/** Goes on from the letters and places of the map that stands, as the interface does after each map. */
export function goOnFromMap(study: ExampleStudy): void {
  study.register = withGround(study.compute('themes').register, study.compute('map').ground);
}

/** Asks views of an example study, as it is when asked. */
export function asking(
  study: ExampleStudy,
  own: Partial<Library> = {},
): <V extends ViewName>(view: V, question: ViewQuestions[V]) => ViewAnswers[V] {
  return (view, question) =>
    finish(
      makeView(view, question, study.input(), {
        engine: study.engine,
        original: study.original,
        ...englishKnowledge,
        ...own,
      }),
    );
}

/** Zachary's karate club (1977): 34 nodes, 78 links, numbered from 1. */
export const KARATE: readonly (readonly [number, number])[] = (
  '2-1 3-1 3-2 4-1 4-2 4-3 5-1 6-1 7-1 7-5 7-6 8-1 8-2 8-3 8-4 9-1 9-3 10-3 11-1 11-5 11-6 12-1 13-1 13-4 14-1 14-2 ' +
  '14-3 14-4 17-6 17-7 18-1 18-2 20-1 20-2 22-1 22-2 26-24 26-25 28-3 28-24 28-25 29-3 30-24 30-27 31-2 31-9 32-1 ' +
  '32-25 32-26 32-29 33-3 33-9 33-15 33-16 33-19 33-21 33-23 33-24 33-30 33-31 33-32 34-9 34-10 34-14 34-15 34-16 ' +
  '34-19 34-20 34-21 34-23 34-24 34-27 34-28 34-29 34-30 34-31 34-32 34-33'
)
  .split(' ')
  .map((link) => link.split('-').map(Number) as [number, number]);
