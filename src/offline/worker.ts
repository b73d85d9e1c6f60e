import { cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching';

/** The app's own files, kept by the browser: once loaded it opens and works without its server. Nothing else is kept here. */

declare const self: ServiceWorkerGlobalScope;
/** Put in when the app is built: every file of it, by what it is or by a hash of what is in it. */
declare const FILES: { url: string; revision: string | null }[];

cleanupOutdatedCaches();
// Which job and piece a room shows is the page's own business.
precacheAndRoute(FILES, { ignoreURLParametersMatching: [/./], cleanURLs: false, directoryIndex: '' });

// A new version waits until the page says that nothing is lost by it.
self.addEventListener('message', ({ data }) => {
  if (data === 'take over') void self.skipWaiting();
});
