// Refreshes docs/screenshots from a running demo: KITTO_URL=http://127.0.0.1:5280 node pictures.mjs
import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { join } from 'node:path';
import { signIn, start, tap, until } from './help.mjs';
import { root } from './setup.mjs';

process.env.KITTO_URL ??= 'http://127.0.0.1:5280';
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const url = path => process.env.KITTO_URL + path;
const shot = (name, of = page) => of.screenshot({ path: join(root, 'docs', 'screenshots', name + '.png') });
const open = async name => {
  await page.goto(url('/clients?find=' + name));
  await page.locator('.line').first().click();
  await page.waitForURL(/clients\/[0-9a-f-]+$/);
};
const kit = async name => {
  await open(name);
  await page.locator('.past a[href^="/kits"]').first().click();
  await page.waitForURL(/kits\//);
};

await signIn(page);
await shot('today');
await open('Nuala');
await page.goto(page.url() + '/pictures', { waitUntil: 'networkidle' });
await shot('pictures');
await open('Nuala');
await page.goto(page.url() + '/answers');
await shot('answers');
await page.getByRole('button', { name: 'Make a link' }).click();
const asked = await browser.newPage({ viewport: { width: 390, height: 844 } });
await asked.goto(await page.getByLabel('Address of the questions').inputValue());
await shot('ask', asked);
await open('Maren');
await shot('client');
await open('Sunniva');
await page.locator('.page-head .act').click();
await page.waitForSelector('#picked:has-text("Front hairline")');
await shot('prescription');
await page.locator('.zone[data-zone=leftTemple] .zone-ground').click();
await page.locator('#mix-1').click();
await page.waitForSelector('.strand[aria-label*="left temple"]');
await page.waitForSelector('#mix-search');
await page.locator('[data-why=quantity]').first().click();
await page.waitForSelector('.instead-ways');
await shot('why');
await page.keyboard.press('Escape');
await page.locator('#mix-search').click();
await page.getByLabel('ever reacted to dye').check();
await page.waitForSelector('.verdict.stop');
await shot('stop');
// A head to learn on, and what would have come of what was prescribed.
await page.goto(url('/study'));
await page.getByRole('button', { name: 'Take one: stubborn' }).click();
await page.waitForSelector('.trial-form');
await page.waitForFunction(() => document.querySelector('.found-parting img').complete);
await page.getByLabel('a kit').check();
await page.getByLabel('service').selectOption('root touch-up');
await page.locator('#f-shade1').selectOption('lantern-cream/5G');
await page.getByLabel('developer', { exact: true }).fill('10');
await page.getByLabel('mix with developer').fill('60');
await page.getByLabel('order').selectOption('front first');
await page.getByLabel('after the last stroke').fill('20');
await page.getByLabel('skin test').check();
await page.getByLabel('strand test').check();
await shot('study-head');
await page.getByRole('button', { name: 'Sign', exact: true }).click();
await page.waitForSelector('#judged');
await shot('study-judged');
await kit('Sunniva');
await shot('report');
await kit('Maren');
await shot('kit-sheet');

const guide = async (name, picture, steps = 0) => {
  await kit(name);
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(await page.getByLabel('Link to the guide').first().inputValue());
  if (steps > 0) await start(phone);
  for (let i = 0; i < steps; i++) await tap(phone);
  await shot(picture, phone);
  return phone;
};
await guide('Odile', 'guide-tests');
const phone = await guide('Maren', 'guide-step', 3);
await until(phone, 'wait');
// Early, so the timer asks once.
while (await phone.locator('.step.shown').count()) await tap(phone);
await shot('guide-report', phone);
// The pictures that are asked for, in Norwegian.
const norwegian = await guide('Liv', 'guide-pictures-nb');
await norwegian.evaluate(() => {
  for (let e = document.querySelector('#pictures'); e; e = e.parentElement) if (e.tagName === 'DETAILS') e.open = true;
  document.querySelector('#pictures').scrollIntoView({ behavior: 'instant' });
});
await shot('guide-pictures-nb', norwegian);

// The bench, with the simulated scale: a part poured half, one poured over; and what it leaves in stock and ledger.
await page.goto(url('/shelf/stock?line=lantern-cream&item=7G'));
await shot('stock');
await page.goto(url('/ledger'));
await page.setViewportSize({ width: 1280, height: 1150 });
await shot('ledger');
await page.setViewportSize({ width: 1280, height: 800 });
const port = 5291;
const scale = spawn('node', [join(root, 'tools', 'scale', 'serve.mjs'), '--port', String(port)], { stdio: 'ignore' });
const hand = what => fetch(`http://127.0.0.1:${port}/do`, { method: 'POST', body: JSON.stringify(what) });
await page.goto(url('/house/scale'));
await page.getByLabel('the simulated scale').check();
await page.getByLabel('Address of the simulated one').fill(`http://127.0.0.1:${port}`);
await page.getByRole('button', { name: 'Save' }).click();
await page.goto(url('/bench'));
await page.getByRole('link', { name: /Freya Tolling/ }).click();
await hand({ kind: 'put' });
await page.waitForTimeout(2500);
await page.keyboard.press(' ');
await page.waitForSelector('#go', { state: 'hidden' });
await hand({ kind: 'pour', grams: 18.2, speed: 30 });
await page.waitForTimeout(1200);
await shot('bench');
scale.kill();
await browser.close();
