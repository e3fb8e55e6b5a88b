import { chromium } from '@playwright/test';
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
const base = 'http://127.0.0.1:5290';
p.on('console', m => console.log('console:', m.text())); p.on('pageerror', e => console.log('pageerror:', e.message));
p.on('response', r => { if (r.request().method() === 'POST') console.log(r.status(), r.url()); });
p.on('requestfailed', r => console.log('failed', r.url(), r.failure()?.errorText));
const hand = (kind, grams = 0, speed = 60) => fetch('http://127.0.0.1:5291/do', { method: 'POST', body: JSON.stringify({ kind, grams, speed }) });
await p.goto(base + '/signin'); await p.fill('[name=UserName]', 'tove'); await p.fill('[name=Password]', 'mail-boat-days'); await p.click('form[method=post] button'); await p.waitForURL(base + '/');
await p.goto(base + process.argv[2]);

const facts = () => p.evaluate(() => ({ ...document.querySelector('#bench').dataset }));
for (let k = 0; k < 2; k++) { const f = await facts(); await p.getByLabel('The scale shows, in all').fill(String(Number(f.there) + Number(f.target))); await p.getByRole('button', { name: 'Keep it' }).click(); await p.waitForTimeout(800); }
console.log(await facts());
await hand('put'); await p.waitForTimeout(1500); await p.keyboard.press(' '); await p.waitForTimeout(600);
console.log(await p.locator('#go').isVisible());
await hand('pour', 39.6);
for (let i = 0; i < 8; i++) { await p.waitForTimeout(500); console.log(await p.locator('#scale').textContent(), '|', await p.locator('#rest').textContent(), await p.locator('#reading').textContent(), await p.evaluate(() => document.querySelector('#bench').dataset.at), await p.locator('#refused, #unkept:visible').allTextContents()); }
await p.screenshot({ path: '/tmp/k/dbg.png' });
await b.close();
