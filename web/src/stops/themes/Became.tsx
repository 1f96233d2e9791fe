import { useState } from 'react';
import type { BesideView, ThemesView } from '@green-thicket/core/views/view-types';
import { useView } from '../../engine/use-view.ts';
import styles from './ThemesStop.module.css';
import { keysOf } from './theme-decisions.ts';

const groupsOf = ({ themes }: ThemesView): BesideView['then'] =>
  themes.map((theme) => ({ letter: theme.letter, label: theme.label, keys: keysOf(theme) }));
const shapeOf = (groups: BesideView['then']): string =>
  JSON.stringify(groups.map(({ letter, keys }) => [letter, keys]));

/** After a change: which themes split, joined, went or came by it, a sentence each. */
export function Became({ data, isSettled }: { data: ThemesView; isSettled: boolean }) {
  const [last, setLast] = useState<{ shape: string; now: BesideView['then']; before?: BesideView['then'] }>();
  const now = groupsOf(data);
  const shape = shapeOf(now);
  if (isSettled && last?.shape !== shape) setLast({ shape, now, before: last?.now });
  const before = last?.before;
  const { data: beside, isPlaceholderData } = useView('beside', { then: before ?? [] }, before !== undefined);
  if (!before || !beside || isPlaceholderData || beside.became.length === 0) return null;
  return (
    <p role="status" className={styles.became}>
      By the last change: {beside.became.join(' ')}{' '}
      <button type="button" className="linklike" onClick={() => setLast({ shape, now })}>
        Seen
      </button>
    </p>
  );
}
