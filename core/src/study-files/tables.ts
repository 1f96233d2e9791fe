import type { Candidates } from '../concepts/candidates.ts';
import type { RedrawnConcepts } from '../concepts/redrawn.ts';
import type { Concepts } from '../concepts/selection.ts';
import type { Comparison, Strength } from '../compare/strength.ts';
import type { ApartView, OverTimeView, ToneView } from '../views/compare/compare-view-types.ts';
import { MEASURED, type Links } from '../network/links.ts';
import { roundedMeasures } from '../views/concepts/table-views.ts';
import { bandOf } from '../themes/bands.ts';
import { type Resampled } from '../themes/resample.ts';
import type { Themes } from '../themes/themes.ts';
import { tableNumber, writeCsv } from '../formats/csv.ts';

/** concepts.csv: the chosen concepts with their figures, in order of their score. */
export function conceptsTable(
  labels: readonly string[],
  concepts: Concepts,
  candidates: Candidates,
  themes: Themes,
  { redrawn, resampled }: { readonly redrawn: RedrawnConcepts; readonly resampled: Resampled },
): string {
  return writeCsv(
    ['concept', 'mentions', 'sources', 'spread', 'pull', 'theme', 'steadiness', 'chosen_in'],
    labels.map((label, i) => {
      const c = concepts.candidate[i];
      const theme = themes.themeOf[i];
      return [
        label,
        concepts.mentions[i],
        concepts.sources[i],
        tableNumber(candidates.spread[c]),
        tableNumber(candidates.pull[c]),
        theme < 0 ? '' : themes.themes[theme].letter,
        theme < 0 || resampled.draws === 0 ? '' : tableNumber(resampled.together[i]),
        redrawn.draws.length === 0 ? '' : tableNumber(redrawn.share[c]),
      ];
    }),
  );
}

/** links.csv: the links that stand, strongest first. */
export function linksTable(labels: readonly string[], links: Links): string {
  return writeCsv(
    [
      'source',
      'target',
      'windows_both',
      'meetings',
      'sources',
      ...MEASURED,
      'p',
      'q',
      'q_sources',
      'beyond_chance',
    ],
    Array.from({ length: links.standing }, (_, i) => {
      const measured = roundedMeasures(links, i);
      return [
        labels[links.source[i]],
        labels[links.target[i]],
        links.both[i],
        links.meetings[i],
        links.sources[i],
        ...MEASURED.map((name) => measured[name]),
        tableNumber(links.p[i]),
        tableNumber(links.q[i]),
        tableNumber(links.qBetween[i]),
        links.beyond[i] === 1 ? 'by meetings' : 'by sources',
      ];
    }),
  );
}

/** themes.csv: themes by falling share, their concepts with semicolons. */
export function themesTable(labels: readonly string[], themes: Themes, resampled: Resampled): string {
  return writeCsv(
    ['theme', 'label', 'concepts', 'share', 'overlap', 'comes_back', 'comes_back_in'],
    themes.themes.map((theme, t) => [
      theme.letter,
      theme.label,
      theme.concepts.map((concept) => labels[concept]).join('; '),
      tableNumber(theme.share),
      resampled.draws > 0 ? tableNumber(resampled.overlap[t]) : '',
      ...(resampled.draws > 0
        ? [bandOf(resampled.comesBack[t]), tableNumber(resampled.comesBack[t])]
        : ['', '']),
    ]),
  );
}

/** strength.csv: strength of every theme in every group of each attribute. */
export function strengthTable(
  comparisons: readonly { readonly attribute: string; readonly comparison: Comparison }[],
  themes: Themes,
): string {
  return writeCsv(
    [
      'attribute',
      'group',
      'theme',
      'share',
      'low',
      'high',
      'windows',
      'speaking',
      'sources_speaking',
      'sources',
      'q',
    ],
    comparisons.flatMap(({ attribute, comparison }) =>
      comparison.groups.flatMap((group) =>
        group.strengths.map((strength, theme) => [
          attribute,
          group.group,
          themes.themes[theme].letter,
          ...interval(strength),
          group.windows,
          strength.speaking,
          strength.sources,
          group.sources,
          tableNumber(comparison.q[theme]),
        ]),
      ),
    ),
  );
}

const interval = ({ share, low, high }: Pick<Strength, 'share' | 'low' | 'high'>): number[] =>
  [share, low, high].map(tableNumber);

/** apart.csv: what sets each group of each attribute apart from all others, by concept. */
export function apartTable(
  groups: readonly { readonly attribute: string; readonly group: string; readonly view: ApartView }[],
): string {
  return writeCsv(
    ['attribute', 'group', 'concept', 'log_odds', 'low', 'high', 'z', 'q', 'mentions', 'mentions_elsewhere'],
    groups.flatMap(({ attribute, group, view }) =>
      view.rows.map(({ label, logOdds, low, high, z, q, here, there }) => [
        attribute,
        group,
        label,
        ...[logOdds, low, high, z, q].map(tableNumber),
        here,
        there,
      ]),
    ),
  );
}

/** time.csv: strength of every theme by period, for each attribute that holds dates. */
export function timeTable(
  courses: readonly { readonly attribute: string; readonly view: OverTimeView }[],
): string {
  return writeCsv(
    [
      'attribute',
      'period',
      'theme',
      'share',
      'low',
      'high',
      'windows',
      'sources',
      'mean',
      'change',
      'change_q',
    ],
    courses.flatMap(({ attribute, view: { rows, periods, courses: lines } }) =>
      lines.flatMap((line) =>
        periods.flatMap((period, p) =>
          line.periods[p].strengths.map((strength, r) => [
            attribute,
            period,
            rows[r].letter,
            ...interval(strength),
            line.periods[p].windows,
            line.periods[p].sources,
            tableNumber(line.mean[r].share),
            ...(line.trends.length > 0
              ? [tableNumber(line.trends[r].change), tableNumber(line.trends[r].q)]
              : ['', '']),
          ]),
        ),
      ),
    ),
  );
}

/** tone.csv: how passages of every theme sound in each group, by every list; the theme is empty for all that is said. */
export function toneTable(
  tones: readonly { readonly attribute: string; readonly list: string; readonly view: ToneView }[],
): string {
  return writeCsv(
    ['attribute', 'group', 'theme', 'list', 'aspect', 'share', 'low', 'high', 'windows'],
    tones.flatMap(({ attribute, list, view: { themes, aspects } }) =>
      themes.flatMap(({ letter, comparison }) =>
        comparison.groups.flatMap(({ group, strengths, windows }) =>
          aspects.map((aspect, a) => [
            attribute,
            group,
            letter,
            list,
            aspect,
            ...interval(strengths[a]),
            windows,
          ]),
        ),
      ),
    ),
  );
}
