// Keeps one code's page and its sounds in the browser, and lets them go when the code is withdrawn.
const scope = new URL(self.registration.scope).pathname;
const NAME = `code ${scope}`;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

self.addEventListener('message', (event) => event.waitUntil(caches.open(NAME).then((kept) => Promise.all(
  [...new Set(event.data.keep)]
    .map((address) => new URL(address, self.location.href))
    .filter((address) => address.origin === self.location.origin && !address.pathname.endsWith('/keeper.js'))
    .map((address) => kept.add(address.href).catch(() => {})),
))));

async function answer(request) {
  const kept = await caches.open(NAME);
  if (request.mode !== 'navigate') {
    const known = await kept.match(request.url);
    return known ?? fetch(request);
  }
  try {
    const fresh = await fetch(request);
    if (fresh.status === 404 || fresh.status === 410) {
      await caches.delete(NAME);
      await self.registration.unregister();
    } else if (fresh.ok && !fresh.redirected) {
      await kept.put(request.url, fresh.clone());
    }
    return fresh;
  } catch (noNetwork) {
    const known = await kept.match(request.url, { ignoreSearch: true });
    if (known) {
      return known;
    }
    throw noNetwork;
  }
}

self.addEventListener('fetch', (event) => {
  if (event.request.method === 'GET' && new URL(event.request.url).origin === self.location.origin) {
    event.respondWith(answer(event.request));
  }
});
