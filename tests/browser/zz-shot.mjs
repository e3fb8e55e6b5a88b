import { chromium } from '@playwright/test';
const [,, out, path, size = '1280x800', ...acts] = process.argv;
const [w, h] = size.split('x').map(Number);
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const p = await b.newPage({ viewport: { width: w, height: h } });
const base = process.env.KITTO_URL ?? 'http://127.0.0.1:5290';
p.on('console', m => { if (m.type() === 'error') console.log('console:', m.text()); });
p.on('pageerror', e => console.log('pageerror:', e.message));
await p.goto(base + '/signin'); await p.fill('[name=UserName]', 'tove'); await p.fill('[name=Password]', 'mail-boat-days'); await p.click('form[method=post] button'); await p.waitForURL(base + '/');
await p.goto(base + path);
for (const a of acts) { if (a.startsWith('click:')) await p.click(a.slice(6)); else if (a.startsWith('wait:')) await p.waitForTimeout(Number(a.slice(5))); else if (a.startsWith('dark')) await p.click('#dark'); else if (a.startsWith('full')) {} else if (a.startsWith('js:')) console.log(await p.evaluate(a.slice(3))); }
await p.waitForTimeout(300);
await p.screenshot({ path: out, fullPage: acts.includes('full') });
console.log(p.url()); await b.close();
