// Kills the application or its database at random moments under load, again and again, and looks afterwards for acknowledged words that are gone and for half states.
// Run by ./kitto bench faults [--kills N]; the database keeps to the disk as in earnest.
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes, randomUUID, createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { psql } from '../../tests/browser/setup.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');
const kills = Number(process.argv[process.argv.indexOf('--kills') + 1] || 200) || 200;
const name = 'kitto_faults_' + randomBytes(4).toString('hex');
const { KITTO_TEST_SERVER: cluster, KITTO_PG_DATA: data } = process.env;
const sql = text => psql(name, text);
const sleep = ms => new Promise(resolve => setTimeout(resolve, ms));
// The same seed kills at the same random moments; what happens to be under way then is not the same.
let state = 20270301;
const chance = () => {
  state ^= state << 13;
  state ^= state >>> 17;
  state ^= state << 5;
  return (state >>> 0) / 2 ** 32;
};
const one = list => list[Math.floor(chance() * list.length)];
const port = await new Promise(resolve => {
  const s = createServer().listen(0, '127.0.0.1', () => {
    const { port: p } = s.address();
    s.close(() => resolve(p));
  });
});
const url = `http://127.0.0.1:${port}`;
const keys = mkdtempSync(join(tmpdir(), 'kitto-keys-'));
let app;
const start = () => {
  app = spawn('dotnet', [process.env.KITTO_APP], {
    stdio: process.env.KITTO_SAY ? 'inherit' : 'ignore',
    env: {
      ...process.env,
      KITTO_DATABASE: `${cluster};Database=${name}`,
      KITTO_DEMO: '1',
      KITTO_KEYS: keys,
      KITTO_MESSAGES: 'off',
      KITTO_LIMITS: '1000',
      ASPNETCORE_URLS: url,
      ASPNETCORE_CONTENTROOT: dirname(process.env.KITTO_APP),
      Logging__LogLevel__Default: process.env.KITTO_SAY ? 'Error' : 'None',
    },
  });
};
const ready = async () => {
  try {
    return (await (await fetch(url + '/healthz', { signal: AbortSignal.timeout(4000) })).json()).ready === true;
  } catch {
    return false;
  }
};
const back = async () => {
  for (let i = 1; i < 900; i++) {
    if (await ready()) return;
    if (app.exitCode !== null || app.signalCode !== null) start();
    if (i % 25 === 0) databaseUp();
    await sleep(100);
  }
  throw new Error('it did not come back within a minute');
};
const databaseUp = () => spawnSync('bash', [join(root, 'kitto'), 'bench', 'faults-database'], { env: process.env, encoding: 'utf8' });

start();
await back();

// Sixty clients with a posted kit each, copied from one of the demo, each with a link to its guide and one to the questions.
const clients = JSON.parse(
  sql(`
  create temp table made as select gen_random_uuid() as client, gen_random_uuid() as kit, gen_random_uuid() as prescription, n from generate_series(1, 60) n;
  insert into client (id, name, birth_date, destination_id, created_at) select client, 'Fault ' || n, '1980-01-01', (select min(id) from destination), now() from made;
  insert into reading (id, client_id, version, taken_at, taken_by, document) select gen_random_uuid(), m.client, 1, now(), r.taken_by, r.document from made m, (select * from reading limit 1) r;
  insert into prescription select m.prescription, m.client, (select id from reading where client_id = m.client), p.decision, p.service, now() - interval '9 days', p.signed_by, p.case_document, p.document, p.guide, p.shelf_hash, p.names
    from made m, (select p.* from prescription p join kit k on k.prescription_id = p.id where k.state = 'posted' limit 1) p;
  insert into kit (id, prescription_id, client_id, number, lines, strand_needed, state, packed_at, posted_at, run_first, run_off)
    select kit, prescription, client, 1, 'lantern-cream', true, 'posted', now() - interval '8 days', now() - interval '7 days', 4, 14 from made;
  select json_agg(json_build_object('client', client, 'kit', kit)) from made;`)
    .split('\n')
    .pop(),
);
const link = (purpose, kit, client) => {
  const token = randomBytes(16);
  sql(
    `insert into link (id, purpose, kit_id, client_id, token_hash, created_at, expires_at) values (gen_random_uuid(), '${purpose}', ${kit ? `'${kit}'` : 'null'}, ${client ? `'${client}'` : 'null'}, '\\x${createHash('sha256').update(token).digest('hex')}', now(), now() + interval '30 days')`,
  );
  return token.toString('base64url');
};
for (const c of clients) {
  c.guide = link('guide', c.kit, null);
  c.ask = link('ask', null, c.client);
  c.version = 1;
}

// What was acknowledged, by what to look for.
const acknowledged = [];
const counts = { sent: 0, acknowledged: 0, broken: 0, refused: 0 };
const post = (path, fields, headers = {}) => {
  counts.sent++;
  return fetch(url + path, { method: 'POST', body: new URLSearchParams(fields), redirect: 'manual', headers, signal: AbortSignal.timeout(15_000) });
};
const note = (ok, what) => {
  if (ok) {
    counts.acknowledged++;
    acknowledged.push(what);
  } else counts.refused++;
};

let cookie = '';
const signedIn = async () => {
  const page = await fetch(url + '/signin');
  const form = await page.text();
  const jar = page.headers.getSetCookie().map(c => c.split(';')[0]);
  const answer = await post(
    '/signin',
    {
      UserName: 'tove',
      Password: 'mail-boat-days',
      __RequestVerificationToken: /name="__RequestVerificationToken" type="hidden" value="([^"]+)"/.exec(form)[1],
    },
    { cookie: jar.join('; ') },
  );
  cookie = [...jar, ...answer.headers.getSetCookie().map(c => c.split(';')[0])].join('; ');
};

const acts = {
  async reaction(c) {
    const id = randomUUID();
    note((await post(`/g/${c.guide}?handler=Burns`, { id, happened: 'a fault run' })).status === 302, ['event', id]);
  },
  async skin(c) {
    const id = randomUUID();
    note(
      (await post(`/g/${c.guide}?handler=PutOn`, { id, line: 'lantern-cream', at: '', moment: new Date().toISOString().slice(0, 19) + '+00:00' })).status ===
        302,
      ['event', id],
    );
  },
  async strand(c) {
    const id = randomUUID();
    note((await post(`/g/${c.guide}?handler=Strand`, { id, result: 'tooDark', minutes: '30' })).status === 302, ['event', id]);
  },
  async report(c) {
    const answer = await post(`/g/${c.guide}?handler=Report`, {
      id: randomUUID(),
      appliedOn: new Date().toISOString().slice(0, 10),
      coverage: 'full',
      depth: 'right',
      tone: 'right',
      comfort: one(['fine', 'reacted']),
      leftGrams: '5',
    });
    note(answer.status === 302, ['report', c.kit]);
  },
  async answers(c) {
    const reacted = chance() < 0.5;
    const answer = await post(`/ask/${c.ask}`, {
      begunFrom: '0',
      birthDate: '1980-01-01',
      reactions: reacted ? 'yes' : 'no',
      blackHenna: 'no',
      scalp: 'sound',
      'none.hairline': 'true',
      'none.skin': 'true',
      'none.pregnant': 'true',
      'none.since': 'true',
      'none.damage': 'true',
      'none.reading': 'true',
      'put.0.what': 'permanent',
      'put.0.year': '2025',
    });
    const text = answer.status === 200 ? await answer.text() : '';
    note(text.includes('Thank you') || text.includes('No colour for now'), ['answers', c.client]);
  },
  async edit(c) {
    const page = await fetch(`${url}/clients/${c.client}/edit`, { headers: { cookie }, signal: AbortSignal.timeout(15_000) });
    const form = await page.text();
    const token = /name="__RequestVerificationToken" type="hidden" value="([^"]+)"/.exec(form)?.[1];
    const field = n => new RegExp(`name="${n}"[^>]*value="([^"]*)"`).exec(form)?.[1] ?? '';
    if (!token) return;
    const mark = randomUUID();
    const answer = await post(
      `/clients/${c.client}/edit`,
      {
        Name: 'Fault ' + mark,
        BirthDate: chance() < 0.3 ? '2015-01-01' : '1980-01-01',
        DestinationId: sqlDestination,
        Note: mark,
        Email: '',
        Version: field('Version'),
        __RequestVerificationToken: token,
      },
      { cookie },
    );
    // A later one may have taken its place: what counts is that the version went on.
    note(answer.status === 302, ['version', c.client, Number(field('Version')) + 1]);
  },
};
const sqlDestination = sql('select min(id) from destination');
await signedIn();
let running = true;
const worker = async () => {
  while (running) {
    const c = one(clients);
    try {
      await acts[one(Object.keys(acts))](c);
    } catch {
      counts.broken++;
      await sleep(100);
    }
    await sleep(chance() * 60);
  }
};
const workers = Array.from({ length: 8 }, worker);

const half = () =>
  JSON.parse(
    sql(`select json_build_object(
  'kit that goes on though a stop was said', (select count(*) from safety_event e join kit k on k.client_id = e.client_id where e.kind in ('stop', 'reaction') and k.state in ('signed', 'packed', 'posted', 'reported')),
  'answer that stops without its stop', (select count(*) from answers a where a.document ->> 'reactions' = 'true' and not exists (select 1 from safety_event e where e.source = 'answers:' || a.id)),
  'stop without its answer', (select count(*) from safety_event e where e.source like 'answers:%' and not exists (select 1 from answers a where 'answers:' || a.id = e.source)),
  'answers with their link still open', (select count(*) from answers a join link l on l.client_id = a.client_id and l.purpose = 'ask' where a.answered_by is null and l.revoked_at is null and exists (select 1 from client c where c.id = a.client_id and c.name like 'Fault%')),
  'report of a kit that goes on', (select count(*) from outcome_report o join kit k on k.id = o.kit_id where k.state in ('signed', 'packed', 'posted')),
  'report of a reaction without it', (select count(*) from outcome_report o join kit k on k.id = o.kit_id where o.comfort = 'reacted' and not exists (select 1 from safety_event e where e.client_id = k.client_id and e.kind = 'reaction')),
  'stopped kit without a stop', (select count(*) from kit k where k.state = 'stopped' and not exists (select 1 from safety_event e where e.client_id = k.client_id and e.kind in ('stop', 'reaction'))),
  'too young without a stop', (select count(*) from client c join kit k on k.client_id = c.id where c.birth_date > now() - interval '16 years' and k.state in ('signed', 'packed', 'posted')),
  'studios', (select abs(count(*) - 1) from studio), 'fillings', (select count(*) from filling))`),
  );

const began = Date.now();
const killed = { application: 0, database: 0 };
const found = {};
for (let i = 0; i < kills; i++) {
  await sleep(200 + chance() * 1500);
  if (chance() < 0.6) {
    killed.application++;
    app.kill('SIGKILL');
  } else {
    killed.database++;
    try {
      process.kill(Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]), 'SIGKILL');
    } catch {
      /* already dead */
    }
    await sleep(300);
    for (let tries = 0; tries < 5; tries++) {
      const up = databaseUp();
      if (up.status === 0) break;
      process.stderr.write(up.stderr + up.stdout);
      await sleep(500);
    }
  }
  await back();
  if (i % 20 === 19) {
    for (const [what, n] of Object.entries(half())) if (n > 0) found[what] = n;
    process.stderr.write(`${i + 1} kills, ${counts.acknowledged} acknowledged\n`);
  }
}
running = false;
await Promise.all(workers);
await back();
for (const [what, n] of Object.entries(half())) if (n > 0) found[what] = n;

const set = text => new Set(sql(text).split('\n'));
const [events, reports, answers] = [set('select id from safety_event'), set('select kit_id from outcome_report'), set('select client_id from answers')];
const versions = new Map(
  sql('select id, version from client')
    .split('\n')
    .map(l => l.split('|')),
);
const lost = acknowledged.filter(
  ([kind, id, n]) =>
    !(kind === 'event' ? events.has(id) : kind === 'report' ? reports.has(id) : kind === 'answers' ? answers.has(id) : Number(versions.get(id)) >= n),
);
console.log(
  `${kills} kills in ${((Date.now() - began) / 60000).toFixed(1)} min (${killed.application} of the application, ${killed.database} of the database), 8 workers: ${counts.sent} writes sent, ${counts.acknowledged} acknowledged, ${counts.refused} refused in words, ${counts.broken} cut off.`,
);
console.log(`acknowledged and lost: ${lost.length}`);
console.log(`half states: ${Object.keys(found).length === 0 ? 0 : JSON.stringify(found)}`);
for (const l of lost.slice(0, 10)) console.log('lost', l.join(' '));
app.kill('SIGTERM');
await sleep(1500);
psql('postgres', `drop database if exists ${name} with (force)`);
rmSync(keys, { recursive: true, force: true });
process.exit(lost.length === 0 && Object.keys(found).length === 0 ? 0 : 1);
