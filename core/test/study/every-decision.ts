import type { Decision } from '../../src/study/decisions.ts';
import type { DecisionLog } from '../../src/study/record.ts';
import { foldDecisions } from '../../src/study/record.ts';
import { makePart, makeSource } from '../../src/intake/sources.ts';
import { recipeOf } from '../../src/study/recipe.ts';
import { DEFAULT_SETTINGS } from '../../src/study/study.ts';
import { CLEANING_KINDS, newStep } from '../../src/text/cleaning/steps.ts';

export const text = 'One.\n\nTwo.\n';
export const source = makeSource('a.txt', text, { role: 'nurse' });
const steps = CLEANING_KINDS.map((kind) => newStep(kind, []));
const { concepts, windows, links, themes, map, compare } = DEFAULT_SETTINGS;

/** The record of some decisions, each made on the one before. */
export function recordOf(decisions: readonly Decision[]): DecisionLog {
  return {
    records: decisions.map((decision, i) => ({
      seq: i + 1,
      parent: i,
      time: '2031-01-01T00:00:00.000Z',
      decision,
    })),
    head: decisions.length,
    tip: decisions.length,
  };
}

/** A decision of every kind. */
export const EVERY: { [K in Decision['kind']]: Extract<Decision, { kind: K }> } = {
  renameStudy: { kind: 'renameStudy', title: 'T' },
  addSources: { kind: 'addSources', sources: [source], note: 'n', types: { role: 'text' } },
  setAttribute: { kind: 'setAttribute', ids: [source.id], attribute: 'place', value: 'x' },
  setValues: { kind: 'setValues', values: { age: { [source.id]: '7' } } },
  setAttributeType: { kind: 'setAttributeType', attribute: 'age', type: 'number' },
  renameAttribute: { kind: 'renameAttribute', attribute: 'age', name: 'years' },
  setCuts: { kind: 'setCuts', cuts: { [source.id]: [[0, 2]] } },
  splitSources: {
    kind: 'splitSources',
    parts: {
      [source.id]: [
        makePart(source, {
          name: 'a: 1',
          text: 'One.',
          place: { start: 0, end: 4 },
          attributes: {},
          cuts: [[0, 1]],
        }),
      ],
    },
  },
  openNetwork: { kind: 'openNetwork', network: { name: 'n.csv', concepts: ['a', 'b'], links: '0 1 2.5' } },
  setSources: {
    kind: 'setSources',
    change: {
      subset: [{ kind: 'range', attribute: 'years', from: '1', to: '' }],
      dateOrder: 'dmy',
      person: 'person',
    },
  },
  tellPersons: { kind: 'tellPersons', attribute: 'person', persons: { [source.id]: 'Olive' } },
  keepSubset: {
    kind: 'keepSubset',
    name: 's',
    subset: [{ kind: 'values', attribute: 'role', values: [''] }],
  },
  forgetSubset: { kind: 'forgetSubset', name: 's' },
  setSpeakers: { kind: 'setSpeakers', change: { leftOut: ['A', ''], roles: { B: 'driver' } } },
  setCleaning: { kind: 'setCleaning', steps, what: 'add all' },
  setConcepts: { kind: 'setConcepts', change: concepts },
  keepConcepts: { kind: 'keepConcepts', keys: ['a'] },
  dropConcepts: { kind: 'dropConcepts', keys: ['b'] },
  leaveConcepts: { kind: 'leaveConcepts', keys: ['b'] },
  addStopWords: { kind: 'addStopWords', words: ['c'] },
  neverShow: { kind: 'neverShow', words: ['c'], phrases: ['d e'] },
  removeStopWords: { kind: 'removeStopWords', words: ['d'] },
  allowWords: { kind: 'allowWords', words: ['e'] },
  stopAllowing: { kind: 'stopAllowing', words: ['e'] },
  setWordKind: { kind: 'setWordKind', words: ['e'], as: 'name' },
  setNameKind: { kind: 'setNameKind', names: ['e'], as: 'place' },
  mergeConcepts: { kind: 'mergeConcepts', into: 'a', keys: ['e'] },
  mergeMany: { kind: 'mergeMany', groups: [{ into: 'a', keys: ['f', 'g h'] }] },
  refuseMerge: { kind: 'refuseMerge', keys: ['a', 'b'] },
  splitConcept: { kind: 'splitConcept', key: 'a' },
  renameConcept: { kind: 'renameConcept', key: 'a', label: 'A' },
  setWindows: { kind: 'setWindows', change: windows },
  setLinks: { kind: 'setLinks', change: links },
  setThemes: { kind: 'setThemes', change: themes },
  renameTheme: { kind: 'renameTheme', letter: 'A', name: 'x' },
  noteTheme: { kind: 'noteTheme', letter: 'A', note: 'what it is' },
  placeConcepts: { kind: 'placeConcepts', keys: ['a', 'b'], letter: 'B' },
  freeConcepts: { kind: 'freeConcepts', keys: ['b'] },
  joinThemes: { kind: 'joinThemes', letters: ['C', 'D'], into: 'A' },
  partTheme: { kind: 'partTheme', letter: 'B' },
  lockTheme: { kind: 'lockTheme', letter: 'A', keys: ['a'] },
  unlockTheme: { kind: 'unlockTheme', letter: 'B' },
  beginThemes: { kind: 'beginThemes', themes: [{ letter: 'E', keys: ['c'] }], grows: true },
  endTheme: { kind: 'endTheme', letter: 'F' },
  setThemeAside: { kind: 'setThemeAside', letter: 'G', name: 'noise', keys: ['d'] },
  takeThemeBack: { kind: 'takeThemeBack', letter: 'H' },
  keepGrouping: {
    kind: 'keepGrouping',
    name: 'first',
    themes: [{ letter: 'A', label: 'x', keys: ['a', 'b'] }],
  },
  forgetGrouping: { kind: 'forgetGrouping', name: 'second' },
  setTopics: {
    kind: 'setTopics',
    change: { count: 5, asWritten: true, leftOut: ['a'], own: [['b', 'c']], names: { b: 'x' } },
  },
  joinGroups: { kind: 'joinGroups', attribute: 'role', values: ['driver', 'depot'], name: 'staff' },
  partGroup: { kind: 'partGroup', attribute: 'role', name: 'others' },
  leaveOutGroups: { kind: 'leaveOutGroups', attribute: 'role', values: ['visitor'] },
  orderGroups: { kind: 'orderGroups', attribute: 'role', values: ['staff', 'resident'] },
  addToneList: { kind: 'addToneList', name: 'fear', entries: [['afraid of', 'fear', 1.5]] },
  removeToneList: { kind: 'removeToneList', name: 'joy' },
  pinConcept: { kind: 'pinConcept', key: 'rain', at: [12.5, 300] },
  unpinConcepts: { kind: 'unpinConcepts', keys: ['wind'] },
  setPseudonyms: { kind: 'setPseudonyms', change: { Ada: 'Bea', Bo: '' } },
  setMap: { kind: 'setMap', change: map },
  setCompare: { kind: 'setCompare', change: compare },
  applyRecipe: {
    kind: 'applyRecipe',
    recipe: recipeOf(foldDecisions({ records: [], head: 0, tip: 0 })),
  },
  removeAttribute: { kind: 'removeAttribute', attribute: 'place' },
  removeSources: { kind: 'removeSources', ids: ['gone'] },
};
