// Grows a database from the demo to so many clients with whole documents, and measures every page and job at each size.
//   ./kitto bench scale [--clients 1000,10000,100000] [--times 25]
import { parseArgs } from 'node:util';
import setup, { psql } from '../../tests/browser/setup.mjs';
import { grow } from './grow.mjs';
import { signIn } from './session.mjs';

const { values } = parseArgs({
  options: { clients: { type: 'string', default: '1000,10000,100000' }, times: { type: 'string', default: '25' }, explain: { type: 'boolean' } },
});
const sizes = values.clients.split(',').map(Number);
const times = Number(values.times);
if (!(times > 0) || sizes.some(s => !(s > 20))) throw new Error('--clients wants numbers above 20, comma between; --times a number above 0');

process.env.KITTO_MESSAGES = 'off';
const down = await setup();
const sql = statement => psql(process.env.KITTO_BROWSER_DB, statement);
const url = path => process.env.KITTO_URL + path;

/** How long an address takes to answer, so often, ms; the first two are not counted. */
async function measure(ask) {
  const took = [];
  for (let i = 0; i < times + 2; i++) {
    const began = performance.now();
    const answer = await ask(i);
    const text = await answer.text();
    if (!answer.ok) throw new Error(`${answer.url}: ${answer.status} ${text.slice(0, 200)}`);
    if (i >= 2) took.push(performance.now() - began);
  }
  took.sort((a, b) => a - b);
  return { median: took[Math.floor(took.length / 2)], p95: took[Math.min(took.length - 1, Math.floor(took.length * 0.95))] };
}

const found = {};
try {
  for (const size of sizes) {
    const began = performance.now();
    if (Number(sql('select count(*) from client')) < size * 0.9) grow(process.env.KITTO_BROWSER_DB, size);
    // Growing stood still here: lines that ended meanwhile are noticed before the next is asked for.
    await new Promise(resolve => setTimeout(resolve, 500));
    const cookie = await signIn(process.env.KITTO_URL);
    // What was grown is looked at for the first time: in earnest every signing is, by itself.
    const looked = performance.now();
    while (sql('select exists (select from kit_stand where look_at <= now())') === 't') await fetch(url('/outbox'), { headers: { Cookie: cookie } });
    console.log(`looked at for the first time in ${((performance.now() - looked) / 1000).toFixed(1)} s`);
    sql('vacuum analyze kit_stand');
    sql('vacuum analyze kit_day');
    const get = path => () => fetch(url(path), { headers: { Cookie: cookie } });
    // Other clients at every turn, so that nothing is measured that was just read.
    const pick = (statement, count = 40) => sql(`select id from (${statement}) x order by md5(id::text) limit ${count}`).split('\n');
    const clients = pick('select id from client');
    const kits = pick("select id from kit where state = 'reported'");
    const prescriptions = pick('select id from prescription');
    const each = (ids, path) => i => get(path(ids[i % ids.length]))();
    console.log(
      `${size} clients: ${sql('select count(*) from client')} with ${sql('select count(*) from kit')} kits, ${sql('select count(*) from open_kit')} of them under way, ${sql('select count(*) from message')} messages, ${sql('select pg_size_pretty(pg_database_size(current_database()))')}; grown in ${((performance.now() - began) / 1000).toFixed(0)} s`,
    );
    const pages = {
      Today: get('/'),
      'Today, one group': get('/?group=Under%20way&at=2'),
      Clients: get('/clients'),
      'find "mar"': get('/clients?handler=Rows&find=mar'),
      'find "o"': get('/clients?handler=Rows&find=o'),
      Client: each(clients, id => `/clients/${id}`),
      Prescription: each(clients, id => `/clients/${id}/prescription`),
      Answers: each(clients, id => `/clients/${id}/answers`),
      'Kit sheet': each(kits, id => `/kits/${id}`),
      Signed: each(prescriptions, id => `/prescriptions/${id}`),
      Week: get('/week'),
      'Week, a year ago': get(`/week?of=${new Date(Date.now() - 365 * 86_400_000).toISOString().slice(0, 10)}`),
      Outbox: get('/outbox'),
      Bench: get('/bench'),
      Shelf: get('/shelf'),
      Stock: get('/shelf/stock'),
      'Shopping list': get('/shelf/stock?handler=List'),
      Ledger: get('/ledger'),
      House: get('/house'),
      Trail: get('/house/trail'),
      'Trail of one client': each(clients, id => `/house/trail?client=${id}`),
      'message round': get('/outbox'),
      alive: get('/healthz'),
    };
    for (const [name, ask] of Object.entries(pages)) (found[name] ??= []).push(await measure(ask));
  }
  const pad = (text, length) => String(text).padStart(length);
  console.log(`\n${'median / 95 of 100, ms'.padEnd(26)}${sizes.map(s => pad(s, 18)).join('')}   ratio of 95ths`);
  for (const [name, at] of Object.entries(found))
    console.log(
      `${name.padEnd(26)}${at.map(a => pad(`${a.median.toFixed(1)} / ${a.p95.toFixed(1)}`, 18)).join('')}   ${(at.at(-1).p95 / at[0].p95).toFixed(2)}`,
    );
} finally {
  await down();
}
