import { expect } from 'chai';
import fc from 'fast-check';
import { finish } from '../../src/base/stepwise.ts';
import { STAGE_KEYS, stageKey, type StageName } from '../../src/engine/stage-keys.ts';
import { makePart } from '../../src/intake/intake.ts';
import type { Decision } from '../../src/study/decisions.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import type { StudyState } from '../../src/study/study.ts';
import { newStep } from '../../src/text/steps.ts';
import { viewKey, type ViewName, type ViewQuestions } from '../../src/views/view-keys.ts';
import { asking, englishTags, exampleStudy, type ExampleStudy } from '../examples.ts';

const TALK = [
  'Rain came and the shelter leaked. The bench was wet from rain. On 4/5/2031 the shelter stood in the rain.',
  'The fare rose. The wage did not, and the fare hurt. The last bus took the wage and the fare.',
];
const tags = englishTags();
/** Who speaks, what they are, and when: small, with something for every view. */
const begun = (): ExampleStudy => {
  const study = exampleStudy(
    Array.from({ length: 6 }, (_, i) => ({
      name: `s${i}.txt`,
      text: `Ada: What of it?\n\nBen: ${TALK[i % 2]}\n\nBen: ${TALK[i % 2]} ${TALK[(i >> 1) % 2]}`,
      attributes: {
        role: i % 2 ? 'driver' : 'resident',
        wave: i < 3 ? 'before' : 'after',
        age: `${30 + i}`,
        day: `2031-0${1 + (i % 3)}-1${i}`,
      },
    })),
    tags,
  );
  study.decide({ kind: 'setThemes', change: { runs: 3 } });
  study.decide({ kind: 'setConcepts', change: { minimumMentions: 2 } });
  return study;
};
const { sources } = begun().state;
const [first, second] = sources;
const added = exampleStudy([{ name: 'new.txt', text: TALK.join(' '), attributes: { role: 'depot' } }]).state
  .sources[0];
const clean = [newStep('case', []), newStep('numbers', [])];

/** Decisions of every kind, such as move something in this study. */
const MOVES: { readonly [K in Decision['kind']]: readonly Extract<Decision, { kind: K }>[] } = {
  renameStudy: [{ kind: 'renameStudy', title: 'T' }],
  addSources: [{ kind: 'addSources', sources: [added] }],
  removeSources: [{ kind: 'removeSources', ids: [second.id] }],
  setAttribute: [
    { kind: 'setAttribute', ids: [first.id], attribute: 'role', value: 'driver' },
    { kind: 'setAttribute', ids: [second.id], attribute: 'wave', value: '' },
    { kind: 'setAttribute', ids: [second.id], attribute: 'place', value: 'x' },
  ],
  setValues: [{ kind: 'setValues', values: { role: { [first.id]: 'driver', [second.id]: 'resident' } } }],
  setAttributeType: [{ kind: 'setAttributeType', attribute: 'age', type: 'number' }],
  renameAttribute: [{ kind: 'renameAttribute', attribute: 'role', name: 'job' }],
  removeAttribute: [{ kind: 'removeAttribute', attribute: 'role' }],
  setCuts: [{ kind: 'setCuts', cuts: { [first.id]: [[0, 60]] } }],
  splitSources: [
    {
      kind: 'splitSources',
      parts: { [first.id]: [makePart(first, 's0: 1', 'Ada', { start: 0, end: 3 }, first.attributes)] },
    },
  ],
  setSources: [
    {
      kind: 'setSources',
      change: { subset: [{ kind: 'values', attribute: 'role', values: ['driver'] }] },
    },
    { kind: 'setSources', change: { dateOrder: 'mdy' } },
  ],
  keepSubset: [{ kind: 'keepSubset', name: 's', subset: [] }],
  forgetSubset: [{ kind: 'forgetSubset', name: 's' }],
  setSpeakers: [{ kind: 'setSpeakers', change: { leftOut: ['Ada'] } }],
  setCleaning: [{ kind: 'setCleaning', steps: clean, what: 'fewer' }],
  setConcepts: [
    { kind: 'setConcepts', change: { verbs: true } },
    { kind: 'setConcepts', change: { size: 4 } },
    { kind: 'setConcepts', change: { language: 'de' } },
    { kind: 'setConcepts', change: { numbers: true, listedStopWords: false } },
  ],
  keepConcepts: [{ kind: 'keepConcepts', keys: ['bench'] }],
  dropConcepts: [{ kind: 'dropConcepts', keys: ['fare'] }],
  leaveConcepts: [{ kind: 'leaveConcepts', keys: ['fare'] }],
  addStopWords: [{ kind: 'addStopWords', words: ['shelter'] }],
  neverShow: [{ kind: 'neverShow', words: ['wage'], phrases: ['last bus'] }],
  removeStopWords: [{ kind: 'removeStopWords', words: ['shelter'] }],
  allowWords: [{ kind: 'allowWords', words: ['last'] }],
  stopAllowing: [{ kind: 'stopAllowing', words: ['last'] }],
  setWordKind: [{ kind: 'setWordKind', words: ['rain'], as: 'verb' }],
  mergeConcepts: [{ kind: 'mergeConcepts', into: 'fare', keys: ['wage'] }],
  mergeMany: [{ kind: 'mergeMany', groups: [{ into: 'rain', keys: ['shelter'] }] }],
  refuseMerge: [{ kind: 'refuseMerge', keys: ['fare', 'wage'] }],
  splitConcept: [{ kind: 'splitConcept', key: 'fare' }],
  renameConcept: [{ kind: 'renameConcept', key: 'rain', label: 'weather' }],
  setWindows: [
    { kind: 'setWindows', change: { size: 1 } },
    { kind: 'setWindows', change: { without: ['Ada'] } },
  ],
  setLinks: [{ kind: 'setLinks', change: { cutOff: 0.3, minimumTogether: 2 } }],
  setThemes: [{ kind: 'setThemes', change: { seed: 9 } }],
  renameTheme: [{ kind: 'renameTheme', letter: 'A', name: 'Weather' }],
  noteTheme: [{ kind: 'noteTheme', letter: 'A', note: 'Rain and wind' }],
  placeConcepts: [
    { kind: 'placeConcepts', keys: ['rain'], letter: '' },
    { kind: 'placeConcepts', keys: ['rain'], letter: 'B' },
  ],
  freeConcepts: [{ kind: 'freeConcepts', keys: ['rain'] }],
  joinThemes: [{ kind: 'joinThemes', letters: ['B'], into: 'A' }],
  partTheme: [{ kind: 'partTheme', letter: 'A' }],
  lockTheme: [{ kind: 'lockTheme', letter: 'A', keys: ['rain', 'fare'] }],
  unlockTheme: [{ kind: 'unlockTheme', letter: 'A' }],
  beginThemes: [
    { kind: 'beginThemes', themes: [{ letter: 'C', keys: ['bench', 'wage'] }], grows: true },
    { kind: 'beginThemes', themes: [{ letter: 'C', keys: ['bench', 'wage'] }], grows: false },
  ],
  endTheme: [{ kind: 'endTheme', letter: 'C' }],
  setThemeAside: [{ kind: 'setThemeAside', letter: 'A', name: 'Rain', keys: ['rain', 'bench', 'shelter'] }],
  takeThemeBack: [{ kind: 'takeThemeBack', letter: 'A' }],
  keepGrouping: [
    { kind: 'keepGrouping', name: 'g', themes: [{ letter: 'A', label: 'rain', keys: ['rain', 'fare'] }] },
  ],
  forgetGrouping: [{ kind: 'forgetGrouping', name: 'g' }],
  setTopics: [
    { kind: 'setTopics', change: { count: 2, own: [['fare', 'wage']] } },
    { kind: 'setTopics', change: { asWritten: true, leftOut: ['rain'] } },
  ],
  joinGroups: [
    { kind: 'joinGroups', attribute: 'role', values: ['driver', 'resident'], name: 'all' },
    { kind: 'joinGroups', attribute: 'wave', values: ['before', 'after'], name: 'before' },
  ],
  partGroup: [{ kind: 'partGroup', attribute: 'role', name: 'all' }],
  leaveOutGroups: [{ kind: 'leaveOutGroups', attribute: 'role', values: ['driver'] }],
  orderGroups: [{ kind: 'orderGroups', attribute: 'role', values: ['resident', 'driver'] }],
  addToneList: [{ kind: 'addToneList', name: 'mine', entries: [['rain', 'weather', 1]] }],
  removeToneList: [{ kind: 'removeToneList', name: 'mine' }],
  pinConcept: [{ kind: 'pinConcept', key: 'rain', at: [400, 300] }],
  unpinConcepts: [{ kind: 'unpinConcepts', keys: ['rain'] }],
  setPseudonyms: [{ kind: 'setPseudonyms', change: { Ada: 'Bea', first: 'one', Rain: 'Drizzle' } }],
  setMap: [{ kind: 'setMap', change: { shownLinks: 1 } }],
  setCompare: [
    { kind: 'setCompare', change: { attribute: 'wave' } },
    { kind: 'setCompare', change: { across: 'wave' } },
    { kind: 'setCompare', change: { columns: 'sources', measure: 'mentions' } },
    { kind: 'setCompare', change: { columns: 'subsets', measure: 'sources' } },
    { kind: 'setCompare', change: { words: 12, interviewers: true } },
  ],
  applyRecipe: [{ kind: 'applyRecipe', recipe: recipeOf({ ...begun().state, dropped: ['rain'] }) }],
};
const moves: readonly Decision[] = Object.values(MOVES).flat();

const concept = { kind: 'concept', key: 'rain' } as const;
const cell = { kind: 'cell', letter: 'A', attribute: 'role', group: 'driver' } as const;
const afterCell = { kind: 'following', of: cell, direction: 'after', words: ['rose'] } as const;
const drivers = { attribute: 'role', value: 'driver' };
const ids = [first.id, second.id];
const NOTHING_KEPT = { entries: [], decisions: [], version: '0', quotations: 1 };
/** Questions for every view: all there are of those that read attributes. */
const QUESTIONS: { readonly [V in ViewName]: readonly ViewQuestions[V][] } = {
  overview: [null],
  coverage: [null],
  steadiness: [null],
  sources: [null],
  speakers: [null],
  speakerParts: [{ sourceIds: ids, labels: ['Ada'] }],
  splitParts: [{ sourceIds: ids, rule: { kind: 'words', words: 10 }, attribute: 'of' }],
  wordPlaces: [
    { word: 'rain', cleaned: true },
    { word: 'rain', cleaned: false },
  ],
  languages: [null],
  duplicates: [null],
  split: [{ sourceId: first.id, rule: { kind: 'words', words: 10 } }],
  trim: [
    { rule: { kind: 'mark', side: 'before', text: 'Ben', inclusive: false }, sourceIds: ids },
    { rule: { kind: 'lines', side: 'first', count: 2 }, sourceIds: ids, back: true },
  ],
  meaning: [{ key: 'bench' }],
  howMany: [null],
  topics: [null],
  topicNumbers: [null],
  linkMatrix: [null],
  path: [
    { from: 'rain', to: 'fare' },
    { from: 'rain', to: null },
  ],
  windowExample: [null],
  adjacencyFile: [null],
  networkFile: [{ as: 'graphml' }],
  codebookFile: [null],
  projectFile: [{ notes: [{ id: 'n', time: '2031-01-01T00:00:00Z', note: 'A thought.', tags: [] }] }],
  joiners: [{ letter: 'A', limit: 20 }],
  themeParts: [{ letter: 'A' }],
  repeats: [null],
  mail: [null],
  repeatedLines: [null],
  textDates: [null],
  cleaning: [{ sourceId: first.id, at: 0 }],
  cleaningSteps: [{ offers: true }],
  cleaningOrder: [null],
  remains: [null],
  cleaningFigures: [null],
  cleanedFile: [{ as: 'csv' }],
  recipeReport: [{ recipe: recipeOf(begun().state) }],
  concepts: [null],
  distinct: [{ group: drivers }, { group: drivers, against: { attribute: 'wave', value: 'after' } }],
  wordKinds: [null],
  suggestions: [{ refused: [] }],
  synonyms: [{ text: 'fare: wage' }],
  links: [{ concept: null, limit: 50 }],
  themes: [null],
  map: [null],
  compare: [
    { rows: { kind: 'themes' } },
    { rows: { kind: 'concepts', letter: '' } },
    { rows: { kind: 'concepts', letter: 'A' } },
    { rows: { kind: 'keys', keys: ['rain', 'fare'] } },
    { rows: { kind: 'links' } },
  ],
  overTime: [
    { rows: { kind: 'themes' }, dates: 'day', span: '', period: null, byGroup: true },
    { rows: { kind: 'themes' }, dates: 'day', span: '2031', period: null, byGroup: false },
  ],
  apart: [
    { group: 'driver', against: null, of: 'concepts', letter: '', limit: 20 },
    { group: 'driver', against: 'resident', of: 'links', letter: '', limit: 20 },
  ],
  course: [{ rows: { kind: 'themes' } }],
  profiles: [null],
  typical: [
    { letter: 'A', byGroup: true, limit: 2 },
    { letter: 'A', byGroup: false, limit: 3 },
  ],
  tone: [{ list: 'AFINN' }, { list: 'mine' }],
  toneWords: [
    { list: 'AFINN', aspect: 'negative', letter: '', limit: 20 },
    { list: 'VADER', aspect: 'negative', letter: 'A', within: { groups: [drivers] }, limit: 20 },
  ],
  rarer: [{ limit: 20 }],
  company: [{ concept: 'rain', limit: 20 }],
  twoConcepts: [{ keys: ['rain', 'fare'] }],
  themeFigures: [null],
  beside: [
    { kept: 'g' },
    { resolution: 0.7 },
    { then: [{ letter: 'A', label: 'rain', keys: ['rain', 'bench'] }] },
  ],
  passages: [
    { selection: concept, limit: 50 },
    { selection: cell, limit: 50 },
    { selection: { kind: 'missed' }, limit: 50 },
    { selection: { kind: 'stretches', letter: 'A', keys: [], tenth: 2 }, limit: 50 },
    { selection: { kind: 'stretches', letter: '', keys: ['rain', 'bench'] }, limit: 50 },
    {
      selection: {
        kind: 'stretches',
        letter: '',
        keys: [],
        tone: { list: 'AFINN', aspect: 'negative' },
      },
      within: { subset: 's' },
      limit: 50,
    },
    {
      selection: concept,
      within: { groups: [drivers], when: { dates: 'day', period: 'month', value: '2031-02' } },
      limit: 50,
    },
    { selection: afterCell, limit: 50 },
    { selection: concept, within: { groups: [drivers] }, limit: 50 },
    { selection: concept, within: { sourceId: second.id }, limit: 50 },
    { selection: { kind: 'search', query: 'leak*' }, limit: 50 },
  ],
  passagesFile: [{ selection: concept, as: 'csv' }],
  matrix: [{ figure: 'mentions' }, { figure: 'windowShare' }, { figure: 'tfIdf' }],
  matrixFile: [{ figure: 'mentions' }],
  pairs: [{ limit: 9 }],
  plainCounts: [{ attribute: null }, { attribute: 'role' }],
  concordance: [
    { selection: concept, order: 'text', context: 20, limit: 50, group: null },
    { selection: concept, order: 'text', context: 20, limit: 50, group: drivers },
    { selection: cell, order: 'text', context: 20, limit: 50, group: null },
  ],
  dispersion: [{ selections: [concept, cell] }],
  branches: [{ selection: cell, direction: 'after', path: [] }],
  names: [null],
  colleague: [{ state: { ...begun().state, dropped: ['rain'] }, register: [] }],
  figure: [{ kind: 'sources' }, { kind: 'company', key: 'rain' }],
  report: [{ parts: ['summary', 'themes', 'comparison'], ...NOTHING_KEPT }],
  workbook: [null],
  everythingFile: [{ parts: ['again'], ...NOTHING_KEPT }],
  reportFile: [{ parts: ['method', 'references', 'again'], ...NOTHING_KEPT, as: 'html' }],
  source: [
    { sourceId: first.id, selection: cell, at: 0 },
    { sourceId: first.id, selection: null, at: 0 },
  ],
};

/** A study in a state, computed as if nothing had been before. */
function fresh(state: StudyState): ExampleStudy {
  const study = begun();
  study.bring('new.txt', TALK.join(' '), { role: 'depot' });
  study.state = state;
  return study;
}

/** Every answer with its key. */
function* answers(study: ExampleStudy): Generator<readonly [name: string, key: string, answer: unknown]> {
  const ask = asking(study);
  const of = function* <V extends ViewName>(view: V) {
    for (const [i, question] of QUESTIONS[view].entries()) {
      yield [`${view} ${i}`, viewKey(view, study.state, question), ask(view, question)] as const;
    }
  };
  for (const view of Object.keys(QUESTIONS) as ViewName[]) yield* of(view);
  for (const stage of Object.keys(STAGE_KEYS) as StageName[]) {
    yield [`stage ${stage}`, stageKey(stage, study.state), study.compute(stage)];
  }
}

let answersBefore: ReadonlyMap<string, readonly [key: string, answer: unknown]> | undefined;

/** Answers of a study before some decisions and after them: where the key is the same, the answer must be. */
function checkKeys(decisions: readonly Decision[]): { readonly same: number; readonly changed: Set<string> } {
  // Every check begins from the same study, so its answers are worked out once.
  const before = (answersBefore ??= new Map(
    [...answers(begun())].map(([name, key, answer]) => [name, [key, answer] as const]),
  ));
  const study = begun();
  for (const decision of decisions) study.decide(decision);
  let same = 0;
  const changed = new Set<string>();
  for (const [name, key, answer] of answers(fresh(study.state))) {
    const [keyBefore, answerBefore] = before.get(name) ?? [];
    if (key !== keyBefore) changed.add(name.split(' ')[0]);
    else {
      same++;
      expect(answer, `${name} after ${JSON.stringify(decisions)}`).to.deep.equal(answerBefore);
    }
  }
  return { same, changed };
}

describe('keys of stages and views', function () {
  this.timeout(120_000);

  it('are the same only where the answer is, for every kind of decision and every view', () => {
    const changed = new Set<string>();
    for (const move of moves) for (const name of checkKeys([move]).changed) changed.add(name);
    // The question alone decides these.
    const constant = Object.keys(QUESTIONS).filter((view) => !changed.has(view));
    expect(constant).to.deep.equal(['split']);
  });

  it('are the same only where the answer is, after any decisions', () => {
    const decisions = fc.array(fc.constantFrom(...moves), { minLength: 2, maxLength: 5 });
    fc.assert(
      fc.property(decisions, (made) => void checkKeys(made)),
      { numRuns: 12 },
    );
  });

  it('stay where a decision is nothing to them, so that nothing is asked again', () => {
    // Files for other programs and reports carry the title; figures ask whatever other views do.
    expect([...checkKeys([{ kind: 'renameStudy', title: 'T' }]).changed]).to.have.members([
      'networkFile',
      'projectFile',
      'colleague',
      'figure',
      'report',
      'reportFile',
      'everythingFile',
      'workbook',
    ]);
    const { changed } = checkKeys([MOVES.setAttribute[2]]);
    for (const view of ['themes', 'map', 'passages', 'concordance', 'plainCounts', 'stage'])
      expect(changed, view).to.not.include(view);
    expect(changed).to.include('matrixFile');
  });

  it('of words that follow what a cell stands for go with its values too', () => {
    const study = begun();
    const [letter] = asking(study)('themes', null)
      .themes.filter(({ concepts }) => concepts.some(({ key }) => key === 'fare'))
      .map((theme) => theme.letter);
    const question = { selection: { ...afterCell, of: { ...cell, letter } }, limit: 50 };
    const before = asking(study)('passages', question).mentions;
    expect(before).to.be.greaterThan(0);
    const key = viewKey('passages', study.state, question);
    study.decide({ kind: 'setAttribute', ids: [second.id], attribute: 'role', value: 'resident' });
    expect(asking(study)('passages', question).mentions).to.be.lessThan(before);
    expect(viewKey('passages', study.state, question)).to.not.equal(key);
  });

  it('of what is read by groups go with their values', () => {
    const study = begun();
    const question = { selection: concept, within: { groups: [drivers] }, limit: 50 };
    const windows = (): number => asking(study)('passages', question).windows;
    const [key, before] = [viewKey('passages', study.state, question), windows()];
    study.decide({ kind: 'setAttribute', ids: [first.id], attribute: 'role', value: 'driver' });
    expect(windows()).to.be.greaterThan(before);
    expect(viewKey('passages', study.state, question)).to.not.equal(key);
    expect(finish(study.engine.compute('tokens', study.input()))).to.equal(study.compute('tokens'));
  });
});
