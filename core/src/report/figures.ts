import { isBeyondChance } from '../base/beyond-chance.ts';
import { doByKind, type ByKind } from '../base/by-kind.ts';
import { largest } from '../base/extent.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { renderComparison } from '../compare/render.ts';
import type { Comparison } from '../compare/strength.ts';
import { tableNumber } from '../formats/csv.ts';
import { renderMap } from '../map/render.ts';
import { renderDispersion } from '../reading/render.ts';
import { MEASURES } from '../network/measures.ts';
import { comparedAttribute } from '../study/groups.ts';
import type { StudyState } from '../study/study.ts';
import { networkInForce } from '../study/in-force.ts';
import { inShownOrder, shownRanks, workingSources } from '../study/subset.ts';
import { methodSentences, sentenceText } from '../words/sentences.ts';
import { STEADY_UNKNOWN } from '../words/figure-sentences.ts';
import {
  FIGURE_WORDS,
  firstOf,
  restsOn,
  shareInReport,
  shareWithInterval,
  takeNoPart,
  trendText,
} from '../words/report-sentences.ts';
import type { Figure, FigureQuestion } from '../views/report/figure-types.ts';
import type { ApartRow, ComparedRow, RowsAsked } from '../views/compare/compare-view-types.ts';
import type { AskView } from '../views/asked.ts';

/** Rows of a table that is kept or printed, at most. */
const MOST_ROWS = 60;
const MOST_LINES = 200;
/** Characters on each side of a line of a concordance. */
const CONTEXT = 60;

/** A number as it is printed. */
const rounded = (value: number, digits = 2): number => Number(value.toFixed(digits));
const rowName = ({ letter, label, keys }: ComparedRow): string =>
  keys.length === 0 && letter !== '' ? `${letter} ${label}` : label;

/** Rows that are listed where none is beyond chance. */
const NEAREST = 6;
/** The rows that are least likely by chance, in the order they have. */
function nearestRows(rows: readonly ApartRow[]): readonly ApartRow[] {
  const nearest = [...rows].sort((a, b) => a.q - b.q || Math.abs(b.z) - Math.abs(a.z)).slice(0, NEAREST);
  return rows.filter((row) => nearest.includes(row));
}

/** What the first column of a comparison holds. */
const whatIsCompared = ({ kind }: RowsAsked): string =>
  kind === 'themes' ? 'theme' : kind === 'links' ? 'link' : 'concept';

const MAKERS: ByKind<FigureQuestion, Stepwise<Figure>, [state: StudyState, ask: AskView, most: number]> = {
  *sources(_, state, ask, most) {
    const attribute = comparedAttribute(state);
    const { rows, all } = yield* ask('plainCounts', { attribute: attribute ?? null });
    return {
      title: FIGURE_WORDS.sourcesTitle(attribute),
      note: `${FIGURE_WORDS.sourcesNote(workingSources(state).length, all.words)}${firstOf(Math.max(most, MOST_LINES), rows.length, 'row')}`,
      table: {
        head: [attribute ?? 'source', 'sources', 'words', 'sentences'],
        rows: [...rows.slice(0, Math.max(most, MOST_LINES)), all].map((row) => [
          row.name,
          row.sources,
          row.words,
          row.sentences,
        ]),
      },
    };
  },

  *concepts(_, state, ask, most) {
    const { rows } = yield* ask('concepts', null);
    const chosen = rows.filter(({ status }) => status === 'chosen' || status === 'kept');
    return {
      title: 'Concepts',
      note: `${sentenceText(methodSentences(state).concepts)}${firstOf(most, chosen.length, 'concept')}`,
      table: {
        head: ['concept', 'mentions', 'sources', 'spread', 'pull', 'variants'],
        rows: chosen
          .slice(0, most)
          .map(({ label, mentions, sources, spread, pull, variants }) => [
            label,
            mentions,
            sources,
            rounded(spread),
            rounded(pull),
            variants.map(({ key }) => key).join(', '),
          ]),
      },
    };
  },

  *links(_, state, ask, most) {
    const { rows, standing } = yield* ask('links', { concept: null, limit: most });
    const shown = rows.filter(({ stands }) => stands);
    const measure = MEASURES[state.settings.links.measure].name;
    if (networkInForce(state))
      return {
        title: 'Links',
        note: `${sentenceText(methodSentences(state).links)}${firstOf(shown.length, standing, 'link')}`,
        table: {
          head: ['concept', 'and', 'weight'],
          rows: shown.map((row) => [row.sourceLabel, row.targetLabel, tableNumber(row.strength)]),
        },
      };
    return {
      title: 'Links',
      note: `${sentenceText(methodSentences(state).links)}${firstOf(shown.length, standing, 'link')}`,
      table: {
        head: ['concept', 'and', measure, 'windows with both', 'meetings', 'sources', 'q'],
        rows: shown.map((row) => [
          row.sourceLabel,
          row.targetLabel,
          rounded(row.strength),
          row.both,
          row.meetings,
          row.sources,
          rounded(row.beyond === 'sources' ? row.qBetween : row.q, 4),
        ]),
      },
    };
  },

  *company({ key }, state, ask) {
    const { label, windows, sources, rows } = yield* ask('company', { concept: key, limit: MOST_ROWS });
    return {
      title: `The company of ${label}`,
      note: `${FIGURE_WORDS.companyNote(label, windows, sources)} ${sentenceText(methodSentences(state).links)}`,
      table: {
        head: ['concept', 'windows with both', 'sources', 'share', 'by chance', 'NPMI', 'stands'],
        rows: rows.map((row) => [
          row.label,
          row.both,
          row.sources,
          shareWithInterval(row),
          shareInReport(row.expected),
          rounded(row.npmi),
          row.stands ? 'yes' : 'no',
        ]),
      },
    };
  },

  *themes(_, state, ask) {
    const { themes, resolution } = yield* ask('themes', null);
    const steady = yield* ask('steadiness', null);
    const network = networkInForce(state);
    const bandOf = new Map(steady.themes.map(({ letter, band }) => [letter, band]));
    return {
      title: 'Themes',
      note: [
        sentenceText(methodSentences(state, { resolution }).themes),
        ...(steady.draws > 0 ? [FIGURE_WORDS.drawnAnew(steady.draws)] : network ? [] : [STEADY_UNKNOWN]),
      ].join(' '),
      table: {
        head: [
          'theme',
          'concepts',
          network ? 'share of links’ weight' : 'strength',
          ...(steady.draws > 0 ? ['comes back'] : []),
        ],
        rows: themes.map(({ letter, label, concepts, share }) => [
          `${letter} ${label}`,
          concepts.map((each) => each.label).join(', '),
          shareInReport(share),
          ...(steady.draws > 0 ? [bandOf.get(letter) ?? ''] : []),
        ]),
      },
    };
  },

  *map(_, state, ask) {
    const { scene } = yield* ask('map', null);
    const { themes } = yield* ask('themes', null);
    const names = themes.map(({ letter, label }) => `${letter} ${label}`);
    return {
      title: 'Concept map',
      note: sentenceText(methodSentences(state).map),
      picture: {
        svg: renderMap(scene, FIGURE_WORDS.mapTitle(state.title)),
        alt: FIGURE_WORDS.mapInWords(names),
      },
    };
  },

  *strength({ rows: asked }, state, ask, most) {
    const { rows, comparison, attribute, without } = yield* ask('compare', { rows: asked });
    const title = FIGURE_WORDS.strengthTitle(attribute);
    const order = rows.map((_, i) => i).slice(0, most);
    return {
      title,
      note: `${sentenceText(methodSentences(state, { exact: comparison.exact }).compare)} ${comparisonRestsOn(comparison)}${takeNoPart(without.sources, 'in no group')}`,
      picture: {
        svg: renderComparison(rows, comparison, order, { title, foot: FIGURE_WORDS.strengthFoot }),
        alt: FIGURE_WORDS.strengthInWords(title, rows.length, comparison.groups.length),
      },
      table: {
        head: [whatIsCompared(asked), ...comparison.groups.map(({ group }) => group), 'all', 'q'],
        rows: order.map((row) => [
          rowName(rows[row]),
          ...comparison.groups.map(({ strengths, windows }) =>
            windows === 0 ? '–' : shareWithInterval(strengths[row]),
          ),
          shareInReport(comparison.overall[row]),
          rounded(comparison.q[row], 4),
        ]),
      },
    };
  },

  *time({ asked }, state, ask) {
    const { rows, periods, courses, undated } = yield* ask('overTime', asked);
    return {
      title: FIGURE_WORDS.timeTitle(asked.dates),
      note: `${sentenceText(methodSentences(state).compare)} ${FIGURE_WORDS.timeNote}${takeNoPart(undated, 'without a date')}`,
      table: {
        head: [
          whatIsCompared(asked.rows),
          ...(courses.length > 1 ? ['group'] : []),
          ...periods,
          'all',
          'change',
        ],
        rows: courses.flatMap((course) =>
          rows
            .slice(0, MOST_ROWS)
            .map((row, r) => [
              rowName(row),
              ...(courses.length > 1 ? [course.group] : []),
              ...course.periods.map(({ strengths, windows }) =>
                windows === 0 ? '–' : shareWithInterval(strengths[r]),
              ),
              shareWithInterval(course.mean[r]),
              trendText(course.trends[r]),
            ]),
        ),
      },
    };
  },

  *apart({ asked }, _, ask) {
    const { rows, sources, looked, beyond } = yield* ask('apart', asked);
    const shown = beyond > 0 ? rows.filter(({ q }) => isBeyondChance(q)) : nearestRows(rows);
    const other = asked.against ?? FIGURE_WORDS.allOthers;
    return {
      title: FIGURE_WORDS.apartTitle(asked.group, other),
      note: FIGURE_WORDS.apartNote(asked.group, sources, { looked, beyond }),
      table: {
        head: [
          asked.of === 'links' ? 'link' : 'concept',
          'log-odds',
          '95 % interval',
          'q',
          asked.group,
          other,
        ],
        rows: shown.map(({ label, logOdds, low, high, q, here, there }) => [
          label,
          rounded(logOdds),
          `${rounded(low)} to ${rounded(high)}`,
          rounded(q, 4),
          here,
          there,
        ]),
      },
    };
  },

  *tone({ list }, state, ask) {
    const { themes, aspects, lists } = yield* ask('tone', { list });
    const name = lists.find((each) => each.name === list)?.name ?? lists[0].name;
    const groups = themes[0]?.comparison.groups ?? [];
    return {
      title: FIGURE_WORDS.toneTitle(name),
      note: `${FIGURE_WORDS.toneNote(name, aspects)} ${sentenceText(methodSentences(state).compare)}`,
      table: {
        head: ['theme', 'sounds', ...groups.map(({ group }) => group)],
        rows: themes.flatMap(({ letter, label, comparison }) =>
          aspects.map((aspect, a) => [
            letter === '' ? 'all' : `${letter} ${label}`,
            aspect,
            ...comparison.groups.map(({ strengths }) => shareWithInterval(strengths[a])),
          ]),
        ),
      },
    };
  },

  *concordance({ selection, group }, state, ask) {
    const view = yield* ask('concordance', {
      selection,
      order: 'text',
      context: CONTEXT,
      limit: MOST_LINES,
      group,
    });
    const nameOf = new Map(state.sources.map(({ id, name }) => [id, name]));
    return {
      title: FIGURE_WORDS.concordanceTitle(view.title, group?.value),
      note: `${FIGURE_WORDS.concordanceNote}${firstOf(MOST_LINES, view.total, 'line')}`,
      table: {
        head: ['source', 'left', 'mention', 'right'],
        rows: view.lines.map(({ sourceId, left, hit, right }) => [
          nameOf.get(sourceId) ?? '',
          left,
          hit,
          right,
        ]),
      },
    };
  },

  *dispersion({ selection }, state, ask) {
    const { rows, sourceStarts } = yield* ask('dispersion', { selections: [selection] });
    const sources = workingSources(state);
    const order = inShownOrder(shownRanks(state));
    const title = FIGURE_WORDS.dispersionTitle(rows.map((row) => row.title));
    return {
      title,
      note: FIGURE_WORDS.dispersionNote(sources.length),
      picture: {
        svg: renderDispersion(rows, sourceStarts, title),
        alt: FIGURE_WORDS.dispersionInWords(
          title,
          rows[0]?.total ?? 0,
          rows[0]?.perSource.filter((count) => count > 0).length ?? 0,
        ),
      },
      table: {
        head: ['source', ...rows.map((row) => row.title)],
        rows: order
          .slice(0, MOST_LINES)
          .map((s) => [sources[s].name, ...rows.map(({ perSource }) => perSource[s])]),
      },
    };
  },
};

/** On how much the marks of a comparison stand, and what would have gone unseen. */
const comparisonRestsOn = ({ groups, findable, q }: Comparison): string => {
  const found = findable.filter((each) => each !== undefined);
  return restsOn(groups, { asked: q.length > 0, largest: found.length === 0 ? undefined : largest(found) });
};

/**
 * Makes a figure of a study by asking its views.
 *
 * @param most rows of a table of concepts, links or sources
 */
export const makeFigure = (
  question: FigureQuestion,
  state: StudyState,
  ask: AskView,
  most = MOST_ROWS,
): Stepwise<Figure> => {
  const figure = doByKind(MAKERS, question, state, ask, most);
  if (!figure) throw new Error(`There is no figure of the kind ${question.kind}.`);
  return figure;
};
