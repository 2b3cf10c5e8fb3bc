// Serves what is kept (web/offline/kept.ts) where there is no connection. Whatever can be had from the server is had from there.
self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  const isPage = request.mode === 'navigate';
  // What others do meanwhile is of this moment: yesterday's would be wrong.
  const isOfNow = pathname === '/api/news';
  const mayBeKept = isPage || pathname.startsWith('/assets/') || (pathname.startsWith('/api/') && !isOfNow);
  // Sound is asked for in stretches, and is not kept.
  if (request.method !== 'GET' || origin !== self.location.origin || !mayBeKept || request.headers.has('range')) return;
  event.respondWith(
    fetch(request).catch(async (problem) => {
      const kept = await caches.match(isPage ? '/' : request.url, { ignoreVary: true });
      if (kept) return kept;
      throw problem;
    }),
  );
});
