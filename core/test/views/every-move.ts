import { makePart } from '../../src/intake/sources.ts';
import type { Decision } from '../../src/study/decisions.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { newStep } from '../../src/text/cleaning/steps.ts';
import { added, begun, first, second } from './small-study.ts';

const clean = [newStep('case', []), newStep('numbers', [])];

/** Decisions of every kind, such as move something in this study. */
export const MOVES: { readonly [K in Decision['kind']]: readonly Extract<Decision, { kind: K }>[] } = {
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
      parts: {
        [first.id]: [
          makePart(first, {
            name: 's0: 1',
            text: 'Ada',
            place: { start: 0, end: 3 },
            attributes: first.attributes,
          }),
        ],
      },
    },
  ],
  openNetwork: [{ kind: 'openNetwork', network: { name: 'n.csv', concepts: ['a', 'b'], links: '0 1 2.5' } }],
  setSources: [
    {
      kind: 'setSources',
      change: { subset: [{ kind: 'values', attribute: 'role', values: ['driver'] }] },
    },
    { kind: 'setSources', change: { dateOrder: 'mdy' } },
    { kind: 'setSources', change: { person: 'role' } },
  ],
  tellPersons: [{ kind: 'tellPersons', attribute: 'person', persons: { [first.id]: 'Olive' } }],
  keepSubset: [{ kind: 'keepSubset', name: 's', subset: [] }],
  forgetSubset: [{ kind: 'forgetSubset', name: 's' }],
  setSpeakers: [{ kind: 'setSpeakers', change: { leftOut: ['Ada'] } }],
  setCleaning: [{ kind: 'setCleaning', steps: clean, what: 'fewer' }],
  setConcepts: [
    { kind: 'setConcepts', change: { verbs: true } },
    { kind: 'setConcepts', change: { size: 4 } },
    { kind: 'setConcepts', change: { nameKinds: ['person'] } },
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
  setNameKind: [{ kind: 'setNameKind', names: ['Mill Hill'], as: 'person' }],
  mergeConcepts: [{ kind: 'mergeConcepts', into: 'fare', keys: ['wage'] }],
  mergeMany: [{ kind: 'mergeMany', groups: [{ into: 'rain', keys: ['shelter'] }] }],
  refuseMerge: [{ kind: 'refuseMerge', keys: ['fare', 'wage'] }],
  splitConcept: [{ kind: 'splitConcept', key: 'fare' }],
  renameConcept: [{ kind: 'renameConcept', key: 'rain', label: 'weather' }],
  setWindows: [
    { kind: 'setWindows', change: { size: 1 } },
    { kind: 'setWindows', change: { without: ['Ada'] } },
    { kind: 'setWindows', change: { repeated: false } },
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
export const moves: readonly Decision[] = Object.values(MOVES).flat();
