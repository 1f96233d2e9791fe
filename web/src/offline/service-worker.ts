import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

/** Every file of the application with the hash of what is in it; put in by the build. */
declare const FILES: { url: string; revision: string | null }[];
declare const self: ServiceWorkerGlobalScope;

precacheAndRoute(FILES);
cleanupOutdatedCaches();
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/\.[a-z0-9]+$/i] }));

// A new version waits until the researcher agrees: two tabs never run two of them.
self.addEventListener('message', (event) => {
  if ((event.data as { type?: unknown } | null)?.type === 'SKIP_WAITING')
    self.skipWaiting().catch(console.warn);
});
