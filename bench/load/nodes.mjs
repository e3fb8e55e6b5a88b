// Two nodes of the application on one database, behind a small proxy: under load one is killed, comes back, is told to stop, comes back, and so on.
// Counted is what a browser would see: a request that failed, and whether it failed again when it was tried once more.
//   ./kitto bench nodes [--rounds 6] [--seconds 6] [--clients 6]
import { spawn, execFileSync } from 'node:child_process';
import { randomBytes, randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { freePort, psql, root } from '../../tests/browser/setup.mjs';
import { signIn } from './session.mjs';

const { values } = parseArgs({
  options: { rounds: { type: 'string', default: '6' }, seconds: { type: 'string', default: '6' }, clients: { type: 'string', default: '6' } },
});
const [rounds, seconds, clients] = [values.rounds, values.seconds, values.clients].map(Number);
if (!(rounds > 0 && seconds > 0 && clients > 0)) throw new Error('--rounds, --seconds and --clients want numbers above 0');

const name = 'kitto_nodes_' + randomBytes(4).toString('hex');
const sql = statement => psql(name, statement);
const wait = ms => new Promise(resolve => setTimeout(resolve, ms));
const home = mkdtempSync(join(tmpdir(), 'kitto-nodes-'));
// One certificate for all nodes: the keys themselves lie in the database.
execFileSync(
  'openssl',
  ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '30', '-subj', '/CN=kitto', '-keyout', join(home, 'key.pem'), '-out', join(home, 'cert.pem')],
  { stdio: 'ignore' },
);
execFileSync(
  'openssl',
  ['pkcs12', '-export', '-inkey', join(home, 'key.pem'), '-in', join(home, 'cert.pem'), '-out', join(home, 'keys.p12'), '-passout', 'pass:nodes'],
  { stdio: 'ignore' },
);

const nodes = [{ port: await freePort() }, { port: await freePort() }];
const front = await freePort();
const url = path => `http://127.0.0.1:${front}${path}`;

function start(node) {
  node.app = spawn('dotnet', [process.env.KITTO_APP], {
    stdio: ['ignore', 'ignore', process.env.KITTO_SAY ? 'inherit' : 'ignore'],
    env: {
      ...process.env,
      KITTO_DATABASE: `${process.env.KITTO_TEST_SERVER};Database=${name}`,
      KITTO_DEMO: '1',
      KITTO_KEYS_CERTIFICATE: join(home, 'keys.p12'),
      KITTO_KEYS_PASSWORD: 'nodes',
      KITTO_OUTBOX: join(home, 'outbox'),
      KITTO_LIMITS: '1000',
      KITTO_PROXIES: '127.0.0.1',
      KITTO_DRAIN: '3',
      ASPNETCORE_URLS: `http://127.0.0.1:${node.port}`,
      ASPNETCORE_CONTENTROOT: dirname(process.env.KITTO_APP),
      Logging__LogLevel__Default: process.env.KITTO_SAY ? 'Error' : 'None',
    },
  });
}
async function ready(node) {
  for (let i = 0; i < 600; i++) {
    try {
      if ((await fetch(`http://127.0.0.1:${node.port}/healthz`)).ok) return;
    } catch {
      /* not up yet */
    }
    await wait(100);
  }
  throw new Error('a node did not start');
}
const ended = node => new Promise(resolve => (node.app.exitCode === null && node.app.signalCode === null ? node.app.on('exit', resolve) : resolve()));

const proxy = spawn(
  'dotnet',
  [join(root, 'bench/Kitto.Proxy/bin/Release/net10.0/Kitto.Proxy.dll'), '--urls', `http://127.0.0.1:${front}`, ...nodes.map(n => `http://127.0.0.1:${n.port}`)],
  { stdio: 'ignore' },
);
try {
  // Both at once on an empty database: one fills it, the other waits, nothing is truncated.
  const began = performance.now();
  nodes.forEach(start);
  await Promise.all(nodes.map(ready));
  console.log(
    `two nodes on an empty database at once: ready in ${((performance.now() - began) / 1000).toFixed(1)} s, ${sql('select count(*) from client')} clients, ${sql('select count(*) from studio')} studio`,
  );
  await wait(2500);

  const tally = { asked: 0, failed: 0, twice: 0, unsent: 0, lost: 0, times: [] };
  const cookies = {};
  async function ask(path, options = {}, again = true) {
    tally.asked += 1;
    const from = performance.now();
    for (let tries = 0; ; tries++) {
      try {
        const answer = await fetch(url(path), {
          redirect: 'manual',
          ...options,
          headers: { Cookie: cookies.all ?? '', Connection: 'close', ...options.headers },
        });
        const text = await answer.text();
        if (answer.status >= 500) throw new Error(String(answer.status));
        tally.times.push(performance.now() - from);
        return { answer, text };
      } catch (wrong) {
        tally.failed += 1;
        if (process.env.KITTO_SAY) console.log(path, wrong.message);
        if (tries === 1 || !again) {
          tally.twice += 1;
          return null;
        }
        // A person reloads; a phone's worker tries again: not at once.
        await wait(500);
      }
    }
  }
  // Signed in through one node, known to both.
  cookies.all = await signIn(url(''));

  // What the shelf is changed to on one node, the other shows at once: one shade is taken out and put back, eight times each way.
  let stale = 0;
  const shelf = async node => (await fetch(`http://127.0.0.1:${node.port}/shelf`, { headers: { Cookie: cookies.all } })).text();
  const ticked = html => [...html.matchAll(/<input[^>]*type="checkbox"[^>]*>/g)].map(([input]) => / checked/.test(input)).join();
  for (let i = 0; i < 16; i++) {
    const node = nodes[i % 2];
    const line = /<form class="shelf-line"[\s\S]*?<\/form>/.exec(await shelf(node))[0];
    const of = (input, what) => new RegExp(` ${what}="([^"]*)"`).exec(input)?.[1];
    const fields = [...line.matchAll(/<input[^>]*>/g)]
      .map(([input]) => ({ name: of(input, 'name'), value: of(input, 'value'), tick: of(input, 'type') === 'checkbox', on: / checked/.test(input) }))
      .filter(f => f.name);
    const first = fields.findIndex(f => f.tick);
    const sent = fields.filter((f, at) => !f.tick || (at === first ? !f.on : f.on));
    const kept = await fetch(`http://127.0.0.1:${node.port}${of(line, 'action').replaceAll('&amp;', '&')}`, {
      method: 'POST',
      redirect: 'manual',
      headers: { Cookie: cookies.all },
      body: new URLSearchParams(sent.map(f => [f.name, f.value])),
    });
    if (kept.status !== 302) throw new Error(`the shelf was not kept: ${kept.status}`);
    const [here, there] = (await Promise.all(nodes.map(shelf))).map(ticked);
    if (here !== there || here.length === 0) stale += 1;
  }
  console.log(`a shelf changed on one node, read on the other at once: ${stale} of 16 stale`);

  const kits = sql("select id from kit where state = 'posted'").split('\n');
  const links = kits.map(kit => {
    const made = randomBytes(16).toString('base64url');
    sql(
      `insert into link (id, purpose, kit_id, token_hash, created_at, expires_at) values (gen_random_uuid(), 'guide', '${kit}', sha256(decode('${Buffer.from(made, 'base64url').toString('hex')}', 'hex')), now(), now() + interval '30 days')`,
    );
    return made;
  });
  const ids = sql('select id from client').split('\n');
  let running = true;
  const told = [];
  const browse = Array.from({ length: clients }, async (_, who) => {
    for (let i = 0; running; i++) {
      const paths = [
        '/',
        `/clients/${ids[(i + who) % ids.length]}`,
        `/clients/${ids[(i * 3 + who) % ids.length]}/prescription`,
        `/g/${links[(i + who) % links.length]}`,
        '/week',
        '/bench',
      ];
      await ask(paths[(i + who) % paths.length]);
      if (i % 5 === who % 5) {
        // A reaction, by an id of its own: told again where it was not answered, it is there once.
        const id = randomUUID();
        const said = await ask(`/g/${links[who % links.length]}?handler=Burns`, { method: 'POST', body: new URLSearchParams({ id, what: 'burns' }) });
        if (said && said.answer.status < 400) told.push(id);
      }
    }
  });
  for (let round = 0; round < rounds; round++) {
    await wait((seconds * 1000) / 2);
    const node = nodes[round % 2];
    const how = round % 4 < 2 ? 'SIGKILL' : 'SIGTERM';
    const before = { ...tally };
    node.app.kill(how);
    await ended(node);
    await wait((seconds * 1000) / 2);
    console.log(
      `${how === 'SIGKILL' ? 'killed' : 'told to stop'}: ${tally.asked - before.asked} asked meanwhile, ${tally.failed - before.failed} failed, ${tally.twice - before.twice} of them again when tried once more`,
    );
    start(node);
    await ready(node);
  }
  running = false;
  await Promise.all(browse);
  const there = new Set(sql('select id from safety_event').split('\n'));
  tally.lost = told.filter(id => !there.has(id)).length;
  const sorted = tally.times.sort((a, b) => a - b);
  const at = share => sorted[Math.floor(sorted.length * share)].toFixed(0);
  console.log(
    `${tally.asked} requests over ${rounds} ends of a node: ${tally.failed} failed, ${tally.twice} failed again after one retry; median ${at(0.5)} ms, 95 of 100 ${at(0.95)} ms; of ${told.length} reactions that were acknowledged ${tally.lost} are lost`,
  );
  process.exitCode = tally.twice > 0 || tally.lost > 0 || stale > 0 ? 1 : 0;
} finally {
  proxy.kill();
  for (const node of nodes) node.app?.kill('SIGKILL');
  await wait(500);
  psql('postgres', `drop database if exists ${name} with (force)`);
  rmSync(home, { recursive: true, force: true });
}
