import { clientsClaim, type WorkboxPlugin } from 'workbox-core';
import { CacheableResponsePlugin } from 'workbox-cacheable-response';
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';
import { crewOnDevice } from './offline/deviceStore.ts';
import { OUTBOX } from './offline/outboxName.ts';
import { sendWaiting } from './offline/sender.ts';

// This file keeps its name: devices ask for a new one under the address they have the old one from.

/** The browser's word that there is a signal again. */
interface SyncEvent {
  readonly tag: string;
  readonly waitUntil: (work: Promise<void>) => void;
}
/** What this file uses of a worker's surroundings, whose types do not go together with those of a page. */
declare const self: {
  readonly __WB_MANIFEST: { url: string; revision: string | null }[];
  readonly skipWaiting: () => Promise<void>;
  readonly addEventListener: (type: 'sync', listener: (event: SyncEvent) => void) => void;
};

// The page itself, kept for a day without a signal.
precacheAndRoute(self.__WB_MANIFEST);
cleanupOutdatedCaches();
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }));

/** A network that wants its guests to sign in first answers with a page of its own: kept, it would stand in place of the picture for good. */
const noPages: WorkboxPlugin = {
  cacheWillUpdate: ({ response }) =>
    Promise.resolve(response.headers.get('content-type')?.startsWith('text/html') ? null : response),
};

// A picture never changes under its address: once seen, it is there without a signal.
registerRoute(
  /\/api\/v1\/attachments\/[^/]+\/file$/,
  new CacheFirst({
    cacheName: 'attachments',
    plugins: [
      new CacheableResponsePlugin({ statuses: [200] }) as WorkboxPlugin,
      noPages,
      new ExpirationPlugin({ maxEntries: 400 }) as WorkboxPlugin,
    ],
  }),
);

// There is a signal again, perhaps after the last page has closed.
self.addEventListener('sync', (event) => {
  if (event.tag === OUTBOX) event.waitUntil(sendFromHere());
});
async function sendFromHere(): Promise<void> {
  const toPages = new BroadcastChannel(OUTBOX);
  const done = await sendWaiting(await crewOnDevice(), () => toPages.postMessage(null));
  toPages.close();
  // The browser asks again, later and later, as long as this fails.
  if (!done) throw new Error('Some of what waits could not be sent yet.');
}

void self.skipWaiting();
clientsClaim();
