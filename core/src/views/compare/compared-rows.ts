import { ranked } from '../../base/order.ts';
import { measureRows, type Row, type RowKind } from '../../compare/rows.ts';
import type { SourceStrength } from '../../compare/source-strength.ts';
import type { Concepts } from '../../concepts/selection.ts';
import { conceptLabels } from '../../engine/resources.ts';
import { fewestInStretch, stretchSettings } from '../../engine/stage-keys.ts';
import type { Links } from '../../network/links.ts';
import { mentionsThatCount } from '../../network/stretches.ts';
import type { Stepwise } from '../../base/stepwise.ts';
import { comparedGroups } from '../../study/groups.ts';
import type { StudyState } from '../../study/study.ts';
import { personsOf, workingSources } from '../../study/subset.ts';
import type { Themes } from '../../themes/themes.ts';
import type { ComparedRow, RowsAsked } from './compare-view-types.ts';
import type { ViewContext } from '../view.ts';

/** Rows that are shown of the most mentioned concepts, and of the strongest links. */
const MOST_CONCEPTS = 40;
const MOST_LINKS = 60;

/** Stages that rows are counted from. */
export const ROW_STAGES = ['tokens', 'concepts', 'links', 'themes', 'spoken', 'stretches'] as const;

/** What is read of a study for rows and the groups they are compared in. */
export const readForRows = (state: StudyState) => ({
  labels: state.conceptLabels,
  fewest: fewestInStretch(state),
  measure: state.settings.compare.measure,
  sources: workingSources(state).length,
  seed: state.settings.themes.seed,
  groups: comparedGroups(state),
  personOf: personsOf(state),
  stretching: stretchSettings(state),
});
type RowContext = Pick<
  ViewContext<(typeof ROW_STAGES)[number], ReturnType<typeof readForRows>>,
  'take' | 'own'
>;

/** The rows asked for, with what they are called. */
export function rowsOf(
  asked: RowsAsked,
  { concepts, themes, links }: { concepts: Concepts; themes: Themes; links: Links },
  { labels: given, fewest }: { readonly labels: StudyState['conceptLabels']; readonly fewest: number },
): { rows: Row[]; named: ComparedRow[] } {
  if (asked.kind === 'themes') {
    return {
      rows: themes.themes.map((theme) => ({ concepts: theme.concepts, fewest })),
      named: themes.themes.map(({ letter, label }) => ({ letter, label, keys: [] })),
    };
  }
  const labels = conceptLabels(given, concepts);
  const letterOf = (i: number): string =>
    themes.themeOf[i] < 0 ? '' : themes.themes[themes.themeOf[i]].letter;
  if (asked.kind === 'links') {
    const shown = [...Array(Math.min(MOST_LINKS, links.standing)).keys()];
    const ends = shown.map((i): [number, number] => [links.source[i], links.target[i]]);
    return {
      rows: ends.map((both) => ({ concepts: both, fewest: 2 })),
      named: ends.map(([a, b]) => ({
        letter: letterOf(a) === letterOf(b) ? letterOf(a) : '',
        label: `${labels[a]} — ${labels[b]}`,
        keys: [concepts.keys[a], concepts.keys[b]],
      })),
    };
  }
  const chosen =
    asked.kind === 'keys'
      ? asked.keys.map((key) => concepts.keys.indexOf(key)).filter((i) => i >= 0)
      : asked.letter === ''
        ? ranked(concepts.keys.length, (i) => concepts.mentions[i]).slice(0, MOST_CONCEPTS)
        : (themes.themes.find(({ letter }) => letter === asked.letter)?.concepts ?? []);
  return {
    rows: chosen.map((i) => ({ concepts: [i], fewest: 1 })),
    named: chosen.map((i) => ({ letter: letterOf(i), label: labels[i], keys: [concepts.keys[i]] })),
  };
}

/** The rows asked for, counted source by source. */
export function* countRows(
  asked: RowsAsked,
  { take, own }: RowContext,
): Stepwise<{ rows: Row[]; named: ComparedRow[]; strength: SourceStrength }> {
  const concepts = yield* take('concepts');
  const themes = yield* take('themes');
  const links = yield* take('links');
  const spoken = yield* take('spoken');
  const stretches = yield* take('stretches');
  const tokens = yield* take('tokens');
  const { rows, named } = rowsOf(asked, { concepts, themes, links }, own);
  const of: RowKind = asked.kind === 'links' || asked.kind === 'themes' ? asked.kind : 'concepts';
  const strength = measureRows(
    { spoken, stretches, sources: own.sources },
    rows,
    { of, measure: own.measure },
    () => mentionsThatCount(concepts, tokens, own.stretching),
  );
  return { rows, named, strength };
}
