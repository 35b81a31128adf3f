/// <reference lib="webworker" />
import { createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

// The program's own files, for devices that keep a part of an edition; nothing the server answers is kept here. A page comes from the
// server as long as it can be reached, so that nobody works with an old program.
precacheAndRoute(self.__WB_MANIFEST);
const shell = createHandlerBoundToURL('/index.html');
registerRoute(
  new NavigationRoute(
    async (options) => {
      try {
        return await fetch(options.request);
      } catch {
        return await shell(options);
      }
    },
    { denylist: [/^\/(api|health)/] },
  ),
);
self.addEventListener('install', () => void self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
