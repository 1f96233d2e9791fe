import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Stop } from '@green-thicket/core/words/sentences';
import { keptSign } from '../pieces/kept-sign.ts';
import { useStudy } from '../pieces/study-context.ts';
import { useTellFault } from '../pieces/use-fault.ts';
import { STOPS_BY_NAME } from '../stops/stops.ts';
import { WALK, type Step } from './walk.ts';
import styles from './FirstPath.module.css';

const STEP_KEPT = keptSign('walk-step');

/** The step the walk was left at; undefined where it was never begun. */
function stepKept(): number | undefined {
  const kept = Number(STEP_KEPT.read() ?? NaN);
  return Number.isInteger(kept) && kept >= 0 && kept < WALK.length ? kept : undefined;
}

const addressOf = (id: string, { stop, picked = '' }: Step): string => `/study/${id}/${stop}${picked}`;
/** Where the walk is taken up: the step it was left at, or its first. */
export const walkAddress = (id: string): string => addressOf(id, WALK[stepKept() ?? 0]);

const nameOf = ({ name, stop }: Step): string => name ?? STOPS_BY_NAME[stop].name;

/** A first walk through the stops: what to look at and try at each; left at any time, and taken up again from the help where it was left. */
export function FirstPath({
  stop,
  isTakenUp,
  onLeave,
}: {
  stop: Stop;
  /** Whether it was asked for, and is where it was left (`walkAddress`): then it does not say first what it is. */
  isTakenUp: boolean;
  onLeave: () => void;
}) {
  const { id } = useStudy();
  const navigate = useNavigate();
  const tellFault = useTellFault();
  const [at, setAt] = useState(() => (isTakenUp ? (stepKept() ?? 0) : undefined));
  const go = (to: number): void => {
    setAt(to);
    STEP_KEPT.write(String(to));
    tellFault('It was not opened', async () => navigate(addressOf(id, WALK[to])));
  };
  // Who takes the trail instead is met there.
  const here = at === undefined || WALK[at].stop === stop ? at : WALK.findIndex((step) => step.stop === stop);
  return (
    <section className={styles.firstPath} aria-label="A walk through the stops">
      {here === undefined ? (
        <p>
          This is what comes out of a study: a map of the sample’s themes. A walk of {WALK.length} steps shows
          how it comes about, and what you can ask of it.
        </p>
      ) : (
        <p>
          <strong>{`${here + 1} of ${WALK.length}, ${nameOf(WALK[here])}.`}</strong> {WALK[here].says}
        </p>
      )}
      <span className="control-row">
        {here !== undefined && here > 0 && (
          <Button size="small" onClick={() => go(here - 1)}>
            Back
          </Button>
        )}
        {(here ?? -1) + 1 < WALK.length && (
          <Button size="small" type="primary" onClick={() => go((here ?? -1) + 1)}>
            {here === undefined ? 'Begin the walk' : `On to ${nameOf(WALK[here + 1])}`}
          </Button>
        )}
        <Button size="small" type="text" onClick={onLeave}>
          {here === WALK.length - 1 ? 'Done' : 'Leave'}
        </Button>
      </span>
    </section>
  );
}
