import type { WordKind } from '../text/parts-of-speech.ts';
import type { Decision } from '../study/decisions.ts';

const KIND_WORDS: Readonly<Record<WordKind, string>> = {
  noun: 'a noun',
  verb: 'a verb',
  adjective: 'an adjective',
  other: 'none of these',
  name: 'a name',
};

/** A decision in a few words, for the undo button and the record. */
export function describeDecision(decision: Decision): string {
  const list = (keys: readonly string[]): string =>
    keys.length <= 3 ? keys.join(', ') : `${keys.slice(0, 2).join(', ')} and ${keys.length - 2} more`;
  switch (decision.kind) {
    case 'renameStudy':
      return `name the study ${decision.title}`;
    case 'addSources':
      return decision.sources.length === 1
        ? `add ${decision.sources[0].name}`
        : `add ${decision.sources.length} sources`;
    case 'removeSources':
      return `remove ${decision.ids.length} ${decision.ids.length === 1 ? 'source' : 'sources'}`;
    case 'setAttribute':
      return `set ${decision.attribute}`;
    case 'splitSources': {
      const lists = Object.values(decision.parts);
      const parts = lists.reduce((sum, list) => sum + list.length, 0);
      return `split ${lists.length === 1 ? 'a source' : `${lists.length} sources`} into ${parts}`;
    }
    case 'setCuts': {
      const count = Object.keys(decision.cuts).length;
      return `trim ${count} ${count === 1 ? 'source' : 'sources'}`;
    }
    case 'setValues':
      return `set ${list(Object.keys(decision.values))}`;
    case 'setAttributeType':
      return `read ${decision.attribute} as ${decision.type}`;
    case 'renameAttribute':
      return `call ${decision.attribute} ${decision.name}`;
    case 'removeAttribute':
      return `remove the attribute ${decision.attribute}`;
    case 'setSources':
      return decision.change.subset ? 'change the subset' : 'say how dates are written';
    case 'keepSubset':
      return `keep the subset ${decision.name}`;
    case 'forgetSubset':
      return `forget the subset ${decision.name}`;
    case 'applyRecipe':
      return 'use a recipe';
    case 'setSpeakers':
      return decision.change.leftOut ? 'change who is left out' : 'give speakers roles';
    case 'setCleaning':
      return decision.what;
    case 'setConcepts':
      return 'change how concepts are chosen';
    case 'keepConcepts':
      return `keep ${list(decision.keys)}`;
    case 'dropConcepts':
      return `drop ${list(decision.keys)}`;
    case 'leaveConcepts':
      return `leave ${list(decision.keys)} to the selection`;
    case 'addStopWords':
      return `stop ${list(decision.words)}`;
    case 'neverShow':
      return `never show ${list([...decision.words, ...decision.phrases])}`;
    case 'removeStopWords':
      return `take ${list(decision.words)} off the stop list`;
    case 'allowWords':
      return `let ${list(decision.words)} back in`;
    case 'stopAllowing':
      return `leave ${list(decision.words)} to the stop list`;
    case 'setWordKind':
      return decision.as === null
        ? `leave what ${list(decision.words)} is to what was found`
        : `take ${list(decision.words)} for ${KIND_WORDS[decision.as]}`;
    case 'mergeConcepts':
      return `merge ${list(decision.keys)} into ${decision.into}`;
    case 'mergeMany':
      return `merge by a list of ${decision.groups.length}`;
    case 'refuseMerge':
      return `keep ${decision.keys[0]} and ${decision.keys[1]} apart`;
    case 'splitConcept':
      return `split ${decision.key}`;
    case 'renameConcept':
      return `call ${decision.key} ${decision.label}`;
    case 'setWindows':
      return 'change the window';
    case 'setLinks':
      return 'change what makes a link';
    case 'setThemes':
      return 'change the grouping';
    case 'renameTheme':
      return `name theme ${decision.letter}`;
    case 'setMap':
      return 'change the map';
    case 'setCompare':
      return 'change the comparison';
  }
}
