import { inShownOrder, shownRanks } from '@green-thicket/core/study/subset';
import { useMemo, useState } from 'react';
import { percent } from '@green-thicket/core/base/wording';
import { inkOf } from '../../pieces/drawn-colours.ts';
import type { ProfilesView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { SaveMenu } from '../../pieces/SaveMenu.tsx';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Profiles.module.css';

/** Sources drawn at first; of more, the rest when asked for. */
const FIRST = 120;

/** Each source’s mixture of themes in its group: which are typical of it, and which stand out. */
export function Profiles() {
  const { state } = useStudy();
  const { select, openSource } = useSelection();
  const { data, isPlaceholderData } = useView('profiles', null);
  const [by, setBy] = useState<'typical' | 'apart' | 'order'>('typical');
  const [limit, setLimit] = useState(FIRST);
  const nameOf = useMemo(() => new Map(state.sources.map(({ id, name }) => [id, name])), [state.sources]);
  if (!data) return <p className="quiet">Mixing themes …</p>;
  const { groups, groupOf, distance } = data;
  const ranks = shownRanks(state);
  const order = inShownOrder(ranks);
  const far = (s: number): number => (Number.isNaN(distance[s]) ? 2 : distance[s]);
  if (by !== 'order')
    order.sort((a, b) => (by === 'typical' ? far(a) - far(b) : heard(b) - heard(a)) || ranks[a] - ranks[b]);
  function heard(s: number): number {
    return Number.isNaN(distance[s]) ? -1 : distance[s];
  }
  const parts = [...groups.map((name, g) => ({ name, g })), { name: 'in no group', g: -1 }]
    .map(({ name, g }) => ({ name, g, members: order.filter((s) => groupOf[s] === g) }))
    .filter(({ members }) => members.length > 0);
  let drawn = 0;
  return (
    <div className={isPlaceholderData ? 'centre-body dimmed' : 'centre-body'}>
      <div className="centre-bar">
        <Select
          size="small"
          aria-label="Order of the sources"
          popupMatchSelectWidth={false}
          value={by}
          options={[
            { value: 'typical', label: 'most typical of its group first' },
            { value: 'apart', label: 'furthest from its group first' },
            { value: 'order', label: 'as they stand at Sources' },
          ]}
          onChange={setBy}
        />
        <span
          className="quiet"
          title="Jensen–Shannon distance of the source’s mixture from that of its whole group (Lin 1991): 0 the same, 1 nothing shared"
        >
          Each bar is what a source speaks to, 100 % in all; the number is how far it is from its group.{' '}
          <HowFound page="comparison" heading="From beginning to end, and profiles" />
        </span>
        <SaveMenu name="Profiles of sources" table={() => tableOf(data, nameOf, inShownOrder(ranks))} />
      </div>
      <p className={styles.profileLegend}>
        {data.rows.map(({ letter, label }) => (
          <button
            key={letter}
            type="button"
            className="linklike"
            onClick={() => select({ kind: 'theme', letter })}
          >
            <i style={{ background: inkOf(letter) }} /> <b style={{ color: inkOf(letter) }}>{letter}</b>{' '}
            {label}
          </button>
        ))}
      </p>
      {parts.map(({ name, g, members }) => {
        const shown = members.slice(0, Math.max(0, limit - drawn));
        drawn += shown.length;
        return (
          <section key={name} aria-label={name} className={styles.profileGroup}>
            <h2>{name}</h2>
            {g >= 0 && (
              <div className={styles.profileSource}>
                <span className="quiet">the whole group</span>
                <Mixture
                  data={data}
                  values={data.ofGroups}
                  at={g}
                  onPick={(letter) => select({ kind: 'theme', letter })}
                  name={name}
                />
                <span />
              </div>
            )}
            {shown.map((s) => {
              const id = data.sourceIds[s];
              return (
                <div key={id} className={styles.profileSource}>
                  <button
                    type="button"
                    className="linklike"
                    title="Open the source"
                    onClick={() => openSource({ sourceId: id, at: 0 })}
                  >
                    {nameOf.get(id)}
                  </button>
                  <Mixture
                    data={data}
                    values={data.mixture}
                    at={s}
                    name={nameOf.get(id) ?? ''}
                    onPick={(letter) => select({ kind: 'theme', letter }, { sourceId: id })}
                  />
                  <span className="quiet">{Number.isNaN(distance[s]) ? '–' : distance[s].toFixed(2)}</span>
                </div>
              );
            })}
          </section>
        );
      })}
      {drawn < data.sourceIds.length && (
        <button type="button" className="linklike" onClick={() => setLimit(limit * 4)}>
          Show more of {data.sourceIds.length} sources
        </button>
      )}
    </div>
  );
}

/** The mixture of a source or group as one bar; each part opens its passages. */
function Mixture({
  data,
  values,
  at,
  name,
  onPick,
}: {
  data: ProfilesView;
  values: Float64Array;
  at: number;
  name: string;
  onPick: (letter: string) => void;
}) {
  const width = data.rows.length;
  const own = [...values.subarray(at * width, (at + 1) * width)];
  if (own.every((share) => share === 0)) return <span className="quiet">speaks to no theme</span>;
  return (
    <span className={styles.profileMixture}>
      {data.rows.map(({ letter, label }, t) =>
        own[t] === 0 ? null : (
          <button
            key={letter}
            type="button"
            style={{ flexGrow: own[t], background: inkOf(letter) }}
            title={`${letter} ${label}: ${percent(own[t])}`}
            aria-label={`${name}, ${label}: ${percent(own[t])}`}
            onClick={() => onPick(letter)}
          >
            {own[t] > 0.08 ? letter : ''}
          </button>
        ),
      )}
    </span>
  );
}

function tableOf(data: ProfilesView, nameOf: ReadonlyMap<string, string>, order: readonly number[]) {
  const width = data.rows.length;
  return {
    head: ['source', 'group', 'distance', ...data.rows.map(({ letter, label }) => `${letter} ${label}`)],
    rows: order.map((s) => [
      nameOf.get(data.sourceIds[s]) ?? '',
      data.groups[data.groupOf[s]] ?? '',
      Number.isNaN(data.distance[s]) ? '' : data.distance[s],
      ...data.mixture.subarray(s * width, (s + 1) * width),
    ]),
  };
}
