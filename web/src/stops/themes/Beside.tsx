import { Button, Input } from 'antd';
import { useState } from 'react';
import { DRAWN, inkOf } from '../../pieces/drawn-colours.ts';
import { ownValue } from '@green-thicket/core/base/records';
import { counted, listed } from '@green-thicket/core/base/wording';
import { LONGEST } from '@green-thicket/core/study/limits';
import type { BesideView, ThemesView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import { Select } from '../../pieces/Select.tsx';
import { useSelection } from '../../pieces/selection.ts';
import { useStudy } from '../../pieces/study-context.ts';
import { keysOf } from './theme-decisions.ts';
import { HowFound } from '../../pieces/HowFound.tsx';
import styles from './Beside.module.css';

/** Two groupings side by side: the themes of now, and those that were kept or that another number would give. */
export function Beside({ data }: { data: ThemesView }) {
  const { state, decide } = useStudy();
  const kept = Object.keys(state.groupings);
  const others = data.choices.filter(({ themes }) => themes !== data.themes.length);
  const [picked, setPicked] = useState<string>();
  const [name, setName] = useState('');
  const known =
    picked !== undefined && (picked.startsWith('=') || kept.includes(picked)) ? picked : undefined;
  const first = kept.length > 0 ? kept[kept.length - 1] : others[0] && `=${others[0].resolution}`;
  const asked = known ?? first;
  const keep = (): void => {
    decide({
      kind: 'keepGrouping',
      name: name.trim() || `${data.themes.length} themes`,
      themes: data.themes.map((theme) => ({ letter: theme.letter, label: theme.label, keys: keysOf(theme) })),
    });
    setName('');
    setPicked(undefined);
  };
  return (
    <div className="centre-body">
      <div className="centre-bar">
        <Input
          size="small"
          className="short"
          aria-label="Name to keep the themes under"
          placeholder={`${data.themes.length} themes`}
          maxLength={LONGEST.name}
          value={name}
          onChange={(event) => setName(event.target.value)}
          onPressEnter={keep}
        />
        <Button size="small" disabled={data.themes.length === 0} onClick={keep}>
          Keep the themes as they are
        </Button>
        <Select
          size="small"
          aria-label="Beside"
          placeholder="beside …"
          popupMatchSelectWidth={false}
          value={asked}
          options={[
            ...kept.map((each) => ({ value: each, label: `kept: ${each}` })),
            ...others.map(({ themes, resolution }) => ({
              value: `=${resolution}`,
              label: `as ${themes} themes (resolution ${resolution})`,
            })),
          ]}
          onChange={setPicked}
        />
        {asked !== undefined && kept.includes(asked) && (
          <button
            type="button"
            className="linklike"
            onClick={() => decide({ kind: 'forgetGrouping', name: asked })}
          >
            Forget it
          </button>
        )}
      </div>
      {asked === undefined ? (
        <p className="quiet">
          Keep the themes as they are; change the window, the measure, the number or what you like; and see
          here what moved. <HowFound page="themes" heading="Figures, and groupings side by side" />
        </p>
      ) : (
        <SideBySide
          question={kept.includes(asked) ? { kept: asked } : { resolution: Number(asked.slice(1)) }}
        />
      )}
    </div>
  );
}

const LINE = 17;
const GAP = 12;
const WIDTH = 640;
const SIDE = 210;

function SideBySide({ question }: { question: { kept: string } | { resolution: number } }) {
  const { data, isPlaceholderData } = useView('beside', question);
  if (!data) return <p className="quiet">Laying them side by side …</p>;
  const ordered = inOrderOfNow(data);
  return (
    <div className={isPlaceholderData ? 'dimmed' : undefined}>
      <p>
        <strong title="Adjusted mutual information over the concepts both have in a theme: about 0 by chance, 1 when the same (Vinh, Epps and Bailey 2010)">
          Agreement {data.agreement.toFixed(2)}
        </strong>{' '}
        over {counted(data.shared, 'concept')} that both have in a theme.{' '}
        {data.became.length === 0 ? 'No theme split, joined, came or went.' : data.became.join(' ')}
      </p>
      <Flows data={ordered} />
      <Moved data={ordered} />
    </div>
  );
}

/** The groups of then in the order of those that most of their concepts are in now, so that few bands cross. */
function inOrderOfNow(data: BesideView): BesideView {
  const main = data.then.map((_, g) => {
    const flows = data.flows.filter(({ from, to }) => from === g && to >= 0);
    return flows.reduce((best, flow) => (flow.keys.length > best.keys.length ? flow : best), {
      to: Infinity,
      keys: [] as readonly string[],
    }).to;
  });
  const order = [...data.then.keys()].sort((a, b) => main[a] - main[b] || a - b);
  const place = new Map(order.map((g, i) => [g, i]));
  return {
    ...data,
    then: order.map((g) => data.then[g]),
    flows: data.flows
      .map((flow) => ({ ...flow, from: place.get(flow.from) ?? -1 }))
      .sort((a, b) => a.from - b.from || a.to - b.to),
  };
}

/** Concepts as bands from their group then to their group now. */
function Flows({ data }: { data: BesideView }) {
  const { select } = useSelection();
  const place = (groups: BesideView['then']): { y: number; height: number }[] => {
    let y = 18;
    return groups.map(({ keys }) => {
      const at = { y, height: Math.max(LINE, (LINE / 3) * keys.length) };
      y += at.height + GAP;
      return at;
    });
  };
  const [left, right] = [place(data.then), place(data.now)];
  const bottom = (places: readonly { y: number; height: number }[]): number => {
    const last = places[places.length - 1];
    return last ? last.y + last.height : 0;
  };
  const height = Math.max(bottom(left), bottom(right)) + 10;
  const fromTop = left.map(() => 0);
  const toTop = right.map(() => 0);
  return (
    <svg
      className={styles.besideFlows}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="group"
      aria-label="Where concepts went"
    >
      <text x={SIDE} y={12} fontSize={11} textAnchor="end" fill={DRAWN.quiet}>
        then
      </text>
      <text x={WIDTH - SIDE} y={12} fontSize={11} fill={DRAWN.quiet}>
        now
      </text>
      {data.flows.map(({ from, to, keys }) => {
        if (from < 0 || to < 0) return null;
        const thick = (left[from].height * keys.length) / data.then[from].keys.length;
        const thickTo = (right[to].height * keys.length) / data.now[to].keys.length;
        const [a, b] = [left[from].y + fromTop[from], right[to].y + toTop[to]];
        fromTop[from] += thick;
        toTop[to] += thickTo;
        const [x1, x2, middle] = [SIDE + 8, WIDTH - SIDE - 8, WIDTH / 2];
        return (
          <path
            key={`${from} ${to}`}
            d={`M${x1} ${a}C${middle} ${a} ${middle} ${b} ${x2} ${b}V${b + thickTo}C${middle} ${b + thickTo} ${middle} ${a + thick} ${x1} ${a + thick}Z`}
            fill={inkOf(data.now[to].letter)}
            opacity={0.35}
          >
            <title>{listed(keys.map((key) => ownValue(data.labels, key) ?? key))}</title>
          </path>
        );
      })}
      {data.then.map(({ letter, label }, g) => (
        <g key={letter}>
          <rect x={SIDE} y={left[g].y} width={6} height={left[g].height} fill={DRAWN.quiet} />
          <text x={SIDE - 6} y={left[g].y + 12} fontSize={12} textAnchor="end" fill={DRAWN.ink}>
            {letter} {short(label)}
          </text>
        </g>
      ))}
      {data.now.map(({ letter, label }, g) => (
        <g key={letter}>
          <rect x={WIDTH - SIDE - 6} y={right[g].y} width={6} height={right[g].height} fill={inkOf(letter)} />
          <text
            x={WIDTH - SIDE + 6}
            y={right[g].y + 12}
            fontSize={12}
            fill={inkOf(letter)}
            className={styles.besideName}
            onClick={() => select({ kind: 'theme', letter })}
          >
            {letter} {short(label)}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** Which concepts are elsewhere, in words: for who does not see the bands, and for who wants to be sure. */
function Moved({ data }: { data: BesideView }) {
  const { select } = useSelection();
  // The largest flow out of a group is the group itself.
  const own = data.then.map((_, g) =>
    data.flows.reduce<number>(
      (best, flow, i) =>
        flow.from === g && flow.to >= 0 && (best < 0 || flow.keys.length > data.flows[best].keys.length)
          ? i
          : best,
      -1,
    ),
  );
  const moved = data.flows.filter((_, i) => !own.includes(i));
  if (moved.length === 0) return <p className="quiet">Every concept is with the same others.</p>;
  const nameOf = (groups: BesideView['then'], g: number): string => (g < 0 ? 'no theme' : groups[g].letter);
  return (
    <table className={styles.besideMoved} aria-label="Concepts that are elsewhere">
      <thead>
        <tr>
          <th scope="col">then</th>
          <th scope="col">now</th>
          <th scope="col">concepts</th>
        </tr>
      </thead>
      <tbody>
        {moved.map(({ from, to, keys }) => (
          <tr key={`${from} ${to}`}>
            <td>{nameOf(data.then, from)}</td>
            <td>{nameOf(data.now, to)}</td>
            <td>
              {keys.map((key) => (
                <button
                  key={key}
                  type="button"
                  className="linklike"
                  onClick={() => select({ kind: 'concept', key })}
                >
                  {ownValue(data.labels, key) ?? key}
                </button>
              ))}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const short = (label: string): string => (label.length > 30 ? `${label.slice(0, 29)}…` : label);
