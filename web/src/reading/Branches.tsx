import { Segmented } from 'antd';
import { useState } from 'react';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import type { PlainSelection } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { useSelection } from '../pieces/selection.ts';
import styles from './Branches.module.css';

type Direction = 'after' | 'before';
/** Branches shown of a fork before the rest is asked for. */
const FIRST_BRANCHES = 12;
/** Thickness of the thickest branch, in pixels. */
const THICKEST = 22;

/** What follows, or precedes, a word: common beginnings joined to branches as thick as they are frequent. */
export function Branches({ selection }: { selection: PlainSelection }) {
  const [direction, setDirection] = useState<Direction>('after');
  const { data } = useView('branches', { selection, direction, path: [] });
  return (
    <>
      <div className="stage-bar">
        <Segmented
          aria-label="Direction"
          value={direction}
          options={[
            { value: 'after', label: 'What follows' },
            { value: 'before', label: 'What precedes' },
          ]}
          onChange={setDirection}
        />
        <span className="quiet">
          {data &&
            `${data.title}, ${counted(data.count, 'mention')}; within its sentence. Open a branch to follow it; its number reads its passages.`}
        </span>
      </div>
      <div className="stage-body">
        {data && (
          <div className={`${styles.branchRoot} ${direction}`}>
            <strong className={styles.branchWord}>{data.title}</strong>
            <Fork key={direction} selection={selection} direction={direction} path={[]} most={data.count} />
          </div>
        )}
      </div>
    </>
  );
}

function Fork({
  selection,
  direction,
  path,
  most,
}: {
  selection: PlainSelection;
  direction: Direction;
  path: readonly string[];
  most: number;
}) {
  const { data } = useView('branches', { selection, direction, path });
  const { select } = useSelection();
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [shown, setShown] = useState(FIRST_BRANCHES);
  if (!data) return null;
  return (
    <ul className={styles.branchFork}>
      {data.branches.slice(0, shown).map((branch) => {
        const key = branch.words.join(' ');
        const isOpen = open.has(key);
        const words = direction === 'after' ? branch.words : [...branch.words].reverse();
        return (
          <li key={key}>
            <span
              className={styles.branchLine}
              style={{ height: `${Math.max(1.5, THICKEST * Math.sqrt(branch.count / most))}px` }}
            />
            <button
              type="button"
              className={styles.branchWord}
              aria-expanded={branch.next > 0 ? isOpen : undefined}
              disabled={branch.next === 0}
              style={{ fontSize: `${Math.round(13 + 8 * Math.sqrt(branch.count / most))}px` }}
              onClick={() => {
                const next = new Set(open);
                if (isOpen) next.delete(key);
                else next.add(key);
                setOpen(next);
              }}
            >
              {words.join(' ')}
              {branch.next > 0 && !isOpen && ' …'}
            </button>
            <button
              type="button"
              className={styles.branchCount}
              title="Read these passages"
              onClick={() =>
                select({ kind: 'following', of: selection, direction, words: [...path, ...branch.words] })
              }
            >
              {inFigures(branch.count)}
            </button>
            {isOpen && (
              <Fork
                selection={selection}
                direction={direction}
                path={[...path, ...branch.words]}
                most={most}
              />
            )}
          </li>
        );
      })}
      {data.ending > 0 && (
        <li className={`quiet ${styles.branchEnd}`}>{counted(data.ending, 'sentence')} end here</li>
      )}
      {data.branches.length > shown && (
        <li>
          <button type="button" className="linklike" onClick={() => setShown(shown * 4)}>
            {data.branches.length - shown} more
          </button>
        </li>
      )}
    </ul>
  );
}
