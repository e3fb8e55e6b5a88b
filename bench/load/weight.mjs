// What the pages weigh on a phone with a slow line: bytes on the wire, time to the largest paint, and how far the page jumps.
//   ./kitto bench weight      400 kbit/s, 150 ms each way to the server and back, a processor four times slower; cold, then once more warm
import { createRequire } from 'node:module';
import { join } from 'node:path';
import setup, { root } from '../../tests/browser/setup.mjs';

const { chromium } = createRequire(join(root, 'tests', 'browser', 'package.json'))('@playwright/test');
const line = { offline: false, latency: 150, downloadThroughput: 400_000 / 8, uploadThroughput: 400_000 / 8 };
const down = await setup();
const url = path => process.env.KITTO_URL + path;

try {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  const desk = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await desk.newPage();
  await page.goto(url('/signin'));
  await page.getByLabel('Name').fill('tove');
  await page.getByLabel('Password').fill('mail-boat-days');
  await page.getByRole('button', { name: 'Sign in' }).click();
  const open = async name => {
    await page.goto(url('/clients?find=' + name));
    await page.locator('.line').first().click();
    await page.waitForURL(/clients\/[0-9a-f-]+$/);
    return page.url();
  };
  await page.goto((await open('Nuala')) + '/answers');
  await page.getByRole('button', { name: 'Make a link' }).click();
  const ask = await page.getByLabel('Address of the questions').inputValue();
  const prescription = (await open('Sunniva')) + '/prescription';
  await open('Maren');
  await page.locator('.past a[href^="/kits"]').first().click();
  await page.waitForURL(/kits\//);
  const guide = await page.getByLabel('Link to the guide').first().inputValue();
  const storageState = await desk.storageState();

  // The server has compiled what it needs before anything is timed.
  for (let i = 0; i < 5; i++) for (const path of [ask, guide, prescription]) await page.goto(path);

  const look = async (tab, path) => {
    const wire = await tab.context().newCDPSession(tab);
    await wire.send('Network.enable');
    await wire.send('Network.emulateNetworkConditions', line);
    await wire.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    let bytes = 0,
      asked = 0;
    wire.on('Network.loadingFinished', e => {
      bytes += e.encodedDataLength;
    });
    wire.on('Network.requestWillBeSent', () => {
      asked++;
    });
    await tab.goto(path, { waitUntil: 'networkidle', timeout: 120_000 });
    await tab.waitForTimeout(500);
    const seen = await tab.evaluate(
      () =>
        new Promise(resolve => {
          let paint = 0,
            shift = 0;
          new PerformanceObserver(list => {
            for (const e of list.getEntries()) paint = e.startTime;
          }).observe({ type: 'largest-contentful-paint', buffered: true });
          new PerformanceObserver(list => {
            for (const e of list.getEntries()) if (!e.hadRecentInput) shift += e.value;
          }).observe({ type: 'layout-shift', buffered: true });
          setTimeout(() => resolve({ paint, shift, first: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0 }), 300);
        }),
    );
    await wire.detach();
    return { kB: bytes / 1000, asked, ...seen };
  };
  for (const [name, path, phone] of [
    ['questions', ask, true],
    ['guide', guide, true],
    ['prescription', prescription, false],
  ]) {
    const context = await browser.newContext({
      storageState: phone ? undefined : storageState,
      viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    });
    const tab = await context.newPage();
    for (const how of ['cold', 'warm']) {
      const { kB, asked, paint, first, shift } = await look(tab, path);
      console.log(
        `${name.padEnd(13)} ${how}  ${kB.toFixed(0).padStart(4)} kB in ${String(asked).padStart(2)} requests   first paint ${(first / 1000).toFixed(1)} s   largest ${(paint / 1000).toFixed(1)} s   shift ${shift.toFixed(3)}`,
      );
      await tab.goto('about:blank');
    }
    await context.close();
  }
  await browser.close();
} finally {
  await down();
}
