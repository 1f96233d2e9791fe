import { doByKind, type ByKind } from '../base/by-kind.ts';
import { largest } from '../base/extent.ts';
import { counted, inFigures, listed, percent, pointsText } from '../base/wording.ts';
import type { Stepwise } from '../base/stepwise.ts';
import { renderComparison } from '../compare/render.ts';
import type { Comparison, Strength } from '../compare/strength.ts';
import type { Trend } from '../compare/time.ts';
import { tableNumber } from '../formats/csv.ts';
import { paragraph, type Block } from '../formats/write/document.ts';
import { safeDrawing } from '../formats/drawing.ts';
import { renderMap } from '../map/render.ts';
import { renderDispersion } from '../reading/render.ts';
import { MEASURES } from '../network/measures.ts';
import { comparedAttribute } from '../study/groups.ts';
import type { StudyState } from '../study/study.ts';
import { networkInForce } from '../study/in-force.ts';
import { inShownOrder, shownRanks, workingSources } from '../study/subset.ts';
import { methodSentences, sentenceText } from '../words/sentences.ts';
import { STEADY_UNKNOWN } from '../words/figure-sentences.ts';
import type { Figure, FigureQuestion } from '../views/report/figure-types.ts';
import type { ComparedRow, RowsAsked } from '../views/compare/compare-view-types.ts';
import type { AskView } from '../views/asked.ts';

/** Rows of a table that is kept or printed, at most. */
const MOST_ROWS = 60;
const MOST_LINES = 200;
/** Characters on each side of a line of a concordance. */
const CONTEXT = 60;

/** A number as it is printed. */
const rounded = (value: number, digits = 2): number => Number(value.toFixed(digits));
const inPercent = (share: number): string => percent(share, share < 0.1 ? 1 : 0);
/** A share with its interval. */
export const withInterval = ({ share, low, high }: Pick<Strength, 'share' | 'low' | 'high'>): string =>
  `${inPercent(share)} (${inPercent(low)} to ${inPercent(high)})`;
const rowName = ({ letter, label, keys }: ComparedRow): string =>
  keys.length === 0 && letter !== '' ? `${letter} ${label}` : label;
const shortened = (shown: number, total: number, what: string): string =>
  shown < total ? ` The first ${inFigures(shown)} of ${counted(total, what)}.` : '';

/** What the first column of a comparison holds. */
const whatIsCompared = ({ kind }: RowsAsked): string =>
  kind === 'themes' ? 'theme' : kind === 'links' ? 'link' : 'concept';

const MAKERS: ByKind<FigureQuestion, Stepwise<Figure>, [state: StudyState, ask: AskView, most: number]> = {
  *sources(_, state, ask, most) {
    const attribute = comparedAttribute(state);
    const { rows, all } = yield* ask('plainCounts', { attribute: attribute ?? null });
    return {
      title: attribute === undefined ? 'Sources' : `Sources by ${attribute}`,
      note: `${counted(workingSources(state).length, 'source')} of ${counted(all.words, 'word')}.${shortened(Math.max(most, MOST_LINES), rows.length, 'row')}`,
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
      note: `${sentenceText(methodSentences(state).concepts)}${shortened(most, chosen.length, 'concept')}`,
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
        note: `${sentenceText(methodSentences(state).links)}${shortened(shown.length, standing, 'link')}`,
        table: {
          head: ['concept', 'and', 'weight'],
          rows: shown.map((row) => [row.sourceLabel, row.targetLabel, tableNumber(row.strength)]),
        },
      };
    return {
      title: 'Links',
      note: `${sentenceText(methodSentences(state).links)}${shortened(shown.length, standing, 'link')}`,
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
      note: `${label} is in ${counted(windows, 'window')} of ${counted(sources, 'source')}. Share: of its windows, those that hold the other too, with a 95 % interval that goes by how the sources differ. ${sentenceText(methodSentences(state).links)}`,
      table: {
        head: ['concept', 'windows with both', 'sources', 'share', 'by chance', 'NPMI', 'stands'],
        rows: rows.map((row) => [
          row.label,
          row.both,
          row.sources,
          withInterval(row),
          inPercent(row.expected),
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
        ...(steady.draws > 0
          ? [`Comes back: when the sources are drawn anew ${inFigures(steady.draws)} times.`]
          : network
            ? []
            : [STEADY_UNKNOWN]),
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
          inPercent(share),
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
        svg: renderMap(scene, `Concept map of ${state.title}`),
        alt:
          names.length === 0
            ? 'A map without themes.'
            : `A map of ${counted(names.length, 'theme')} as parcels with their concepts: ${listed(names)}.`,
      },
    };
  },

  *strength({ rows: asked }, state, ask, most) {
    const { rows, comparison, attribute, without } = yield* ask('compare', { rows: asked });
    const title = attribute === undefined ? 'Strength' : `Strength by ${attribute}`;
    const order = rows.map((_, i) => i).slice(0, most);
    return {
      title,
      note: `${sentenceText(methodSentences(state, { exact: comparison.exact }).compare)} ${restsOn(comparison)}${without.sources === 0 ? '' : ` ${counted(without.sources, 'source')} in no group take no part.`}`,
      picture: {
        svg: renderComparison(rows, comparison, order, { title, foot: '* beyond chance (q < 0.05)' }),
        alt: `${title}: ${counted(rows.length, 'row')} by ${counted(comparison.groups.length, 'group')}, each mark with its 95 % interval; the table under it has the same numbers.`,
      },
      table: {
        head: [whatIsCompared(asked), ...comparison.groups.map(({ group }) => group), 'all', 'q'],
        rows: order.map((row) => [
          rowName(rows[row]),
          ...comparison.groups.map(({ strengths, windows }) =>
            windows === 0 ? '–' : withInterval(strengths[row]),
          ),
          inPercent(comparison.overall[row]),
          rounded(comparison.q[row], 4),
        ]),
      },
    };
  },

  *time({ asked }, state, ask) {
    const { rows, periods, courses, undated } = yield* ask('overTime', asked);
    return {
      title: `Strength over time, by ${asked.dates}`,
      note: `${sentenceText(methodSentences(state).compare)} Share with its 95 % interval, of a period of one source by how the sources of all periods differ; a dash where a period has no text. Change: from the first period to the last along the straight line that fits best, with the chance of one as large if the sources had been dealt to the periods blindly (q).${undated === 0 ? '' : ` ${counted(undated, 'source')} without a date take no part.`}`,
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
                windows === 0 ? '–' : withInterval(strengths[r]),
              ),
              withInterval(course.mean[r]),
              trendText(course.trends[r]),
            ]),
        ),
      },
    };
  },

  *apart({ asked }, _, ask) {
    const { rows, sources } = yield* ask('apart', asked);
    const other = asked.against ?? 'all others';
    return {
      title: `What sets ${asked.group} apart from ${other}`,
      note: `Log-odds with an informative Dirichlet prior (Monroe, Colaresi & Quinn 2008) and a variance that goes by how the sources differ; above 0 ${asked.group} say more. ${counted(sources[0], 'source')} against ${inFigures(sources[1])}.`,
      table: {
        head: [asked.of === 'links' ? 'link' : 'concept', 'log-odds', '95 % interval', asked.group, other],
        rows: rows.map(({ label, logOdds, low, high, here, there }) => [
          label,
          rounded(logOdds),
          `${rounded(low)} to ${rounded(high)}`,
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
      title: `Tone by ${name}`,
      note: `Share of passages with more ${listed(aspects)} words than not, by the list ${name}; negation and strengthening are heeded. A list of words hears no irony: read before it is quoted. ${sentenceText(methodSentences(state).compare)}`,
      table: {
        head: ['theme', 'sounds', ...groups.map(({ group }) => group)],
        rows: themes.flatMap(({ letter, label, comparison }) =>
          aspects.map((aspect, a) => [
            letter === '' ? 'all' : `${letter} ${label}`,
            aspect,
            ...comparison.groups.map(({ strengths }) => withInterval(strengths[a])),
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
      title: `Concordance of ${view.title}${group === null ? '' : ` among ${group.value}`}`,
      note: `Every mention with the words to its left and right, as it was said.${shortened(MOST_LINES, view.total, 'line')}`,
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
    const title = `Where ${listed(rows.map((row) => row.title))} is said`;
    return {
      title,
      note: `From the first word of the first source to the last of the last, a line for each mention; ${counted(sources.length, 'source')}.`,
      picture: {
        svg: renderDispersion(rows, sourceStarts, title),
        alt: `${title}: ${counted(rows[0]?.total ?? 0, 'mention')} in ${counted(rows[0]?.perSource.filter((count) => count > 0).length ?? 0, 'source')}.`,
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

/** A change over time in points, with its q. */
const trendText = (trend: Trend | undefined): string =>
  trend
    ? `${trend.change < 0 ? '−' : '+'}${pointsText(Math.abs(trend.change))} (q ${rounded(trend.q)})`
    : '–';

/** On how much the marks of a comparison stand, and what would have gone unseen. */
export function restsOn({ groups, findable, q }: Comparison): string {
  const sizes = groups.map(
    ({ group, sources, windows }) =>
      `${group} ${counted(sources, 'source')}, ${counted(windows, 'stretch', 'stretches')}`,
  );
  const found = findable.filter((each) => each !== undefined);
  const said =
    found.length === 0
      ? 'With so few sources no single difference can be told from chance.'
      : `Differences under ${pointsText(largest(found))} between the two largest groups would mostly go unseen.`;
  return `It rests on ${listed(sizes)}. ${groups.length < 2 || q.length === 0 ? '' : said}`.trim();
}

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

/** A figure as parts of a document; `number` stands in its caption. */
export function figureBlocks({ title, note, picture: kept, table }: Figure, number: number): Block[] {
  // A picture that was kept may come from elsewhere: it is data until it was read as a drawing.
  const svg = kept && safeDrawing(kept.svg);
  const picture = kept && svg !== undefined ? { svg, alt: kept.alt } : undefined;
  const lost = kept && svg === undefined ? ' Its picture can’t be read as a drawing and was left out.' : '';
  const caption = `Figure ${number}. ${title}. ${note}${lost}`;
  return [
    ...(picture ? [{ kind: 'picture' as const, caption, ...picture }] : []),
    ...(lost !== '' && !table ? [paragraph(caption)] : []),
    ...(table
      ? [{ kind: 'table' as const, caption: picture ? `The numbers of figure ${number}` : caption, ...table }]
      : []),
  ];
}
