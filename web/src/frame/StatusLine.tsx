import { inFigures } from '@green-thicket/core/base/wording';
import { isStopped } from '../pieces/stopped.ts';
import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { engine } from '../engine/client.ts';
import { presentFaults, watchFaults } from '../engine/faults.ts';
import { useView } from '../engine/use-view.ts';
import { useStudy } from '../pieces/study-context.ts';
import styles from './StatusLine.module.css';

/** Progress is shown, and can be stopped, once work takes longer than this, in milliseconds. */
const PATIENCE = 350;

/** The foot of the page: what the figures rest on, and what is being computed. */
export function StatusLine() {
  const { state } = useStudy();
  const { busy, behind, share } = useSyncExternalStore(engine.watchActivity, engine.currentActivity);
  const queries = useQueryClient();
  const [late, setLate] = useState(false);
  const [stopped, setStopped] = useState(false);
  const { data, error, refetch } = useView('overview', null);
  const working = busy + behind > 0;
  useEffect(() => {
    if (!working) {
      setLate(false);
      return undefined;
    }
    setStopped(false);
    const timer = setTimeout(() => setLate(true), PATIENCE);
    return () => clearTimeout(timer);
  }, [working]);
  const stop = (): void => {
    setStopped(true);
    queries.cancelQueries().catch(reportError);
  };
  const goOn = (): void => {
    setStopped(false);
    queries.refetchQueries({ stale: true }).catch(reportError);
    refetch().catch(reportError);
  };
  const failed = useSyncExternalStore(watchFaults, presentFaults).length > 0;
  const fault = error && !isStopped(error) ? error.message : failed ? 'Not all could be computed' : undefined;
  return (
    <footer className={styles.statusLine}>
      {data && state.sources.length > 0 && (
        <>
          <span>{inFigures(data.words)} words</span>
          <span>{inFigures(data.windows)} windows</span>
          <span>
            Leiden γ {data.resolution} · {state.settings.themes.runs} runs · modularity{' '}
            {data.modularity.toFixed(2)}
          </span>
        </>
      )}
      <span className={styles.statusNow} role="status">
        {fault ? (
          <span className={styles.statusFault}>{fault}</span>
        ) : working && late ? (
          <>
            <progress value={share} max={1} aria-label="Share done" />{' '}
            {busy > 0 ? 'computing …' : 'drawing sources anew …'}{' '}
            <Button size="small" onClick={stop}>
              Stop
            </Button>
          </>
        ) : stopped ? (
          <>
            Stopped; what is shown may be of before.{' '}
            <Button size="small" onClick={goOn}>
              Go on
            </Button>
          </>
        ) : state.sources.length === 0 ? (
          'Nothing to compute yet'
        ) : busy > 0 ? (
          'computing …'
        ) : behind > 0 ? (
          'drawing sources anew …'
        ) : (
          'up to date'
        )}
      </span>
    </footer>
  );
}
