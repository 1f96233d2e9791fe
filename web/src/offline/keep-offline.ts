/** How long after the page has loaded the application is kept for use without the server, in milliseconds. */
const AFTER = 3000;
/** How long a new version that was let in may take before it is said what holds it up, in milliseconds. */
const HELD_UP = 3000;

/**
 * Keeps all of the application in the browser, so that it goes on without the server. A new version that waits is told
 * of; once it is let in, every tab loads anew, so that none goes on with half of the old.
 *
 * What is on its way to a tab keeps the old version, in Chromium now and then without end (3 of 40 times, where it was let in
 * while another tab loaded); loading that tab anew ends it. It is not done from here: a tab that loads while the versions
 * change may be the old one over the new.
 *
 * @param onWaiting told how to let a new version in
 * @param onHeldUp told that one that was let in still waits
 */
export function keepOffline(onWaiting: (letIn: () => void) => void, onHeldUp: () => void): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  // Listened for from the first moment: another tab may let it in before this one has asked for anything.
  const isKept = navigator.serviceWorker.controller !== null;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (isKept) window.location.reload();
  });
  const keep = async (): Promise<void> => {
    const { Workbox } = await import('workbox-window');
    const workbox = new Workbox('/service-worker.js');
    workbox.addEventListener('waiting', () =>
      onWaiting(() => {
        workbox.messageSkipWaiting();
        setTimeout(onHeldUp, HELD_UP);
      }),
    );
    await workbox.register();
  };
  setTimeout(() => {
    keep().catch((error: unknown) => {
      // As in a private window: the application works, but needs its server.
      console.warn('The application is not kept for use without its server', error);
    });
  }, AFTER);
}
