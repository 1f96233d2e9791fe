import { isBeyondChance } from '@green-thicket/core/base/beyond-chance';
import { largest } from '@green-thicket/core/base/extent';
import { counted, listed, percent, pointsText, sourcesOf } from '@green-thicket/core/base/wording';
import { renderComparison } from '@green-thicket/core/compare/render';
import { tint } from '../../pieces/drawn-colours.ts';
import type { CompareView, RowsAsked } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { useSelection } from '../../pieces/selection.ts';
import { useShownFigure } from '../../pieces/shown-figure.ts';
import { useStudy } from '../../pieces/study-context.ts';
import type { SavedTable } from '../../pieces/save-table.ts';
import { rowKey, sameSelection, sameWithin, selectionOf, type Shown } from './faces.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { MOST_MARKS, Scale } from './Scale.tsx';
import { RowName, rowInk } from './RowName.tsx';
import { Track } from './Track.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './CompareStop.module.css';

/** Columns of marks can be read of so many groups; more are marks on one scale a row. */
const MOST_MARKED = 6;
/** From so many groups on, a number stands under its mark. */
const NUMBERS_BELOW = 4;
/** From so many groups on, the names over a table of numbers stand upright. */
const MANY_GROUPS = 7;

/** Columns that are drawn: of more, a table of marks says nothing, and a page holds no ten thousand of them. */
const MOST_COLUMNS = 100;

const rankOf = (view: CompareView, row: number, group: number): number =>
  1 +
  view.comparison.groups.filter(
    ({ strengths, windows }) =>
      windows > 0 && strengths[row].share > view.comparison.groups[group].strengths[row].share,
  ).length;

/** Rows by groups: marks with intervals on one scale, or numbers shaded by strength; every cell opens its passages. */
export function Marks({ rows, shown, isTable }: { rows: RowsAsked; shown: Shown; isTable: boolean }) {
  const { state } = useStudy();
  const { data, isPlaceholderData } = useView('compare', { rows });
  useShownFigure({ kind: 'strength', rows });
  if (!data) return <p className="quiet">Comparing groups …</p>;
  const { comparison } = data;
  const { groups } = comparison;
  if (groups.length === 0) {
    return (
      <div className="empty-centre">
        <h2>No groups to compare</h2>
        <p>
          {state.settings.compare.columns === 'subsets'
            ? 'No subset is kept. Make one at Sources, keep it under a name, and it is a column here.'
            : 'No source has a value of this attribute. Choose another in the sentence above, or fill it in at Sources.'}
        </p>
      </div>
    );
  }
  if (data.rows.length === 0) {
    return (
      <div className="empty-centre">
        <h2>No rows</h2>
        <p>Nothing of this kind is there. Choose other rows above.</p>
      </div>
    );
  }
  const order = [...data.rows.keys()];
  if (state.settings.compare.order === 'difference') {
    order.sort((a, b) => comparison.range[b] - comparison.range[a] || a - b);
  }
  const isMany = isTable && groups.length >= MANY_GROUPS;
  const isScale = !isTable && groups.length > MOST_MARKED;
  const mostShown = isScale ? MOST_MARKS : MOST_COLUMNS;
  const title = `Strength by ${data.attribute ?? 'group'}`;
  return (
    <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
      <p className={styles.marksLead}>
        <span className="quiet">
          {isTable
            ? 'The darker, the stronger.'
            : isScale
              ? 'A dot is a group’s strength, the line its 95 % interval, the dashes the mean of all; where the groups of a row differ beyond chance, those whose interval leaves the mean are in colour and named.'
              : 'A dot is the strength, the line its 95 % interval, the dashes the mean of all.'}{' '}
          <HowFound page="comparison" heading="Intervals" />
        </span>
        <SaveMenu
          name={title}
          table={() => tableOf(data, order)}
          drawing={() =>
            renderComparison(data.rows, comparison, order, {
              title: `${state.title}: ${title.toLowerCase()}`,
              foot: 'Dot: strength; line: 95 % interval; tick: mean of all; *: beyond chance (q < 0.05).',
            })
          }
        />
      </p>
      {groups.length > mostShown && (
        <p role="note">
          The first {mostShown} of {counted(groups.length, 'group')} stand here; the saved table has all. Join
          groups or leave some out in the sentence above.
        </p>
      )}
      {isScale ? (
        <Scale data={data} order={order} heading={headingOf(rows)} />
      ) : (
        <table
          className={[
            styles.compareTable,
            isMany && styles.manyGroups,
            !isTable && styles.marked,
            groups.length >= NUMBERS_BELOW && styles.numbersBelow,
          ]
            .filter(Boolean)
            .join(' ')}
          aria-label={`Strength by ${data.attribute ?? 'group'}`}
        >
          <Head rows={rows} groups={groups} isMany={isMany} />
          <tbody>
            {order.map((r) => (
              <Row
                key={rowKey(data.rows[r])}
                data={data}
                row={r}
                shown={shown}
                isTable={isTable}
                isMany={isMany}
              />
            ))}
          </tbody>
        </table>
      )}
      <Cautions data={data} />
    </div>
  );
}

/** What rows are of. */
const headingOf = ({ kind }: RowsAsked): string =>
  kind === 'themes' ? 'Theme' : kind === 'links' ? 'Link' : 'Concept';

function Head({
  rows,
  groups,
  isMany,
}: {
  rows: RowsAsked;
  groups: CompareView['comparison']['groups'];
  isMany: boolean;
}) {
  return (
    <thead>
      <tr>
        <th scope="col">{headingOf(rows)}</th>
        {groups.slice(0, MOST_COLUMNS).map((group) => (
          <th
            scope="col"
            key={group.group}
            title={`${group.group}: ${sourcesOf(group)}, ${counted(group.windows, 'stretch', 'stretches')}`}
          >
            <span className={styles.comparedGroup}>{group.group}</span>
            {!isMany && (
              <span className="quiet">
                {sourcesOf(group)}, {counted(group.windows, 'stretch', 'stretches')}
              </span>
            )}
          </th>
        ))}
        <th
          scope="col"
          title="Largest less smallest strength; and the chance of groups this unlike if sources were dealt to them blindly, adjusted over the rows (q)"
        >
          Difference
          <span className="quiet">points; q by regrouping</span>
        </th>
      </tr>
    </thead>
  );
}

/** What the figures can't tell: with few sources, with a source alone, of sources in no group. */
function Cautions({ data }: { data: CompareView }) {
  const { comparison } = data;
  const { groups } = comparison;
  const single = groups.filter((group) => group.interval === 'windows');
  const few = !isBeyondChance(comparison.smallestP) && groups.length > 1;
  return (
    <>
      {few && (
        <p className="quiet">
          With so few sources no difference can be told from chance: even the largest would have p ={' '}
          {comparison.smallestP.toFixed(2)}.
        </p>
      )}
      {single.length > 0 && (
        <p className="quiet">
          {single.length > 4 ? 'Groups of one source' : listed(single.map((group) => group.group))}: one
          source only, so the interval is over its stretches (Wilson) and says nothing of other people.
        </p>
      )}
      {data.without.sources > 0 && (
        <p className="quiet">
          {counted(data.without.sources, 'source')} with{' '}
          {counted(data.without.windows, 'stretch', 'stretches')} {data.without.sources === 1 ? 'is' : 'are'}{' '}
          in no group and not compared
          {data.leftOut.length > 0 && `; left out: ${listed(data.leftOut.map(({ value }) => value))}`}.
        </p>
      )}
    </>
  );
}

function Row({
  data,
  row,
  shown,
  isTable,
  isMany,
}: {
  data: CompareView;
  row: number;
  shown: Shown;
  isTable: boolean;
  isMany: boolean;
}) {
  const { selection, select, within } = useSelection();
  const { groups, overall } = data.comparison;
  const named = data.rows[row];
  const { label } = named;
  const ink = rowInk(named);
  const asked = selectionOf(named);
  const isRow = sameSelection(selection, asked);
  const most = largest(
    groups.flatMap((group) => group.strengths.map(({ high }) => high)),
    0.01,
  );
  const highest = largest(
    groups.flatMap((group) => group.strengths.map(({ share }) => share)),
    0.01,
  );
  return (
    <tr>
      <th scope="row">
        <RowName row={named} />
      </th>
      {groups.slice(0, MOST_COLUMNS).map((group, g) => {
        const strength = group.strengths[row];
        const picked = isRow && sameWithin(within, data.within[g]);
        const words =
          group.windows === 0
            ? '–'
            : shown === 'rank'
              ? `${rankOf(data, row, g)}.`
              : shown === 'difference'
                ? signed(strength.share - overall[row])
                : percent(strength.share, 1);
        return (
          <td
            key={group.group}
            style={
              isTable && group.windows > 0
                ? { background: tint(ink, 0.55 * (strength.share / highest)) }
                : undefined
            }
          >
            <button
              type="button"
              className={picked ? `${styles.compareCell} here` : styles.compareCell}
              aria-pressed={picked}
              aria-label={`${label} in ${group.group}: ${percent(strength.share, 1)}, interval ${percent(strength.low, 1)} to ${percent(strength.high, 1)}, from ${strength.sources} of ${counted(group.sources, 'source')}`}
              title={`${percent(strength.share, 1)} (${percent(strength.low, 1)} to ${percent(strength.high, 1)}): ${strength.speaking} of ${group.windows}, from ${strength.sources} of ${counted(group.sources, 'source')}`}
              onClick={() => select(asked, data.within[g])}
            >
              {!isTable && (
                <Track overall={overall[row]} most={most}>
                  {group.windows > 0 && <Track.Mark strength={strength} most={most} ink={ink} />}
                </Track>
              )}
              <span>{isMany ? words.replace(' %', '') : words}</span>
            </button>
          </td>
        );
      })}
      <DifferenceCell comparison={data.comparison} row={row} />
    </tr>
  );
}

/** How far a row's groups are apart, whether that is beyond chance, and what would have gone unseen. */
function DifferenceCell({ comparison, row }: { comparison: CompareView['comparison']; row: number }) {
  const { groups, q, range, findable } = comparison;
  const unseen = findable[row];
  const isSure = isBeyondChance(q[row]);
  return (
    <td className={styles.differenceCell}>
      <span>{(100 * range[row]).toFixed(1)}</span>
      <span
        className={isSure ? styles.beyondChance : 'quiet'}
        title={
          isSure
            ? 'Beyond chance'
            : unseen === undefined
              ? 'With so few sources no single difference can be told from chance, however large it is.'
              : `With these sources a difference of ${pointsText(unseen)} between the two largest groups would be found in four of five studies; smaller ones mostly go unseen.`
        }
      >
        q {q[row] < 0.001 ? '< 0.001' : q[row].toFixed(3)}
      </span>
      {!isSure && groups.length > 1 && (
        <span className="quiet">
          {unseen === undefined ? 'too few sources to tell' : `under ${pointsText(unseen)} unseen`}
        </span>
      )}
    </td>
  );
}

const signed = (share: number): string => `${share < 0 ? '−' : '+'}${percent(Math.abs(share), 1)}`;

function tableOf({ rows, comparison }: CompareView, order: readonly number[]): SavedTable {
  return {
    head: [
      'letter',
      'row',
      'group',
      'strength',
      'low',
      'high',
      'speaking',
      'of',
      'sources_speaking',
      'sources',
      'q',
    ],
    rows: order.flatMap((r) =>
      comparison.groups.map(({ group, strengths, windows, sources }) => [
        rows[r].letter,
        rows[r].label,
        group,
        strengths[r].share,
        strengths[r].low,
        strengths[r].high,
        strengths[r].speaking,
        windows,
        strengths[r].sources,
        sources,
        comparison.q[r],
      ]),
    ),
  };
}
