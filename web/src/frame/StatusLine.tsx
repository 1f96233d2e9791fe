import { counted, inFigures } from '@green-thicket/core/base/wording';
import { isStopped } from '../pieces/stopped.ts';
import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { engine } from '../engine/client.ts';
import { presentFaults, watchFaults } from '../engine/faults.ts';
import { useView } from '../engine/use-view.ts';
import { useNetwork } from '../pieces/use-network.ts';
import { useStudy } from '../pieces/study-context.ts';
import { othersAtWork } from '../store/in-line.ts';
import { doing } from './doing.ts';
import styles from './StatusLine.module.css';

/** Progress is shown, and can be stopped, once work takes longer than this, in milliseconds. */
const PATIENCE = 350;

/** The foot of the page: what the figures rest on, and what is being computed. */
export function StatusLine() {
  const { state } = useStudy();
  const { busy, behind, share, stage, view, left } = useSyncExternalStore(
    engine.watchActivity,
    engine.currentActivity,
  );
  const queries = useQueryClient();
  const [late, setLate] = useState(false);
  const [stopped, setStopped] = useState(false);
  const words = useView('wordsOnTrail', null).data;
  const links = useView('linksOnTrail', null).data;
  const { data: themes, error, refetch } = useView('themesOnTrail', null);
  const network = useNetwork();
  const isEmpty = state.sources.length === 0 && !network;
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
  const waits = useSyncExternalStore(othersAtWork.watch, othersAtWork.now);
  const failed = useSyncExternalStore(watchFaults, presentFaults).length > 0;
  const fault = error && !isStopped(error) ? error.message : failed ? 'Not all could be computed' : undefined;
  return (
    <footer className={styles.statusLine}>
      {!isEmpty && (
        <>
          {words && <span>{inFigures(words.words)} words</span>}
          {links && (
            <span>{network ? counted(links.links, 'link') : `${inFigures(links.windows)} windows`}</span>
          )}
          {themes && (
            <span>
              Leiden γ {themes.resolution} · {state.settings.themes.runs} runs · modularity{' '}
              {themes.modularity.toFixed(2)}
            </span>
          )}
        </>
      )}
      <span
        className={styles.statusNow}
        role="status"
        data-behind={busy === 0 && behind > 0 ? true : undefined}
      >
        {waits ? (
          'Another tab is writing this study anew; what is decided here waits for it …'
        ) : fault ? (
          <span className={styles.statusFault}>{fault}</span>
        ) : working && late ? (
          <>
            <progress value={share} max={1} aria-label="Share done" /> {doing(stage, view)} …{' '}
            {left !== undefined && left >= 1 && (
              // Not said by a reader of the screen each time it changes.
              <span aria-hidden="true">about {Math.ceil(left)} s </span>
            )}
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
        ) : isEmpty ? (
          'Nothing to compute yet'
        ) : busy > 0 ? (
          'computing …'
        ) : behind > 0 ? (
          `${doing(stage, view)} …`
        ) : (
          'up to date'
        )}
      </span>
    </footer>
  );
}
