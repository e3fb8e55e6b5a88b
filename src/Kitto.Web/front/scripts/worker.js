// The client's guide without a network: the page as it was last seen, its styles, scripts and letters; and what is said meanwhile is kept.
import { keep } from './guide/unsent.js';

const KEPT = 'kitto-guide-1';
const PATIENCE = 6000;
const mark = page => '/lib/running' + page;

self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', event => event.waitUntil(self.clients.claim()));

// A page tells what it is made of, so that all of it is here from the first opening on.
self.addEventListener('message', event => {
  const { running, over } = event.data ?? {};
  if (running) event.waitUntil(caches.open(KEPT).then(c => (over ? c.delete(mark(running)) : c.put(mark(running), new Response('')))));
  if (event.data?.made) event.waitUntil(keepAll(event.data.page, event.data.made).then(() => event.source?.postMessage({ kept: event.data.page })));
});

async function keepAll(page, made) {
  const cache = await caches.open(KEPT);
  const wanted = await Promise.all(made.map(async url => ((await cache.match(url)) ? null : url)));
  await Promise.all(
    [page, ...wanted.filter(Boolean)].map(async url => {
      const answer = await fetch(url, { credentials: 'omit' });
      if (answer.ok) await cache.put(url, answer);
    }),
  );
}

self.addEventListener('fetch', event => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== location.origin) return;
  if (request.mode === 'navigate' && url.pathname.startsWith('/g/')) {
    event.respondWith(request.method === 'POST' ? said(request, url) : page(request, url));
  } else if (request.method === 'GET' && url.pathname.startsWith('/lib/')) {
    event.respondWith(made(request));
  }
});

/** The page as it is now; without a network, or where it is too slow, as it was last. */
async function page(request, url) {
  const cache = await caches.open(KEPT);
  const kept = await cache.match(url.pathname);
  const asked = fetch(request).then(async answer => {
    if (answer.ok && !answer.redirected) await cache.put(url.pathname, answer.clone());
    // A link that is closed is told by its own page; what is kept of it stays while a run of it goes on.
    if (answer.status === 410 && kept && (await cache.match(mark(url.pathname)))) return kept;
    if (answer.status === 410) await cache.delete(url.pathname);
    return answer;
  });
  if (!kept) return asked;
  const late = new Promise(done => setTimeout(() => done(kept), PATIENCE));
  return Promise.race([asked.catch(() => kept), late]);
}

/** What is sent; without a network it is kept here, and the page says so. */
async function said(request, url) {
  const copy = request.clone();
  try {
    return await fetch(request);
  } catch {
    const fields = [...(await copy.formData()).entries()];
    await keep(url.pathname + url.search, fields);
    return Response.redirect(url.pathname, 303);
  }
}

async function made(request) {
  const cache = await caches.open(KEPT);
  return (
    (await cache.match(request)) ??
    fetch(request).then(async answer => {
      if (answer.ok) await cache.put(request, answer.clone());
      return answer;
    })
  );
}
