import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import type { Decision } from '@green-thicket/core/study/decisions';
import { STOPS, type Stop } from '@green-thicket/core/words/sentences';
import { dropLooseTexts } from '../store/bringing-in.ts';
import { passwordState } from '../store/password.ts';
import { makeDecision, redo, undo } from '../store/studies.ts';
import { studyReader } from '../store/study-reader.ts';
import { LockedPage } from '../keeping/LockedPage.tsx';
import type { OpenStudy } from '../pieces/study-context.ts';
import { StudyFrame } from './StudyFrame.tsx';
import { useTellFault } from '../pieces/use-fault.ts';

function isStop(name: string | undefined): name is Stop {
  return STOPS.some((stop) => stop === name);
}

const queries = new QueryClient({
  defaultOptions: {
    queries: { staleTime: Infinity, gcTime: 300_000, retry: false, refetchOnWindowFocus: false },
  },
});

/** The study of the address, with what is kept of its views. */
export const StudyPage = () => (
  <QueryClientProvider client={queries}>
    <LockedOrOpen />
  </QueryClientProvider>
);

/** The study of the address, once it has its password where it needs one. */
function LockedOrOpen() {
  const { id = '' } = useParams();
  const [opened, setOpened] = useState(0);
  const live = useLiveQuery(async () => ({ id, password: await passwordState(id) }), [id, opened]);
  if (live?.id !== id) return <main className="plain-page" aria-busy="true" />;
  const { password } = live;
  if (!password?.locked) return <OpenedStudy key={opened} shownAs={password?.shownAs} />;
  return (
    <LockedPage id={id} shownAs={password.shownAs ?? ''} onOpen={() => setOpened((times) => times + 1)} />
  );
}

/** The study of the address, as it is in this browser. */
function OpenedStudy({ shownAs }: { shownAs: string | undefined }) {
  const { id = '', stop } = useParams();
  const tellFault = useTellFault();
  const read = useMemo(() => studyReader(id), [id]);
  const live = useLiveQuery(async () => ({ id, study: await read() }), [id, read]);
  // A large study is drawn in slices, so that the page answers meanwhile.
  const deferred = useDeferredValue(live);
  const loaded = deferred?.id === id ? deferred : undefined;
  const decide = useCallback(
    (decision: Decision) => {
      tellFault('Nothing was changed', () => makeDecision(id, decision));
    },
    [id, tellFault],
  );
  const { log, state, changed, saved } = loaded?.study ?? {};
  const study = useMemo(
    // Letters of themes are kept while nothing is decided: that draws nothing.
    (): OpenStudy | undefined =>
      log && state
        ? { id, log, state, changed: changed ?? '', saved: saved ?? [], shownAs, decide }
        : undefined,
    [id, log, state, changed, saved, shownAs, decide],
  );

  useEffect(() => {
    // Not waited for, and nothing hangs on it: what is left over now is let go of the next time.
    dropLooseTexts(id).catch(console.warn);
  }, [id]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement;
      // In a radio button or a tick nothing is typed that could be undone there.
      const isTicked = target instanceof HTMLInputElement && /^(?:radio|checkbox)$/.test(target.type);
      const typing =
        target.isContentEditable || (!isTicked && /^(?:INPUT|TEXTAREA|SELECT)$/.test(target.tagName));
      if (typing || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
      event.preventDefault();
      if (event.shiftKey) tellFault('Nothing was redone', () => redo(id));
      else tellFault('Nothing was undone', () => undo(id));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [id, tellFault]);

  if (loaded && !loaded.study) {
    return (
      <main className="plain-page">
        <h1>This study is not in this browser</h1>
        <p>It was deleted here, or it was made in another browser. Open its .thicket file to have it here.</p>
        <Link to="/">Back to the first page</Link>
      </main>
    );
  }
  if (!study) return <main className="plain-page" aria-busy="true" />;
  if (!isStop(stop)) return <Navigate to={`/study/${id}/sources`} replace />;
  return <StudyFrame study={study} stop={stop} />;
}
