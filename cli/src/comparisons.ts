import { ownValue } from '@green-thicket/core/base/records';
import type { Stepwise } from '@green-thicket/core/base/stepwise';
import { allLists, parseToneLists } from '@green-thicket/core/compare/tone-lists';
import type { Engine } from '@green-thicket/core/engine/engine';
import type { Library, StudyInput } from '@green-thicket/core/engine/resources';
import { decide } from '@green-thicket/core/study/decisions';
import { attributeNames, comparedGroups } from '@green-thicket/core/study/groups';
import type { StudyState } from '@green-thicket/core/study/study';
import { workingSources } from '@green-thicket/core/study/subset';
import { parseMeanings } from '@green-thicket/core/text/meanings';
import type { ViewAnswers, ViewName, ViewQuestions } from '@green-thicket/core/views/view-keys';
import { makeView } from '@green-thicket/core/views/views';
import { readLexiconText } from './lexicon-file.ts';

/** An attribute of more values tells no groups to set apart or to listen to. */
const MOST_GROUPS = 30;
const THEMES = { kind: 'themes' } as const;

interface ComparingWith {
  readonly engine: Engine;
  readonly input: StudyInput;
  readonly library: Library;
  readonly run: <T>(what: string, work: Stepwise<T>) => T;
  readonly say: (line: string) => void;
}

/** What sets groups apart, strength over time and tone, for every attribute: what Compare shows of each. */
export function furtherComparisons({ engine, input, library, run, say }: ComparingWith) {
  const { state } = input;
  const tone = parseToneLists(readLexiconText('tone'));
  const views = {
    engine,
    original: library.original,
    lexicon: library.lexicon,
    meanings: () => parseMeanings(''),
    tone: () => tone,
  };
  const ask = <V extends ViewName>(view: V, question: ViewQuestions[V], of: StudyState): ViewAnswers[V] =>
    run('', makeView(view, question, { ...input, state: of }, views));
  const names = attributeNames(workingSources(state));
  say('Comparing over time, by words and by tone …');
  const overTime = names
    .filter((name) => ownValue(state.attributeTypes, name) === 'date')
    .map((attribute) => ({
      attribute,
      view: ask(
        'overTime',
        { rows: THEMES, dates: attribute, span: '', period: null, byGroup: false },
        state,
      ),
    }));
  const grouped = names
    .map((attribute) => ({
      attribute,
      of: decide(state, {
        kind: 'setCompare',
        change: { columns: 'attribute', attribute, across: '' },
      }),
    }))
    .map((each) => ({ ...each, groups: comparedGroups(each.of).names }))
    .filter(({ groups }) => groups.length >= 2 && groups.length <= MOST_GROUPS);
  const apart = grouped.flatMap(({ attribute, of, groups }) =>
    groups.map((group) => ({
      attribute,
      group,
      view: ask('apart', { group, against: null, of: 'concepts', letter: '', limit: 2000 }, of),
    })),
  );
  const lists = allLists(tone, state.toneLists).map(({ name }) => name);
  const tones = grouped.flatMap(({ attribute, of }) =>
    lists.map((list) => ({ attribute, list, view: ask('tone', { list }, of) })),
  );
  const network = (as: 'graphml' | 'json'): Uint8Array => ask('networkFile', { as }, state).bytes;
  return { apart, overTime, tones, network };
}
