import { chromium } from '@playwright/test';
import { signIn } from './help.mjs';
process.env.KITTO_URL ??= 'http://127.0.0.1:5290';
const [name, out, w = '1280', h = '800', script = ''] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: +w, height: +h } });
page.on('console', m => m.type() === 'error' && console.log('console:', m.text()));
page.on('pageerror', e => console.log('pageerror', e.message));
await signIn(page);
if (name.startsWith('/')) await page.goto(process.env.KITTO_URL + name);
else { await page.goto(process.env.KITTO_URL + '/clients?find=' + name); await page.locator('.line').first().click(); await page.waitForURL(/clients\/[0-9a-f-]+$/); await page.locator('.page-head .act').click(); await page.waitForSelector('#answer'); }
if (script) await (new (Object.getPrototypeOf(async function () {}).constructor)('page', script))(page);
await page.waitForTimeout(500);
await page.screenshot({ path: out });
await browser.close();
