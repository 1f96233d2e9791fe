import { Workbox } from 'workbox-window';

/** How long after the page has loaded the application is kept for use without the server, in milliseconds. */
const AFTER = 3000;

/**
 * Keeps all of the application in the browser, so that it goes on without the server. A new version that waits is told
 * of; once it is let in, every tab loads anew, so that none goes on with half of the old.
 *
 * @param onWaiting told how to let a new version in
 */
export function keepOffline(onWaiting: (letIn: () => void) => void): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  const workbox = new Workbox('/service-worker.js');
  workbox.addEventListener('waiting', () => onWaiting(() => workbox.messageSkipWaiting()));
  // Listened for from the first moment: another tab may let it in before this one has asked for anything.
  const isKept = navigator.serviceWorker.controller !== null;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (isKept) window.location.reload();
  });
  setTimeout(() => {
    workbox.register().catch((error: unknown) => {
      // As in a private window: the application works, but needs its server.
      console.warn('The application is not kept for use without its server', error);
    });
  }, AFTER);
}
