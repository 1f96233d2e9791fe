import '@fontsource-variable/figtree';
import '@fontsource-variable/figtree/wght-italic.css';
import '@fontsource-variable/literata';
import '@fontsource-variable/literata/wght-italic.css';
import { App as AntApp, ConfigProvider } from 'antd';
import enGB from 'antd/locale/en_GB';
import { lazy, StrictMode, Suspense, useLayoutEffect, useMemo, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import { DemoPage } from './start/DemoPage.tsx';
import { ErasingFault } from './keeping/ErasingNote.tsx';
import { FaultBoundary, NowherePage } from './frame/FaultPage.tsx';
import { NotCarriedOver } from './start/NotCarriedOver.tsx';
import { StartPage } from './start/StartPage.tsx';
import { NewVersion } from './offline/NewVersion.tsx';
import { UnheardFaults } from './frame/UnheardFaults.tsx';
import { carriedOver } from './store/carry-over.ts';
import { databaseOf } from './store/database.ts';
import { finishErasing } from './store/erasing.ts';
import { useGround } from './pieces/ground.ts';
import { antTheme, giveTheme } from './theme.ts';
import './styles/base.css';
import './styles/shared.css';

/** The stops are no part of the first page. */
const loadStudyPage = () => import('./frame/StudyPage.tsx');
const StudyPage = lazy(async () => ({ default: (await loadStudyPage()).StudyPage }));
/** The study of the address the page was opened with. */
const [, openedWith] = /^\/study\/([^/]+)/.exec(window.location.pathname) ?? [];
// Whoever comes back to a study waits for both: they come while the rest of the page begins. What fails is told by the page.
const comingPage = openedWith === undefined ? undefined : loadStudyPage().catch(() => undefined);

/**
 * @param studyPage what stands for the study: where it is here already nothing stands in its place first, which would be shown
 *   for a third of a second at least
 */
const pages = (studyPage: ReactNode) => (
  <BrowserRouter>
    <FaultBoundary>
      <Suspense fallback={<main className="plain-page" aria-busy="true" />}>
        <Routes>
          <Route path="/" element={<StartPage />} />
          <Route path="/demo" element={<DemoPage />} />
          <Route path="/study/:id/:stop?" element={studyPage} />
          <Route path="*" element={<NowherePage />} />
        </Routes>
      </Suspense>
    </FaultBoundary>
  </BrowserRouter>
);

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
// Who asks the system for stillness gets it here too.
const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;

/** All in our colours and type, by day or by night. */
function Themed({ children }: { children: ReactNode }) {
  const ground = useGround();
  useLayoutEffect(() => giveTheme(document.documentElement.style, ground), [ground]);
  const theme = useMemo(() => {
    const given = antTheme(ground);
    return { ...given, token: { ...given.token, motion: !still } };
  }, [ground]);
  return (
    <ConfigProvider theme={theme} locale={enGB} csp={nonce ? { nonce } : undefined} wave={{ disabled: true }}>
      {children}
    </ConfigProvider>
  );
}

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the application.');
/** Why what an earlier version kept could not be brought over; undefined where it was, or where there was nothing. */
const notCarried = await carriedOver().then(
  () => undefined,
  (error: unknown) => (error instanceof Error ? error : new Error(String(error))),
);
if (openedWith !== undefined)
  databaseOf(openedWith)
    .then((database) => database?.open())
    .catch(() => undefined);
const here = await comingPage;
createRoot(root).render(
  <StrictMode>
    <Themed>
      <AntApp className="app">
        <UnheardFaults />
        <ErasingFault />
        <NewVersion />
        {notCarried === undefined ? (
          pages(here ? <here.StudyPage /> : <StudyPage />)
        ) : (
          <NotCarriedOver reason={notCarried} />
        )}
      </AntApp>
    </Themed>
  </StrictMode>,
);
// What a browser that was ended left to erase; behind what is being looked at.
if (notCarried === undefined) finishErasing().catch(reportError);
