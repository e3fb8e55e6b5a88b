// Reactions are told without a pause; the primary database is killed, the standby is promoted, the application goes on. Every word that was acknowledged must be there.
import { execFileSync, spawn } from 'node:child_process';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { freePort } from '../../tests/browser/setup.mjs';

const { KITTO_PG_AS: as, KITTO_PG_BIN: bin, KITTO_PRIMARY: primary, KITTO_STANDBY: standby, PGPASSWORD: password } = process.env;
const [first, second] = process.env.KITTO_PORTS.split(' ');
const wait = ms => new Promise(resolve => setTimeout(resolve, ms));
const psql = (port, database, statement) =>
  execFileSync(join(bin, 'psql'), ['-h', '127.0.0.1', '-p', port, '-U', 'kitto', '-d', database, '-qAtc', statement], {
    env: { ...process.env, PGOPTIONS: '-c kitto.studio=1' },
    cwd: '/',
  })
    .toString()
    .trim();
/** One of PostgreSQL's tools, as the clusters' user. */
const tool = (...command) => {
  const [program, ...rest] = [...as.split(' ').filter(Boolean), ...command];
  return execFileSync(program, rest, { cwd: '/' }).toString();
};
const home = mkdtempSync(join(tmpdir(), 'kitto-failover-'));
const port = await freePort();
const url = `http://127.0.0.1:${port}`;
const app = spawn('dotnet', [process.env.KITTO_APP], {
  stdio: ['ignore', 'ignore', process.env.KITTO_SAY ? 'inherit' : 'ignore'],
  env: {
    ...process.env,
    // Both are named; the application takes whichever is the primary.
    KITTO_DATABASE: `Host=127.0.0.1:${first},127.0.0.1:${second};Username=kitto;Password=${password};Database=kitto_failover;Target Session Attributes=primary;Timeout=3;Command Timeout=5;Host Recheck Seconds=1`,
    KITTO_DEMO: '1',
    KITTO_KEYS: home,
    KITTO_MESSAGES: 'off',
    KITTO_LIMITS: '1000',
    ASPNETCORE_URLS: url,
    ASPNETCORE_CONTENTROOT: dirname(process.env.KITTO_APP),
    Logging__LogLevel__Default: process.env.KITTO_SAY ? 'Error' : 'None',
  },
});
try {
  for (let i = 0; ; i++) {
    try {
      if ((await fetch(url + '/healthz')).ok) break;
    } catch {
      /* not up yet */
    }
    if (i > 600 || app.exitCode !== null) throw new Error('the application did not start');
    await wait(100);
  }
  const links = psql(first, 'kitto_failover', "select id from kit where state = 'posted'")
    .split('\n')
    .map(kit => {
      const token = randomBytes(16);
      psql(
        first,
        'kitto_failover',
        `insert into link (id, purpose, kit_id, token_hash, created_at, expires_at) values (gen_random_uuid(), 'guide', '${kit}', '\\x${createHash('sha256').update(token).digest('hex')}', now(), now() + interval '30 days')`,
      );
      return token.toString('base64url');
    });
  console.log(`synchronous: ${psql(first, 'postgres', "select sync_state || ', ' || state from pg_stat_replication")}`);
  const told = [];
  let running = true;
  let refused = 0;
  let killedAt = Infinity;
  let backAt = 0;
  const telling = Array.from({ length: 6 }, async (_, who) => {
    for (let i = 0; running; i++) {
      const id = randomUUID();
      try {
        const answer = await fetch(`${url}/g/${links[(i + who) % links.length]}?handler=Burns`, {
          method: 'POST',
          redirect: 'manual',
          headers: { Connection: 'close' },
          body: new URLSearchParams({ id, what: 'burns' }),
          signal: AbortSignal.timeout(8000),
        });
        await answer.text();
        if (answer.status < 400) {
          told.push(id);
          // An answer that was asked for after the kill: the first of them ends the time without one.
          if (performance.now() > killedAt + 50 && !backAt) backAt = performance.now();
        } else refused += 1;
      } catch {
        refused += 1;
      }
      await wait(5);
    }
  });
  await wait(8000);
  const before = told.length;
  const postmaster = Number(tool('head', '-n', '1', join(primary, 'postmaster.pid')));
  execFileSync('kill', ['-9', String(postmaster)]);
  killedAt = performance.now();
  // As whoever watches over the two would, once it is sure: here after a second.
  await wait(1000);
  const promoting = performance.now();
  tool(join(bin, 'pg_ctl'), '-D', standby, '-w', '-s', 'promote');
  const promoted = performance.now() - promoting;
  for (let i = 0; !backAt && i < 600; i++) await wait(100);
  await wait(6000);
  running = false;
  await Promise.all(telling);
  const there = new Set(psql(second, 'kitto_failover', 'select id from safety_event').split('\n'));
  const lost = told.filter(id => !there.has(id)).length;
  console.log(
    `${before} reactions acknowledged before the kill, ${told.length - before} after it, ${refused} not acknowledged in between; ${lost} acknowledged ones are lost`,
  );
  console.log(
    `from the kill to the next acknowledged word ${((backAt - killedAt) / 1000).toFixed(1)} s, of it 1.0 s until somebody was sure and ${(promoted / 1000).toFixed(1)} s to promote`,
  );
  process.exitCode = lost > 0 || !backAt ? 1 : 0;
} finally {
  app.kill('SIGKILL');
  rmSync(home, { recursive: true, force: true });
}
