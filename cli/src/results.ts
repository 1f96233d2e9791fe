import type { NetworkFormat } from '@green-thicket/core/formats/write/network-write';
import { hashValue } from '@green-thicket/core/base/hash';
import { compareGroups } from '@green-thicket/core/compare/strength';
import { conceptLabels } from '@green-thicket/core/engine/resources';
import type { Engine } from '@green-thicket/core/engine/engine';
import type { StageName } from '@green-thicket/core/engine/stage-keys';
import type { StageResults } from '@green-thicket/core/engine/stages';
import type { PackedBytes } from '@green-thicket/core/formats/write/archive-write';
import { withDrawnFace, withDrawnWords } from '@green-thicket/core/formats/write/document';
import { seal } from '@green-thicket/core/formats/sealed-file';
import { alsoSteady } from '@green-thicket/core/themes/resolution';
import { renderMap } from '@green-thicket/core/map/render';
import { withGround } from '@green-thicket/core/map/ground';
import { attributeNames, groupsOf } from '@green-thicket/core/study/groups';
import type { NotebookEntry } from '@green-thicket/core/study/notebook';
import { renamerOf, withoutNamed } from '@green-thicket/core/study/pseudonyms';
import { recipeOf } from '@green-thicket/core/study/recipe';
import type { DecisionLog } from '@green-thicket/core/study/record';
import { namesOutside, type StudyState } from '@green-thicket/core/study/study';
import { personsOf, shownSources, workingSources } from '@green-thicket/core/study/subset';
import { recipeRecord } from '@green-thicket/core/study-files/recipe-file';
import { writeStudyFile } from '@green-thicket/core/study-files/study-file';
import {
  apartTable,
  conceptsTable,
  linksTable,
  strengthTable,
  themesTable,
  timeTable,
  toneTable,
} from '@green-thicket/core/study-files/tables';
import { methodSentences, sentenceText, STOPS } from '@green-thicket/core/words/sentences';
import type { furtherComparisons } from './comparisons.ts';
import { reportFace } from './lexicon-file.ts';

/** What a run writes. */
type ResultName =
  | 'concepts.csv'
  | 'links.csv'
  | 'themes.csv'
  | 'strength.csv'
  | 'apart.csv'
  | 'time.csv'
  | 'tone.csv'
  | 'map.svg'
  | `network.${NetworkFormat}`
  | 'study.thicket'
  | 'methods.md'
  | 'run.json';

/** What is written where there is a browser that draws. */
export const PICTURE = 'map.png';

/** What a run computes. */
export type Computed = Pick<
  StageResults,
  | 'tokens'
  | 'candidates'
  | 'concepts'
  | 'links'
  | 'windows'
  | 'themes'
  | 'redrawn'
  | 'resampled'
  | 'map'
  | 'strength'
  | 'comparison'
  | 'wordLanguages'
  | 'sweep'
>;

/** What a run was of and how long it took. */
export function runRecord(
  {
    state,
    version,
    readTime,
    timings,
  }: {
    readonly state: StudyState;
    readonly version: string;
    /** Milliseconds for reading the files. */
    readonly readTime: number;
    readonly timings: Engine['timings'];
  },
  { tokens, candidates, concepts, links, windows, themes, map, comparison }: Computed,
): object {
  const sources = workingSources(state).length;
  /** How many things each stage made. */
  const made: Partial<Record<StageName, number>> = {
    tokens: tokens.type.length,
    candidates: candidates.keys.length,
    concepts: concepts.keys.length,
    windows: windows.count,
    links: links.standing,
    themes: themes.themes.length,
    map: map.labels.length,
    comparison: comparison.groups.length,
  };
  return {
    version,
    seed: state.settings.themes.seed,
    settings: state.settings,
    // With it the same is made again: by --settings, or as a recipe in the application.
    recipe: recipeRecord(withoutNamed(recipeOf(state), renamerOf(namesOutside(state))).value),
    texts: hashValue(workingSources(state).map(({ textHash, cuts = [] }) => [textHash, cuts])),
    counts: {
      sources,
      words: tokens.type.length,
      differentWords: tokens.forms.length,
      candidates: candidates.keys.length,
      concepts: concepts.keys.length,
      windows: windows.count,
      links: links.standing,
      themes: themes.themes.length,
    },
    resolution: themes.resolution,
    modularity: themes.modularity,
    stages: [
      { stage: 'read', milliseconds: Math.round(readTime), count: sources },
      ...timings.map(({ stage, milliseconds }) => ({
        stage,
        milliseconds: Math.round(milliseconds),
        ...(made[stage] === undefined ? {} : { count: made[stage] }),
      })),
    ],
    peakMemoryMB: Math.round(process.resourceUsage().maxRSS / 1024),
  };
}

/** The tables, the map, the study and the record of a run. They carry pseudonyms; the study file alone keeps the names. */
export async function resultFiles(
  {
    state,
    log,
    study,
    computed,
    further: { apart, overTime, tones, networks },
  }: {
    readonly state: StudyState;
    readonly log: DecisionLog;
    readonly study: {
      readonly originals: ReadonlyMap<string, string>;
      readonly notebook: readonly NotebookEntry[];
      /** Of the file it came from: the study file that is written gets the same. */
      readonly password?: Uint8Array;
      readonly packed: ReadonlyMap<string, PackedBytes>;
    };
    readonly computed: Computed;
    readonly further: ReturnType<typeof furtherComparisons>;
  },
  record: object,
): Promise<Record<ResultName, string | Uint8Array>> {
  const {
    candidates,
    concepts,
    links,
    themes,
    redrawn,
    resampled,
    map,
    strength,
    comparison,
    wordLanguages,
    sweep,
  } = computed;
  const { rename, renameAnyCase } = renamerOf(namesOutside(state));
  const labels = conceptLabels(state.conceptLabels, concepts).map(renameAnyCase);
  const namedThemes = {
    ...themes,
    themes: themes.themes.map((theme) => ({ ...theme, label: renameAnyCase(theme.label) })),
  };
  const comparisons = attributeNames(shownSources(state)).map((attribute) => {
    const { names, groupOf } = groupsOf(state, attribute);
    return {
      attribute,
      comparison: compareGroups(strength, groupOf, names, state.settings.themes.seed, personsOf(state)),
    };
  });
  const sentences = methodSentences(state, {
    resolution: themes.resolution,
    also:
      state.settings.themes.resolution === 'auto' && themes.themes.length > 0
        ? alsoSteady(sweep, themes.resolution)
        : [],
    exact: comparison.exact,
    languages: wordLanguages.read,
  });
  const { originals, notebook, packed } = study;
  const register = withGround(themes.register, map.ground);
  const file = writeStudyFile({ log, register, originals, notebook }, packed);
  return {
    'concepts.csv': conceptsTable(labels, concepts, candidates, themes, { redrawn, resampled }),
    'links.csv': linksTable(labels, links),
    'themes.csv': themesTable(labels, namedThemes, resampled),
    'strength.csv': renameAnyCase(strengthTable(comparisons, themes)),
    'apart.csv': renameAnyCase(apartTable(apart)),
    'time.csv': renameAnyCase(timeTable(overTime)),
    'tone.csv': renameAnyCase(toneTable(tones)),
    'map.svg': withDrawnFace(withDrawnWords(renderMap(map, state.title), renameAnyCase), reportFace()),
    ...networks,
    'study.thicket': study.password ? await seal(file, study.password) : file,
    'methods.md': rename(`# Method\n\n${STOPS.map((stop) => sentenceText(sentences[stop])).join('\n\n')}\n`),
    'run.json': `${JSON.stringify(record, null, 2)}\n`,
  };
}
