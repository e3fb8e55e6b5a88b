// Grows a database from the demo to so many clients with whole documents, and measures every page and job at each size.
//   ./kitto bench scale [--clients 1000,10000,100000] [--times 25]
import { execFileSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { parseArgs } from 'node:util';
import setup, { psql } from '../../tests/browser/setup.mjs';
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

/** Copies every client of the demo so often, with all that belongs to them; one kit in fifty is under way, the others were used and read. */
function grow(until) {
  const there = Number(sql('select count(*) from client'));
  const demo = Number(sql("select count(*) from client where name not like '%·%'"));
  const from = Math.ceil(there / demo);
  const to = Math.floor(until / demo);
  if (to < from) return;
  const server = Object.fromEntries(process.env.KITTO_TEST_SERVER.split(';').map(p => p.split('=')));
  const bin = readdirSync('/usr/lib/postgresql')
    .map(v => `/usr/lib/postgresql/${v}/bin/psql`)
    .pop();
  const columns = sql("select string_agg(column_name, ', ') from information_schema.columns where table_name = 'kit' and is_generated = 'NEVER'");
  const statement = `
    set session_replication_role = replica;
    set synchronous_commit = off;
    create temp table c on commit preserve rows as
      select c.id as old, n, gen_random_uuid() as id, n % 50 = 0 as open, (120 + (n * 37) % 900) * interval '1 day' as ago,
        (array['Ada','Berit','Cora','Dagny','Elin','Frida','Gro','Hedda','Ida','Jorunn','Kaia','Liv','Mona','Nora','Oda','Pia','Ragna','Siri','Tuva','Unni'])[1 + (n * 7 + c.ord) % 20]
        || ' ' || initcap(translate(substr(md5(n || 'x' || c.ord), 1, 7), '0123456789', 'aeiouklmnr')) || ' ·' || n as name
      from (select id, row_number() over () as ord from client where name not like '%·%') c, generate_series(${from}, ${to - 1}) n;
    create temp table r as select r.id as old, c.n, gen_random_uuid() as id, c.id as client, c.ago from reading r join c on c.old = r.client_id;
    create temp table p as select p.id as old, p.n, gen_random_uuid() as id, p.client, p.ago, r.id as reading from (select p.id, p.reading_id, c.n, c.id as client, c.ago from prescription p join c on c.old = p.client_id) p join r on r.old = p.reading_id and r.n = p.n;
    create temp table k as select k.id as old, p.n, gen_random_uuid() as id, p.client, p.id as prescription, c.open, c.ago from kit k join p on p.old = k.prescription_id join c on c.id = p.client;
    create temp table e as select s.seq as old, c.n, gen_random_uuid() as id, s.id as was, c.id as client, c.ago from safety_event s join c on c.old = s.client_id;
    create index on k (old, n); create index on e (was, n); analyze c; analyze r; analyze p; analyze k; analyze e;
    insert into client select (jsonb_populate_record(x, jsonb_build_object('id', c.id, 'name', c.name, 'email', 'c' || c.n || '@example.org'))).* from client x join c on c.old = x.id;
    insert into reading select (jsonb_populate_record(x, jsonb_build_object('id', r.id, 'client_id', r.client, 'taken_at', x.taken_at - r.ago))).* from reading x join r on r.old = x.id;
    insert into prescription select (jsonb_populate_record(x, jsonb_build_object('id', p.id, 'client_id', p.client, 'reading_id', p.reading, 'signed_at', x.signed_at - p.ago))).* from prescription x join p on p.old = x.id;
    insert into kit (${columns}) select ${columns} from (select (jsonb_populate_record(x, jsonb_build_object('id', k.id, 'client_id', k.client, 'prescription_id', k.prescription)
      || case when k.open then '{}' else jsonb_build_object('state', case when x.state = 'stopped' then 'closed' else 'reported' end,
        'fill_on', x.fill_on - k.ago, 'post_on', x.post_on - k.ago, 'arrives_on', x.arrives_on - k.ago, 'skin_on', x.skin_on - k.ago, 'strand_on', x.strand_on - k.ago, 'colour_on', x.colour_on - k.ago, 'due_on', x.due_on - k.ago,
        'packed_at', coalesce(x.packed_at, now()) - k.ago, 'posted_at', coalesce(x.posted_at, now()) - k.ago, 'read_at', now() - k.ago) end)).* from kit x join k on k.old = x.id) made;
    insert into safety_event overriding user value select (jsonb_populate_record(x, jsonb_build_object('id', e.id, 'client_id', e.client, 'kit_id', k.id, 'of_event', o.id, 'said_at', x.said_at - e.ago, 'happened_at', x.happened_at - e.ago))).* from safety_event x join e on e.old = x.seq left join k on k.old = x.kit_id and k.n = e.n left join e o on o.was = x.of_event and o.n = e.n;
    insert into answers overriding user value select (jsonb_populate_record(x, jsonb_build_object('client_id', c.id, 'answered_at', x.answered_at - c.ago, 'seen_at', case when c.open then x.seen_at else coalesce(x.seen_at, now()) end))).* from answers x join c on c.old = x.client_id;
    insert into run_step overriding user value select (jsonb_populate_record(x, jsonb_build_object('id', gen_random_uuid(), 'kit_id', k.id, 'begun_at', x.begun_at - k.ago, 'received_at', x.received_at - k.ago))).* from run_step x join k on k.old = x.kit_id;
    insert into outcome_report (kit_id, applied_on, coverage, depth, tone, left_grams, ran_out, weighed, comfort, minutes, note, reported_at, seen_at, zones)
      select k.id, current_date, 'full', 'right', 'right', 8 + k.n % 9, false, true, 'fine', 25 + k.n % 11, '', now() - k.ago, now() - k.ago, '{}' from k where not k.open or exists (select from outcome_report o where o.kit_id = k.old);
    insert into kit_account select (jsonb_populate_record(x, jsonb_build_object('kit_id', k.id, 'client_id', k.client, 'booked_on', x.booked_on - k.ago, 'reported', true, 'in_band', k.n % 5 > 0))).* from kit_account x join k on k.old = x.kit_id;
    insert into kit_goods select (jsonb_populate_record(x, jsonb_build_object('kit_id', k.id, 'booked_on', x.booked_on - k.ago))).* from kit_goods x join k on k.old = x.kit_id;
    insert into link (id, purpose, kit_id, token_hash, created_at, expires_at) select gen_random_uuid(), 'guide', k.id, sha256(k.id::text::bytea), now() - k.ago, now() - k.ago + interval '60 days' from k;
    insert into message (id, key, client_id, recipient, subject, body, due_at, made_at, sent_at, attempts)
      select gen_random_uuid(), 'scale:' || c.id || m, c.id, 'c' || c.n || '@example.org', 'Your kit is on its way', repeat('It is with you soon; put the skin test on as the guide says. ', 6), now() - c.ago - m * interval '1 day', now() - c.ago - m * interval '1 day', now() - c.ago - m * interval '1 day', 1
      from c, generate_series(1, 20) m;
    insert into trail (at, who, kind, client_id, about) select now() - c.ago, 'Tove Marlin', 'answers.read', c.id, '/Clients/Detail' from c, generate_series(1, 3);
  `;
  execFileSync(bin, ['-h', server.Host, '-p', server.Port, '-U', server.Username, '-d', process.env.KITTO_BROWSER_DB, '-v', 'ON_ERROR_STOP=1', '-qAt'], {
    input: statement,
    env: { ...process.env, PGPASSWORD: server.Password, PGOPTIONS: '-c kitto.studio=1' },
    stdio: ['pipe', 'ignore', 'inherit'],
  });
  sql('vacuum analyze');
}

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
    if (Number(sql('select count(*) from client')) < size * 0.9) grow(size);
    // Growing stood still here: lines that ended meanwhile are noticed before the next is asked for.
    await new Promise(resolve => setTimeout(resolve, 500));
    const cookie = await signIn(process.env.KITTO_URL);
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
