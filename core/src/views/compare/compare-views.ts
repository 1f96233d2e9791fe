import { isBeyondChance } from '../../base/beyond-chance.ts';
import { finerPeriod, longerPeriod, periodOf, spanOf } from '../../base/periods.ts';
import { TENTHS, tenthsOf } from '../../compare/course.ts';
import { profilesOf } from '../../compare/profiles.ts';
import { eachRowSpoken, strengthOfRows } from '../../compare/rows.ts';
import { compareGroups, voicedStrength } from '../../compare/strength.ts';
import type { SourceStrength } from '../../compare/source-strength.ts';
import { strengthOverTime } from '../../compare/time.ts';
import { typicalStretches } from '../../compare/typical.ts';
import { addSources, contrastSides, emptySide } from '../../concepts/distinct.ts';
import { idsOf } from '../../engine/stage-keys.ts';
import { mentionsThatCount } from '../../network/stretches.ts';
import { comparedAttribute, attributeValues, type ComparedGroups } from '../../study/groups.ts';
import { fittingPeriod, grainOf } from '../../study/bands.ts';
import { workingSources } from '../../study/subset.ts';
import { readDate } from '../../text/dates.ts';
import { sentenceAt, wordsPerSource } from '../../text/tokens.ts';
import { firstAtLeast } from '../../base/order.ts';
import type {
  ApartQuestion,
  ApartRow,
  ApartView,
  CompareView,
  CourseView,
  OverTimeQuestion,
  OverTimeView,
  ProfilesView,
  RowsAsked,
  TypicalPassage,
  TypicalView,
} from './compare-view-types.ts';
import { countRows, readForRows, ROW_STAGES, rowsOf } from './compared-rows.ts';
import { reads, type View, type ViewMakers } from '../view.ts';

/** The views of Compare. */
export interface CompareViews {
  compare: View<{ readonly rows: RowsAsked }, CompareView>;
  overTime: View<OverTimeQuestion, OverTimeView>;
  apart: View<ApartQuestion, ApartView>;
  course: View<{ readonly rows: RowsAsked }, CourseView>;
  profiles: View<null, ProfilesView>;
  /** Typical passages of a theme, in all sources or in each group compared. */
  typical: View<{ readonly letter: string; readonly byGroup: boolean; readonly limit: number }, TypicalView>;
}

export const COMPARE_KEYS = {
  compare: reads([...ROW_STAGES, 'comparison'], (state) => ({
    ...readForRows(state),
    attribute: comparedAttribute(state),
  })),
  overTime: reads(ROW_STAGES, (state, { dates }: OverTimeQuestion) => ({
    ...readForRows(state),
    dates: attributeValues(workingSources(state), dates),
    order: state.settings.sources.dateOrder ?? 'dmy',
  })),
  apart: reads(ROW_STAGES, readForRows),
  course: reads(ROW_STAGES, readForRows),
  profiles: reads(ROW_STAGES, (state) => ({ ...readForRows(state), ids: idsOf(workingSources(state)) })),
  typical: reads([...ROW_STAGES, 'graph'], (state) => ({
    ...readForRows(state),
    ids: idsOf(workingSources(state)),
  })),
};

const ALL = 'all';

export const COMPARE_VIEWS: ViewMakers<CompareViews, typeof COMPARE_KEYS> = {
  *compare({ rows: asked }, context) {
    const { take, own } = context;
    const { names, groupOf, within, leftOut } = own.groups;
    const { named, strength } = yield* countRows(asked, context);
    const comparison =
      asked.kind === 'themes'
        ? yield* take('comparison')
        : compareGroups(strength, groupOf, names, own.seed, own.personOf);
    const { source } = yield* take('stretches');
    let windows = 0;
    for (const s of source) if (groupOf[s] < 0) windows++;
    return {
      attribute: own.attribute,
      rows: named,
      comparison,
      within,
      without: { sources: groupOf.filter((g) => g < 0).length, windows },
      leftOut,
    };
  },

  *overTime({ rows: asked, span, period, byGroup }, context) {
    const { own } = context;
    const { named, strength } = yield* countRows(asked, context);
    const inSpan = span === '' ? undefined : spanOf(span);
    const read = own.dates.map((value) => {
      const date = readDate(value, own.order);
      return date !== undefined && (!inSpan || periodOf(date.date, inSpan) === span) ? date : undefined;
    });
    const dated = read.filter((date) => date !== undefined);
    const days = read.map((date) => date?.date);
    const given = dated.map(({ date }) => date).sort();
    const grain = grainOf(dated);
    // A year can't be looked into by months where years are all that is known.
    const fitting = longerPeriod(
      period ?? (inSpan ? finerPeriod(inSpan) : given.length > 0 ? fittingPeriod(dated) : 'month'),
      grain,
    );
    // Within a span only its own sources are looked at; elsewhere those without a date are told.
    const isAsked = (s: number): boolean => !inSpan || days[s] !== undefined;
    const groups = byGroup
      ? { names: own.groups.names, groupOf: own.groups.groupOf.map((g, s) => (isAsked(s) ? g : -1)) }
      : { names: [ALL], groupOf: days.map((_, s) => (isAsked(s) ? 0 : -1)) };
    return {
      ...strengthOverTime(strength, days, { ...groups, personOf: own.personOf }, fitting, own.seed),
      rows: named,
      within: byGroup ? own.groups.within : [undefined],
      from: given[0] ?? '',
      to: given[given.length - 1] ?? '',
      grain,
    };
  },

  *apart({ group, against, of, letter, limit }, { take, own }) {
    const concepts = yield* take('concepts');
    const themes = yield* take('themes');
    const links = yield* take('links');
    const spoken = yield* take('spoken');
    const stretches = yield* take('stretches');
    const tokens = yield* take('tokens');
    const { names, groupOf, within } = own.groups;
    const [first, second] = [names.indexOf(group), against === null ? -1 : names.indexOf(against)];
    const asked: RowsAsked =
      of === 'links'
        ? { kind: 'links' }
        : letter === ''
          ? { kind: 'keys', keys: concepts.keys }
          : { kind: 'concepts', letter };
    const { rows, named } = rowsOf(asked, { concepts, themes, links }, own);
    // Of concepts mentions are compared among words, of links stretches with both among stretches.
    const perSource: Map<number, number>[] = groupOf.map(() => new Map());
    const add = (source: number, row: number): void => {
      perSource[source].set(row, (perSource[source].get(row) ?? 0) + 1);
    };
    let room: ArrayLike<number>;
    if (of === 'links') {
      eachRowSpoken(spoken, rows, (w, row) => add(stretches.source[w], row));
      room = strengthOfRows({ spoken, stretches, sources: own.sources }, []).windows;
    } else {
      const rowOf = new Map(rows.map(({ concepts: [concept] }, row) => [concept, row]));
      const { occurrence, occurrenceFirst } = mentionsThatCount(concepts, tokens, own.stretching);
      const starts = tokens.sourceFirst.map((sentence) => tokens.sentenceFirst[sentence]);
      let source = 0;
      for (let i = 0; i < occurrence.length; i++) {
        while (source + 1 < starts.length - 1 && starts[source + 1] <= occurrenceFirst[i]) source++;
        const row = rowOf.get(occurrence[i]);
        if (row !== undefined) add(source, row);
      }
      room = wordsPerSource(tokens);
    }
    const [here, there] = [emptySide(rows.length), emptySide(rows.length)];
    const sides = groupOf.map((g) => {
      const isRest = against === null ? g !== first : g === second;
      return g === first ? here : isRest && g >= 0 ? there : undefined;
    });
    addSources(sides, { mentions: perSource, words: room }, own.personOf);
    const { logOdds, low, high, z, q } = contrastSides(here, there);
    const all = named.map((row, i): ApartRow => ({
      ...row,
      logOdds: logOdds[i],
      low: low[i],
      high: high[i],
      z: z[i],
      q: q[i],
      here: here.mentions[i],
      there: there.mentions[i],
    }));
    const byZ = (sign: 1 | -1): ApartRow[] =>
      all
        .filter((row) => sign * row.z > 0)
        .sort((a, b) => sign * (b.z - a.z) || b.here + b.there - a.here - a.there)
        .slice(0, limit);
    const [more, less] = [byZ(1), byZ(-1)];
    return {
      looked: all.length,
      beyond: q.filter(isBeyondChance).length,
      rows: [...more, ...less.reverse()],
      within: within[first],
      against: second < 0 ? undefined : within[second],
      sources: [here.sources, there.sources],
    };
  },

  *course({ rows: asked }, context) {
    const { take, own } = context;
    const { rows, named } = yield* countRows(asked, context);
    const spoken = yield* take('spoken');
    const stretches = yield* take('stretches');
    const tenth = tenthsOf(stretches);
    const { names, groupOf, within } = own.groups;
    const width = rows.length;
    const parts = Array.from({ length: TENTHS }, (): SourceStrength => ({
      windows: new Int32Array(own.sources),
      speaking: new Int32Array(own.sources * width),
      rowCount: width,
      overlap: 1,
    }));
    for (let w = 0; w < stretches.count; w++) parts[tenth[w]].windows[stretches.source[w]]++;
    eachRowSpoken(spoken, rows, (w, row) => parts[tenth[w]].speaking[stretches.source[w] * width + row]++);
    const members = names.map((_, g) => groupOf.flatMap((each, s) => (each === g ? [s] : [])));
    return {
      rows: named,
      tenths: parts.map((part) =>
        names.map((name, g) => voicedStrength(part, members[g], name, own.personOf)),
      ),
      within,
    };
  },

  *profiles(_, context) {
    const { own } = context;
    const { named, strength } = yield* countRows({ kind: 'themes' }, context);
    const { groups, groupOf } = groupsOfProfiles(own.groups);
    return {
      rows: named,
      sourceIds: own.ids,
      groups,
      groupOf,
      ...profilesOf(strength, groupOf, groups.length),
    };
  },

  *typical({ letter, byGroup, limit }, { take, own, original }) {
    const concepts = yield* take('concepts');
    const { themes, themeOf } = yield* take('themes');
    const graph = yield* take('graph');
    const stretches = yield* take('stretches');
    const tokens = yield* take('tokens');
    const spoken = yield* take('spoken');
    const theme = themes.findIndex((each) => each.letter === letter);
    const inTheme = Uint8Array.from(themeOf, (each) => (each === theme && theme >= 0 ? 1 : 0));
    const { names, groupOf } = own.groups;
    const groups = byGroup
      ? names.map((group, g) => ({ group, isMeant: (s: number): boolean => groupOf[s] === g }))
      : [{ group: ALL, isMeant: (): boolean => true }];
    return {
      groups: groups.map(({ group, isMeant }) => ({
        group,
        passages: typicalStretches(
          { spoken, stretches, graph, inTheme, fewest: own.fewest, isMeant, type: tokens.type },
          limit,
        ).map((w): TypicalPassage => {
          const [first, end] = [
            sentenceAt(tokens, stretches.first[w]),
            sentenceAt(tokens, stretches.end[w] - 1),
          ];
          const marks: TypicalPassage['marks'][number][] = [];
          const until = tokens.sentenceFirst[end + 1];
          for (
            let i = firstAtLeast(concepts.occurrenceFirst, tokens.sentenceFirst[first]);
            i < concepts.occurrence.length && concepts.occurrenceFirst[i] < until;
            i++
          ) {
            if (inTheme[concepts.occurrence[i]] === 0) continue;
            marks.push({
              start: tokens.start[concepts.occurrenceFirst[i]],
              end: tokens.end[concepts.occurrenceEnd[i] - 1],
              key: concepts.keys[concepts.occurrence[i]],
              letter,
            });
          }
          const sourceId = own.ids[stretches.source[w]];
          const [start, stop] = [tokens.sentenceStart[first], tokens.sentenceEnd[end]];
          return {
            sourceId,
            paragraph: tokens.sentenceParagraph[first],
            start,
            end: stop,
            text: original(sourceId).slice(start, stop),
            marks,
          };
        }),
      })),
    };
  },
};

/** The groups whose sources' profiles are shown: with one source each, what it would be compared with is all of them. */
function groupsOfProfiles({ names, groupOf }: ComparedGroups): {
  readonly groups: readonly string[];
  readonly groupOf: readonly number[];
} {
  const grouped = groupOf.filter((group) => group >= 0);
  return grouped.length > 1 && new Set(grouped).size === grouped.length
    ? { groups: ['all sources'], groupOf: groupOf.map((group) => Math.min(group, 0)) }
    : { groups: names, groupOf };
}
