import { Segmented } from 'antd';
import { useState } from 'react';
import type { OpenFork } from '@green-thicket/core/reading/branches';
import { counted, inFigures } from '@green-thicket/core/base/wording';
import type { PlainSelection } from '@green-thicket/core/views/view-types';
import { useView } from '../engine/use-view.ts';
import { useSelection } from '../pieces/selection.ts';
import styles from './Branches.module.css';

type Direction = 'after' | 'before';
/** Thickness of the thickest branch, in pixels. */
const THICKEST = 22;
/** Height of a line of branches, and of all that stands above and below them, in pixels. */
const LINE = 24;
const ROUND = 310;

/** Lines of branches that the centre has room for. */
const linesOfCentre = (): number => Math.floor((window.innerHeight - ROUND) / LINE);

/** What follows, or precedes, a word: common beginnings joined to branches as thick as they are frequent. */
export function Branches({ selection }: { selection: PlainSelection }) {
  const [direction, setDirection] = useState<Direction>('after');
  const [lines] = useState(linesOfCentre);
  const { data, isPlaceholderData } = useView('branches', { selection, direction, path: [], lines });
  return (
    <>
      <div className="centre-bar">
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
      <div className="centre-body">
        {data && (
          <div className={`${styles.branchRoot} ${direction}`}>
            <strong className={styles.branchWord}>{data.title}</strong>
            <Fork
              // What was open of the branches before says nothing of these.
              key={`${direction} ${String(isPlaceholderData)}`}
              selection={selection}
              direction={direction}
              path={[]}
              most={data.count}
              fork={data}
            />
          </div>
        )}
      </div>
    </>
  );
}

interface ForkProps {
  readonly selection: PlainSelection;
  readonly direction: Direction;
  readonly path: readonly string[];
  readonly most: number;
}

/** A fork that is looked for when it is opened. */
function AskedFork(props: ForkProps) {
  const { selection, direction, path } = props;
  const { data } = useView('branches', { selection, direction, path, lines: 0 });
  return data ? <Fork {...props} fork={data} /> : null;
}

/** What goes on from an open branch, known already or looked for. */
const OpenedFork = ({ fork, ...props }: ForkProps & { readonly fork: OpenFork | undefined }) =>
  fork ? <Fork {...props} fork={fork} /> : <AskedFork {...props} />;

function Fork({ selection, direction, path, most, fork }: ForkProps & { readonly fork: OpenFork }) {
  const { select } = useSelection();
  const [open, setOpen] = useState<ReadonlySet<string>>(
    () => new Set(fork.branches.filter(({ inner }) => inner).map(({ words }) => words.join(' '))),
  );
  const [shown, setShown] = useState(fork.shown);
  return (
    <ul className={styles.branchFork}>
      {fork.branches.slice(0, shown).map((branch) => {
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
              <OpenedFork
                {...{ selection, direction, most }}
                path={[...path, ...branch.words]}
                fork={branch.inner}
              />
            )}
          </li>
        );
      })}
      {fork.ending > 0 && (
        <li className={`quiet ${styles.branchEnd}`}>
          {counted(fork.ending, 'sentence')} {direction === 'after' ? 'end' : 'begin'}
          {fork.ending === 1 && 's'} here
        </li>
      )}
      {fork.branches.length > shown && (
        <li>
          <button type="button" className="linklike" onClick={() => setShown(Math.max(shown * 4, 12))}>
            {fork.branches.length - shown} more
          </button>
        </li>
      )}
    </ul>
  );
}
