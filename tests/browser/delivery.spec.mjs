// What goes over a slow line: compressed, and kept for good where the address says what is in it.
import { get } from 'node:http';
import { test, expect } from './help.mjs';

const head = (path, headers = {}) =>
  new Promise((resolve, reject) =>
    get(process.env.KITTO_URL + path, { headers: { 'accept-encoding': 'br, gzip', ...headers } }, response => {
      response.resume();
      response.on('end', () => resolve(response));
    }).on('error', reject),
  );

test('styles, scripts and fonts are compressed and kept for good; a page is compressed only where no other site can have asked for it', async () => {
  const page = await (await fetch(process.env.KITTO_URL + '/signin')).text();
  const files = [...page.matchAll(/(?:href|src)="(\/lib\/[^"]+)"/g)].map(m => m[1]);
  expect(files.filter(f => /\.(css|js|woff2)/.test(f)).length).toBeGreaterThanOrEqual(3);
  for (const file of files) {
    const { statusCode, headers } = await head(file);
    expect(statusCode, file).toBe(200);
    expect(headers['cache-control'], file).toContain('immutable');
    if (/\.(css|js)$/.test(file)) expect(headers['content-encoding'], file).toMatch(/^(br|gzip)$/);
  }
  expect((await head('/signin', { 'sec-fetch-site': 'none' })).headers['content-encoding']).toMatch(/^(br|gzip)$/);
  expect((await head('/signin', { 'sec-fetch-site': 'cross-site' })).headers['content-encoding']).toBeUndefined();
  expect((await head('/signin')).headers['content-encoding']).toBeUndefined();
});
