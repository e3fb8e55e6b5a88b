// Starts the application on a free loopback port and a fresh database, and takes both down again.
import { execFileSync, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createServer } from 'node:net';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pushService } from './push-service.mjs';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..');

/** The tests' cluster: Host, Port, Username, Password. */
export const server = () => Object.fromEntries(process.env.KITTO_TEST_SERVER.split(';').map(p => p.split('=')));

/** Where the database's programs are. */
export const programs = () =>
  readdirSync('/usr/lib/postgresql')
    .map(v => `/usr/lib/postgresql/${v}/bin`)
    .pop();

/** Runs one statement in a database of the tests' cluster. */
export function psql(database, statement) {
  const parts = server();
  return execFileSync(`${programs()}/psql`, ['-h', parts.Host, '-p', parts.Port, '-U', parts.Username, '-d', database, '-Atc', statement], {
    env: { ...process.env, PGPASSWORD: parts.Password, PGOPTIONS: '-c kitto.studio=1' },
  })
    .toString()
    .trim();
}

export const freePort = () =>
  new Promise(resolve => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });

/** Starts the application on a port, for the database and the keys of this worker; resolves when it answers. */
export async function serve(port) {
  const url = `http://127.0.0.1:${port}`;
  const app = spawn('dotnet', [process.env.KITTO_APP], {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: {
      ...process.env,
      KITTO_DATABASE: `${process.env.KITTO_TEST_SERVER};Database=${process.env.KITTO_BROWSER_DB}`,
      KITTO_DEMO: '1',
      KITTO_LIMITS: '1000',
      ASPNETCORE_URLS: url,
      ASPNETCORE_CONTENTROOT: dirname(process.env.KITTO_APP),
      Logging__LogLevel__Default: 'Error',
    },
  });
  // A worker that is given up takes its application with it.
  const along = () => app.kill('SIGKILL');
  process.once('exit', along);
  app.once('exit', () => process.off('exit', along));
  for (let i = 0; ; i++) {
    try {
      if ((await fetch(url + '/healthz')).ok) return app;
    } catch {
      /* not up yet */
    }
    if (i > 600 || app.exitCode !== null) throw new Error('the application did not start');
    await new Promise(resolve => setTimeout(resolve, 100));
  }
}

/** The stand-in for the push services of browsers, of this worker. */
export let pushed;

export default async function setup() {
  pushed = await pushService();
  process.env.KITTO_PUSH_STANDIN = pushed.url;
  const cluster = process.env.KITTO_TEST_SERVER;
  if (!cluster) throw new Error('KITTO_TEST_SERVER is not set: run the tests with ./kitto test.');
  const port = await freePort();
  const keys = mkdtempSync(join(tmpdir(), 'kitto-keys-'));
  process.env.KITTO_URL = `http://127.0.0.1:${port}`;
  // A bench may keep its database for another look: KITTO_KEEP names it.
  process.env.KITTO_BROWSER_DB = process.env.KITTO_KEEP ?? 'kitto_browser_' + randomBytes(5).toString('hex');
  if (!process.env.KITTO_APP) throw new Error('KITTO_APP is not set: run the tests with ./kitto test.');
  process.env.KITTO_KEYS = keys;
  const app = await serve(port);
  process.env.KITTO_APP_PID = String(app.pid);
  return async () => {
    app.kill('SIGTERM');
    await new Promise(resolve => app.on('exit', resolve));
    await pushed.close();
    if (!process.env.KITTO_KEEP) psql('postgres', `drop database if exists ${process.env.KITTO_BROWSER_DB} with (force)`);
    rmSync(keys, { recursive: true, force: true });
  };
}
