// How fast a reading of the scale is on the screen while two benches work, and how fast the ledger answers over 100 000 kits.
//   ./kitto bench weigh [--seconds 20] [--kits 100000]
import { spawn } from 'node:child_process';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import setup, { freePort, psql, root } from '../../tests/browser/setup.mjs';
import { signIn } from './session.mjs';

const { chromium } = createRequire(join(root, 'tests', 'browser', 'package.json'))('@playwright/test');
const { values } = parseArgs({ options: { seconds: { type: 'string', default: '20' }, kits: { type: 'string', default: '100000' } } });
const [seconds, kits] = [Number(values.seconds), Number(values.kits)];
if (!(seconds > 0 && kits > 0)) throw new Error('--seconds and --kits want numbers above 0');
const down = await setup();
const sql = statement => psql(process.env.KITTO_BROWSER_DB, statement);
const url = path => process.env.KITTO_URL + path;
const wait = ms => new Promise(resolve => setTimeout(resolve, ms));
const say = (name, times) => {
  const s = [...times].sort((a, b) => a - b);
  const at = share => s[Math.min(s.length - 1, Math.floor(s.length * share))].toFixed(1);
  console.log(
    `${name.padEnd(44)} ${String(s.length).padStart(6)}   median ${at(0.5)} ms   95 of 100 ${at(0.95)} ms   99 of 100 ${at(0.99)} ms   most ${at(1)} ms`,
  );
};
const port = await freePort();
const scale = spawn('node', [join(root, 'tools', 'scale', 'serve.mjs'), '--port', String(port)], { stdio: 'ignore' });
const hand = what => fetch(`http://127.0.0.1:${port}/do`, { method: 'POST', body: JSON.stringify(what) });
try {
  await wait(500);
  sql(`update studio set scale = '{"from":"stream","address":"http://127.0.0.1:${port}"}'`);
  const ids = sql("select id from kit where state = 'signed'").split('\n').slice(0, 2);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  // From the line as the scale wrote it, by the clock of this machine, to the frame in which it is painted.
  await context.addInitScript(() => {
    globalThis.shown = [];
    const add = EventSource.prototype.addEventListener;
    EventSource.prototype.addEventListener = function (kind, take, ...rest) {
      const timed =
        kind !== 'message'
          ? take
          : event => {
              take(event);
              requestAnimationFrame(() => setTimeout(() => globalThis.shown.push(Date.now() - Number(event.lastEventId))));
            };
      return add.call(this, kind, timed, ...rest);
    };
  });
  const first = await context.newPage();
  await first.goto(url('/signin'));
  await first.getByLabel('Name').fill('tove');
  await first.getByLabel('Password').fill('mail-boat-days');
  await first.getByRole('button', { name: 'Sign in' }).click();
  // Two tablets: a page that is not looked at paints nothing.
  const second = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, storageState: await context.storageState() })).newPage();
  await second.addInitScript('globalThis.shown = []');
  await first.goto(url(`/bench/${ids[0]}`));
  await second.goto(url(`/bench/${ids[1] ?? ids[0]}`));
  await hand({ kind: 'put' });
  await wait(1500);
  await first.keyboard.press(' ');
  await second.keyboard.press(' ');
  for (let t = 0; t < seconds; t += 2) {
    await hand({ kind: 'pour', grams: 2.5, speed: 3 });
    await wait(2000);
  }
  say('a reading, from the scale to the screen', await first.evaluate(() => globalThis.shown));
  await browser.close();

  sql(`
    insert into client (id, name, birth_date, destination_id, created_at) select gen_random_uuid(), 'Client ' || n, '1980-01-01', (select min(id) from destination), now() from generate_series(1, ${Math.ceil(kits / 20)}) n;
    create temp table c as select id, row_number() over () as n from client where name like 'Client %';
    create temp table r as select gen_random_uuid() as id, id as client_id, n from c;
    insert into reading (id, client_id, version, taken_at, taken_by, document) select id, client_id, 1, now(), (select id from person limit 1), '{}' from r;
    create temp table p as select gen_random_uuid() as id, gen_random_uuid() as kit, r.client_id, r.id as reading_id, k.n as number from r cross join generate_series(1, 20) k(n);
    insert into prescription (id, client_id, reading_id, decision, service, signed_at, signed_by, case_document, document) select id, client_id, reading_id, 'kit', 'rootTouchUp', now(), (select id from person limit 1), '{}', '{}' from p;
    insert into kit (id, prescription_id, client_id, number, lines, strand_needed, state) select kit, id, client_id, number, 'lantern-cream', false, 'closed' from p;
    insert into kit_account (kit_id, client_id, service, booked_on, goods, lost, containers, postage, labour, minutes, price, known, sent_g, promised, low_g, use_g, high_g, residue_g, delta_e, paint_min, contact_min)
      select kit, client_id, (array['rootTouchUp', 'gloss', 'rootShadow'])[1 + number % 3], current_date - (random() * 360)::int, round((8 + random() * 9)::numeric, 2), 0.2, 4.3, 3.8, 9, 20, 39.5, true, 90, 0.9, 60, 75, 92, 4, random() * 5, 25, 55 from p;
    insert into kit_goods (kit_id, line, booked_on, goods, lost) select kit_id, 'lantern-cream', booked_on, goods, lost from kit_account where kit_id in (select kit from p);
    insert into outcome_report (kit_id, applied_on, coverage, depth, tone, left_grams, ran_out, weighed, comfort, minutes, reported_at)
      select kit, current_date - (random() * 360)::int, 'full', case when random() < 0.1 then 'tooDark' else 'right' end, 'right', random() * 20, random() < 0.1, random() < 0.7, 'fine', 20 + random() * 15, now() from p;
    select 1;
  `);
  // As the database leaves a table it has had a while.
  for (const table of ['kit_account', 'kit_goods', 'client']) sql(`vacuum analyze ${table}`);
  const cookie = await signIn(process.env.KITTO_URL);
  const times = [];
  for (let i = 0; i < 22; i++) {
    const began = performance.now();
    const answer = await fetch(url('/ledger'), { headers: { Cookie: cookie } });
    const html = await answer.text();
    if (!html.includes('By month')) throw new Error('the ledger did not answer');
    if (i >= 2) times.push(performance.now() - began);
  }
  say(`the ledger over ${sql('select count(*) from kit_account')} kits`, times);
} finally {
  scale.kill();
  await down();
}
