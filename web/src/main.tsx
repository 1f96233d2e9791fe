import '@fontsource-variable/figtree';
import '@fontsource-variable/figtree/wght-italic.css';
import '@fontsource-variable/literata';
import '@fontsource-variable/literata/wght-italic.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { App as AntApp, ConfigProvider } from 'antd';
import enGB from 'antd/locale/en_GB';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { DemoPage } from './start/DemoPage.tsx';
import { ErasingFault } from './keeping/ErasingNote.tsx';
import { FaultPage } from './frame/FaultPage.tsx';
import { NotCarriedOver } from './start/NotCarriedOver.tsx';
import { StartPage } from './start/StartPage.tsx';
import { NewVersion } from './offline/NewVersion.tsx';
import { UnheardFaults } from './frame/UnheardFaults.tsx';
import { carriedOver } from './store/carry-over.ts';
import { finishErasing } from './store/erasing.ts';
import { antTheme, giveTheme } from './theme.ts';
import './styles/base.css';
import './styles/shared.css';

const queries = new QueryClient({
  defaultOptions: {
    queries: { staleTime: Infinity, gcTime: 300_000, retry: false, refetchOnWindowFocus: false },
  },
});

const router = createBrowserRouter([
  {
    errorElement: <FaultPage />,
    children: [
      { path: '/', element: <StartPage /> },
      { path: '/demo', element: <DemoPage /> },
      {
        path: '/study/:id/:stop?',
        // The stops are no part of the first page.
        lazy: async () => ({ Component: (await import('./frame/StudyPage.tsx')).StudyPage }),
        HydrateFallback: () => <main className="plain-page" aria-busy="true" />,
      },
    ],
  },
]);

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
// Who asks the system for stillness gets it here too.
const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
const theme = { ...antTheme, token: { ...antTheme.token, motion: !still } };
const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the application.');
/** Why what an earlier version kept could not be brought over; undefined where it was, or where there was nothing. */
const notCarried = await carriedOver().then(
  () => undefined,
  (error: unknown) => (error instanceof Error ? error : new Error(String(error))),
);
giveTheme(document.documentElement.style);
createRoot(root).render(
  <StrictMode>
    <ConfigProvider theme={theme} locale={enGB} csp={nonce ? { nonce } : undefined} wave={{ disabled: true }}>
      <AntApp className="app">
        <UnheardFaults />
        <ErasingFault />
        <NewVersion />
        <QueryClientProvider client={queries}>
          {notCarried === undefined ? (
            <RouterProvider router={router} />
          ) : (
            <NotCarriedOver reason={notCarried} />
          )}
        </QueryClientProvider>
      </AntApp>
    </ConfigProvider>
  </StrictMode>,
);
// What a browser that was ended left to erase; behind what is being looked at.
if (notCarried === undefined) finishErasing().catch(reportError);
