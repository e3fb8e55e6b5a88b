// The client's pages without a network: the page as it was last seen, its styles, scripts and letters; what is sent meanwhile is saved. And a phone that is locked is rung.
import { busy, hasPhoto, keep, post, words } from './guide/unsent.js';

const KEPT = 'kitto-guide-1';
const PATIENCE = 6000;
const AT = 'x-kept-at';
const mark = page => '/lib/running' + page;
const ours = pathname => /^\/(g|ask)\//.test(pathname);

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
  await Promise.all([
    fetch(page, { credentials: 'omit' }).then(answer => (answer.ok ? store(cache, page, answer) : null)),
    ...wanted.filter(Boolean).map(async url => {
      const answer = await fetch(url, { credentials: 'omit' });
      if (answer.ok) await cache.put(url, answer);
    }),
  ]);
}

/** Saves a page, with the moment it is from. */
async function store(cache, pathname, answer) {
  const headers = new Headers(answer.headers);
  headers.set(AT, Date.now());
  headers.delete('content-encoding');
  headers.delete('content-length');
  await cache.put(pathname, new Response(await answer.blob(), { status: answer.status, headers }));
}

/** A saved page, which says from when it is. */
async function asOf(kept) {
  const text = await kept.text();
  return new Response(text.replace('<html ', `<html data-as-of="${kept.headers.get(AT) ?? ''}" `), { status: 200, headers: kept.headers });
}

self.addEventListener('fetch', event => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== location.origin) return;
  if (request.mode === 'navigate' && ours(url.pathname)) {
    event.respondWith(request.method === 'POST' ? said(request, url) : page(request, url));
  } else if (request.method === 'GET' && url.pathname.startsWith('/lib/')) {
    event.respondWith(made(request));
  }
});

const isPage = answer => answer.ok && !answer.redirected && answer.type === 'basic' && (answer.headers.get('content-type') ?? '').includes('text/html');

/** The page as it is now; without a network, or where it is too slow, as it was last. */
async function page(request, url) {
  const cache = await caches.open(KEPT);
  const kept = await cache.match(url.pathname);
  const asked = fetch(request).then(async answer => {
    if (isPage(answer)) await store(cache, url.pathname, answer.clone());
    // A link that is closed is told by its own page; what is kept of it stays while a run of it goes on.
    if (answer.status === 410 && kept && (await cache.match(mark(url.pathname)))) return asOf(kept.clone());
    if (answer.status === 410) await cache.delete(url.pathname);
    return answer;
  });
  if (!kept) return asked;
  const late = new Promise(done => setTimeout(() => done(null), PATIENCE));
  const answer = await Promise.race([asked.catch(() => null), late]);
  return answer ?? asOf(kept.clone());
}

/** What is sent; without a network, or where the server cannot take it now, it is saved here, and the page says so. What the server answers is kept like any page of it. */
async function said(request, url) {
  const fields = [...(await request.clone().formData()).entries()];
  const photo = hasPhoto(fields);
  // A line that hangs is one that is not there; a photo may take its time. Sent twice it is one.
  const late = new Promise((_, fail) => !photo && setTimeout(() => fail(new Error('late')), PATIENCE * 2));
  // The words go before the photo, and alone where the photo is refused.
  const alone = () => post(url.href, words(fields), { redirect: 'manual', patience: PATIENCE * 2 });
  try {
    if (photo && busy(await alone())) throw new Error('busy');
    let answer = await Promise.race([fetch(request), late]);
    if (photo && answer.status >= 400 && !busy(answer)) answer = await alone();
    if (busy(answer)) throw new Error('busy');
    if (isPage(answer)) await store(await caches.open(KEPT), url.pathname, answer.clone());
    return answer;
  } catch {
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

self.addEventListener('push', event => {
  const { title, body, tag } = event.data?.json() ?? {};
  if (title)
    event.waitUntil(self.registration.showNotification(title, { body, tag, renotify: true, requireInteraction: true, vibrate: [500, 200, 500, 200, 500] }));
});

self.addEventListener('notificationclick', event => {
  event.notification.close();
  event.waitUntil(
    (async () => {
      const [open] = await self.clients.matchAll({ type: 'window', includeUncontrolled: true });
      if (open) return open.focus();
      const kept = (await (await caches.open(KEPT)).keys()).map(r => new URL(r.url).pathname).filter(p => p.startsWith('/g/'));
      return kept.length > 0 ? self.clients.openWindow(kept.at(-1)) : null;
    })(),
  );
});
