import { NETWORK_FORMAT_NAMES, type NetworkFormat } from '@green-thicket/core/formats/write/network-write';
import { ownValue } from '@green-thicket/core/base/records';
import { allLists } from '@green-thicket/core/compare/tone-lists';
import { decide } from '@green-thicket/core/study/decisions';
import { attributeNames, comparedGroups } from '@green-thicket/core/study/groups';
import { shownSources } from '@green-thicket/core/study/subset';
import { publishedTone, type Ask, type ComputingWith } from './ask.ts';

/** An attribute of more values tells no groups to set apart or to listen to. */
const MOST_GROUPS = 30;
const THEMES = { kind: 'themes' } as const;

/** What sets groups apart, strength over time and tone, for every attribute: what Compare shows of each. */
export function furtherComparisons({ input: { state }, say }: ComputingWith, ask: Ask) {
  const names = attributeNames(shownSources(state));
  say('Comparing over time, by words and by tone …');
  const overTime = names
    .filter((name) => ownValue(state.attributeTypes, name) === 'date')
    .map((attribute) => ({
      attribute,
      view: ask('overTime', { rows: THEMES, dates: attribute, span: '', period: null, byGroup: false }),
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
  const lists = allLists(publishedTone(), state.toneLists).map(({ name }) => name);
  const tones = grouped.flatMap(({ attribute, of }) =>
    lists.map((list) => ({ attribute, list, view: ask('tone', { list }, of) })),
  );
  const networks = Object.fromEntries(
    NETWORK_FORMAT_NAMES.map((as) => [`network.${as}`, ask('networkFile', { as }).bytes]),
  ) as Record<`network.${NetworkFormat}`, Uint8Array>;
  return { apart, overTime, tones, networks };
}
