// How fast the prescription page answers while many work on it: by load, and in a browser beside that load.
//   ./kitto bench page [--colourists 20] [--seconds 30] [--rest 2900]
// Each colourist has a client of the demo open and moves one fact after a rest of half to one and a half times --rest milliseconds:
// as often as the path from a report to the next kit has her do something (tests/browser/path.spec.mjs: 12 actions in 35 s). Then once more in a hurry, a fact a second.
import { parseArgs } from 'node:util';
import { createRequire } from 'node:module';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import setup, { root } from '../../tests/browser/setup.mjs';

const { chromium } = createRequire(join(root, 'tests', 'browser', 'package.json'))('@playwright/test');
const { values } = parseArgs({
  options: { colourists: { type: 'string', default: '20' }, seconds: { type: 'string', default: '30' }, rest: { type: 'string', default: '2900' } },
});
const [colourists, seconds, rest] = [values.colourists, values.seconds, values.rest].map(Number);
if (![colourists, seconds, rest].every(n => Number.isFinite(n) && n >= 0)) throw new Error('--colourists, --seconds and --rest want numbers from 0 up');
const down = await setup();
const url = path => process.env.KITTO_URL + path;
const wait = ms => new Promise(resolve => setTimeout(resolve, ms));
const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
// Processor time of the application so far, ms: what other processes of a shared machine take is not in it.
const spent = () => {
  const stat = readFileSync(`/proc/${process.env.KITTO_APP_PID}/stat`, 'utf8').split(') ')[1].split(' ');
  return (Number(stat[11]) + Number(stat[12])) * 10;
};
const say = (name, times) => {
  const sorted = [...times].sort((a, b) => a - b);
  console.log(
    `${name.padEnd(40)} ${String(sorted.length).padStart(6)} answers   median ${at(sorted, 0.5).toFixed(1)} ms   95 of 100 ${at(sorted, 0.95).toFixed(1)} ms   99 of 100 ${at(sorted, 0.99).toFixed(1)} ms   most ${sorted.at(-1).toFixed(1)} ms`,
  );
};

try {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(url('/signin'));
  await page.getByLabel('Name').fill('tove');
  await page.getByLabel('Password').fill('mail-boat-days');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.goto(url('/clients'));
  const clients = await page.locator('.lines .line').evaluateAll(lines => lines.map(l => l.getAttribute('href')));
  const cookie = (await page.context().cookies()).map(c => `${c.name}=${c.value}`).join('; ');

  // What each colourist's form holds, read by a real browser once.
  const forms = [];
  for (const client of clients) {
    await page.goto(url(client + '/prescription'));
    // A client who was never read has nothing to reckon; she would make the figures better than they are.
    if ((await page.locator('.formula').count()) > 0)
      forms.push({ path: client + '/prescription?handler=Preview', fields: await page.evaluate(() => [...new FormData(document.getElementById('sitting'))]) });
  }

  const moves = [
    () => ['zones.crown.regrowthMm', 8 + Math.floor(Math.random() * 22)],
    () => ['zones.leftTemple.greyPercent', 5 * Math.floor(Math.random() * 20)],
    () => ['goal.level', 4 + Math.floor(Math.random() * 5)],
    () => ['hair.porosity', ['low', 'normal', 'high'][Math.floor(Math.random() * 3)]],
  ];
  const move = () => moves[Math.floor(Math.random() * moves.length)]();
  const change = form => {
    const [name, value] = move();
    const body = new URLSearchParams(form.fields.map(([n, v]) => [n, n === name ? String(value) : n === 'touched' ? '1' : v]));
    return fetch(url(form.path), { method: 'POST', headers: { cookie, 'content-type': 'application/x-www-form-urlencoded' }, body });
  };
  const work = async (many, pause, until, times) =>
    Promise.all(
      Array.from({ length: many }, async (_, i) => {
        const form = forms[i % forms.length];
        await wait(Math.random() * pause);
        while (performance.now() < until) {
          const from = performance.now();
          const answer = await change(form);
          const text = await answer.text();
          if (!answer.ok || !text.includes('id="answer"')) throw new Error(`${answer.status} for ${form.path}`);
          times.push(performance.now() - from);
          if (pause > 0) await wait(pause * (0.5 + Math.random()));
        }
      }),
    );

  // Until everything is compiled as well as it will be, nothing is timed.
  await work(colourists, 200, performance.now() + 12_000, []);
  const alone = [];
  await work(1, 50, performance.now() + 4000, alone);
  say('one colourist', alone);

  // One of them in a browser, going from client to client; the others beside her.
  const together = async pause => {
    const times = [],
      felt = [];
    const until = performance.now() + seconds * 1000;
    const load = work(colourists - 1, pause, until, times);
    for (let n = 0; performance.now() < until - 2000; n++) {
      await page.goto(url(forms[n % forms.length].path.split('?')[0]));
      // From the keystroke to the frame in which the new drawings stand.
      await page.evaluate(() => {
        window.felt = [];
        new MutationObserver(() => {
          const { from } = window;
          if (from) {
            window.from = 0;
            requestAnimationFrame(() => {
              const seen = new MessageChannel();
              seen.port1.onmessage = () => window.felt.push(performance.now() - from);
              seen.port2.postMessage(0);
            });
          }
        }).observe(document.getElementById('answer'), { childList: true, subtree: true, characterData: true, attributes: true });
      });
      await wait(700);
      for (let i = 0; i < 6 && performance.now() < until - 400; i++) {
        await page.evaluate(([name, value]) => {
          const field = document.querySelector(`[name="${name}"]`);
          field.value = value;
          window.from = performance.now();
          for (const event of field.localName === 'select' ? ['input', 'change'] : ['input']) field.dispatchEvent(new Event(event, { bubbles: true }));
        }, move().map(String));
        await wait(300 + 200 * Math.random());
      }

      felt.push(...(await page.evaluate(() => window.felt)));
    }

    await load;
    say(`${colourists} colourists, every ${(pause / 1000).toFixed(1)} s: wire`, times);
    say('    what she sees, from the keystroke', felt);
  };
  // The machine may be shared: how much of its time others took is said beside what was measured.
  const taken = () => {
    const cpu = readFileSync('/proc/stat', 'utf8').split('\n')[0].trim().split(/\s+/).slice(1).map(Number);
    return [cpu[7], cpu.reduce((a, b) => a + b, 0)];
  };
  // And how fast it is just now: the same sum at two times can take half as long again.
  const pace = () => {
    const from = performance.now();
    let sum = 0;
    for (let i = 1; i < 1e7; i++) sum += Math.sqrt(i) / i;
    return sum > 0 ? performance.now() - from : 0;
  };
  for (const pause of [rest, 1000]) {
    const [stolen, all] = taken(),
      before = pace();
    await together(pause);
    const [stolenThen, allThen] = taken();
    console.log(
      `    time of the machine taken by others meanwhile: ${((100 * (stolenThen - stolen)) / (allThen - all)).toFixed(0)} %; a fixed sum took ${before.toFixed(0)} ms before and ${pace().toFixed(0)} ms after`,
    );
  }

  const hard = [],
    before = spent();
  await work(colourists, 0, performance.now() + 6000, hard);
  say(`${colourists}, none of them resting`, hard);
  console.log(
    `${(hard.length / 6).toFixed(0)} answers a second; ${((spent() - before) / hard.length).toFixed(1)} ms of processor time of the application for each`,
  );
  await browser.close();
} finally {
  await down();
}
