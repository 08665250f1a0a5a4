// Keeps what was opened at the bench, so that it opens again where there is no network. Writes are kept by the page itself.
const KEPT = 'fovea-bench-1';

/** What the bench view is made of: its pages, what they read, what they are built from, photos. */
function isKept(url, request) {
  if (request.method !== 'GET' || url.origin !== self.location.origin) return false;
  if (/^\/_next\/(static|image)/.test(url.pathname) || /^\/api\/photos\//.test(url.pathname)) return true;
  return /^\/bench\//.test(url.pathname) || /^\/api\/pieces\/[^/]+\/bench$/.test(url.pathname) || url.pathname === '/api/timers';
}

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));

/** The workshop's own answer first: only where it cannot be reached, what was kept of it. */
async function answer(request) {
  const cache = await caches.open(KEPT);
  try {
    const fresh = await fetch(request);
    if (fresh.ok) await cache.put(request, fresh.clone());
    return fresh;
  } catch (error) {
    const kept = await cache.match(request, { ignoreVary: true });
    if (kept) return kept;
    throw error;
  }
}

self.addEventListener('fetch', (event) => {
  const url = new URL(event.request.url);
  if (isKept(url, event.request)) event.respondWith(answer(event.request));
});

// A page that was opened before this worker was there names what it is built from.
self.addEventListener('message', (event) => {
  if (!Array.isArray(event.data?.keep)) return;
  event.waitUntil(caches.open(KEPT).then((cache) => Promise.all(event.data.keep.map((url) => cache.add(url).catch(() => undefined)))));
});
