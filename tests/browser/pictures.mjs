// Refreshes docs/screenshots from a running demo: KITTO_URL=http://127.0.0.1:5280 node pictures.mjs
import { chromium } from '@playwright/test';
import { join } from 'node:path';
import { signIn } from './help.mjs';
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
await page.goto(url('/clients'));
await shot('clients');
await page.goto(url('/shelf'));
await shot('shelf');
await page.goto(url('/house/rules?find=grey'));
await shot('rules');
await page.goto(url('/house'));
await shot('house');
await open('Maren');
await shot('client');
await open('Sunniva');
await page.locator('.page-head .act').click();
await page.waitForSelector('#picked:has-text("Front hairline")');
await shot('prescription');
await page.locator('.zone[data-zone=leftTemple] .zone-ground').click();
await page.locator('[name=mix]').evaluate(field => { field.value = '5N:0.6 6AG:0.4'; field.dispatchEvent(new Event('change', { bubbles: true })); });
await page.waitForSelector('.strand[aria-label*="left temple"]');
await page.waitForSelector('#mix-search');
await shot('by-hand');
await page.locator('#mix-search').click();
await page.getByLabel('ever reacted to dye').check();
await page.waitForSelector('.verdict.stop');
await shot('stop');
await open('Ragnhild');
await page.locator('.past a').first().click();
await page.waitForSelector('.verdict.salon');
await shot('salon-sheet');
await kit('Sunniva');
await shot('report');
await kit('Maren');
await shot('kit-sheet');

const guide = async (name, picture, steps = 0) => {
  await kit(name);
  await page.getByRole('button', { name: /Make (the link|a new one)/ }).click();
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await phone.goto(await page.getByLabel('Link to her guide').inputValue());
  for (let i = 0; i < steps; i++) await phone.locator('#run-next').click();
  await shot(picture, phone);
  return phone;
};
await guide('Odile', 'guide-tests');
const phone = await guide('Maren', 'guide-step', 3);
for (let i = 0; i < 8; i++) await phone.locator('#run-next').click();
await shot('guide-wait', phone);
for (let i = 0; i < 4; i++) await phone.locator('#run-next').click();
await shot('guide-report', phone);
await phone.locator('.bowl-choice').nth(2).click();
await phone.locator('.bowls').evaluate(bowls => window.scrollTo(0, bowls.offsetTop - 300));
await shot('guide-left', phone);
await browser.close();
