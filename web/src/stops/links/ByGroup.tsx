import { useState } from 'react';
import { percent } from '@green-thicket/core/base/wording';
import { comparedAttribute } from '@green-thicket/core/study/groups';
import type { CompareView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { FigureTable, type FigureColumn } from '../../pieces/FigureTable.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { ThemeLetter } from '../../pieces/ThemeLetter.tsx';
import { Select } from '../../pieces/Select.tsx';
import { attributeNames } from '@green-thicket/core/study/groups';
import { HowFound } from '../../pieces/HowFound.tsx';
import { shownSources } from '@green-thicket/core/study/subset';

interface Row {
  readonly index: number;
  readonly label: string;
  readonly letter: string;
  readonly keys: readonly string[];
}
const BY_LINKS = { rows: { kind: 'links' } } as const;
const keyOf = (row: Row): string => row.keys.join('—');
/** Groups that have a column each. */
const MOST_GROUPS = 8;

/** The strongest links in each group of an attribute, and how surely the groups differ. */
export function ByGroup() {
  const { state, decide } = useStudy();
  const { select } = useSelection();
  const { data, isPlaceholderData } = useView('compare', BY_LINKS);
  const [byDifference, setByDifference] = useState(true);
  const names = attributeNames(shownSources(state));
  if (names.length === 0) {
    return (
      <div className="empty-centre">
        <h2>No groups yet</h2>
        <p>Give the sources an attribute, such as role or place, at Sources.</p>
      </div>
    );
  }
  if (!data) return <p className="quiet">Comparing groups …</p>;
  const { groups, q, range } = data.comparison;
  const rows = data.rows.map((row, index): Row => ({ ...row, index }));
  if (byDifference) rows.sort((a, b) => q[a.index] - q[b.index] || range[b.index] - range[a.index]);
  const columns: FigureColumn<Row>[] = [
    {
      key: 'link',
      title: 'Link',
      width: 170,
      value: (row) => row.label,
      render: (row) => (
        <button
          type="button"
          className="linklike"
          onClick={() => select({ kind: 'stretches', letter: '', keys: row.keys })}
        >
          <ThemeLetter letter={row.letter} /> {row.label}
        </button>
      ),
    },
    ...groups.slice(0, MOST_GROUPS).map((group, g): FigureColumn<Row> => ({
      key: group.group,
      title: group.group,
      hint: `Share of the stretches of ${group.group} that hold both, with its 95 % interval`,
      width: 108,
      value: (row) => group.strengths[row.index].share,
      render: (row) => <Share data={data} group={g} row={row} />,
    })),
    {
      key: 'q',
      title: 'q',
      hint: 'Chance of groups this unlike if sources were dealt to them blindly, adjusted over the links',
      width: 66,
      value: (row) => q[row.index],
      render: (row) => (q[row.index] < 0.001 ? '< 0.001' : q[row.index].toFixed(3)),
    },
  ];
  return (
    <>
      <div className="centre-bar">
        <Select
          size="small"
          className="short"
          aria-label="Links by"
          value={comparedAttribute(state)}
          options={names.map((name) => ({ value: name, label: `by ${name}` }))}
          onChange={(attribute: string) =>
            decide({ kind: 'setCompare', change: { attribute, columns: 'attribute' } })
          }
        />
        <Select
          size="small"
          aria-label="Order of the links"
          popupMatchSelectWidth={false}
          value={byDifference ? 'difference' : 'strength'}
          options={[
            { value: 'difference', label: 'those that differ most surely first' },
            { value: 'strength', label: 'strongest first' },
          ]}
          onChange={(order) => setByDifference(order === 'difference')}
        />
        <span className="quiet">
          Share of a group’s stretches that hold both; tested by regrouping the sources.{' '}
          <HowFound page="comparison" heading="Differences" />
          {groups.length > MOST_GROUPS && ` The first ${MOST_GROUPS} of ${groups.length} groups.`}
        </span>
      </div>
      <div className={isPlaceholderData ? 'centre-body stacked dimmed' : 'centre-body stacked'}>
        <FigureTable label="Links by group" rows={rows} rowKey={keyOf} columns={columns} />
      </div>
    </>
  );
}

function Share({ data, group, row }: { data: CompareView; group: number; row: Row }) {
  const { select } = useSelection();
  const { strengths, windows } = data.comparison.groups[group];
  const { share, low, high, speaking } = strengths[row.index];
  return (
    <button
      type="button"
      className="linklike"
      disabled={speaking === 0}
      title={`${percent(low, 1)} to ${percent(high, 1)}; ${speaking} of ${windows} stretches`}
      onClick={() => select({ kind: 'stretches', letter: '', keys: row.keys }, data.within[group])}
    >
      {percent(share, 1)}
    </button>
  );
}
