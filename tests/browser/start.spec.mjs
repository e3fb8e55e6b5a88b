// `./kitto start` as a supervisor: an application that dies is started again, and says so; ended, it leaves nothing running.
import { execFileSync, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { test, expect } from './help.mjs';
import { psql, root } from './setup.mjs';

const port = () =>
  new Promise(resolve => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address();
      s.close(() => resolve(port));
    });
  });
const alive = pid => {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
};

test('killed, the application comes back by itself and says so; a wrong setting of the post does not keep it down', async () => {
  test.setTimeout(120_000);
  const [at, name] = [await port(), 'kitto_start_' + randomBytes(4).toString('hex')];
  let said = '';
  const launcher = spawn(join(root, 'kitto'), ['start', '--port', String(at), '--no-demo'], {
    env: { ...process.env, KITTO_DATABASE: `${process.env.KITTO_TEST_SERVER};Database=${name}`, KITTO_SMTP: 'no server', KITTO_OUTBOX: '' },
  });
  for (const out of [launcher.stdout, launcher.stderr])
    out.on('data', text => {
      said += text;
    });
  const ready = async () => {
    try {
      return (await (await fetch(`http://127.0.0.1:${at}/healthz`)).json()).ready;
    } catch {
      return false;
    }
  };
  try {
    await expect.poll(ready, { timeout: 60_000 }).toBe(true);
    // The launcher looks every half second: what dies before it has seen it up has never been up.
    await expect.poll(() => said, { timeout: 10_000 }).toContain('Kitto is at http');
    expect(said).toContain('KITTO_SMTP is not the address of a mail server');
    const app = () =>
      Number(
        execFileSync('pgrep', ['-P', String(launcher.pid), 'dotnet'])
          .toString()
          .trim()
          .split('\n')[0],
      );
    const first = app();
    process.kill(first, 'SIGKILL');
    await expect.poll(() => said, { timeout: 30_000 }).toContain('the application is back');
    expect(said).toContain('the application stopped; starting it again in 1 s');
    await expect.poll(ready, { timeout: 30_000 }).toBe(true);
    const second = app();
    expect(second).not.toBe(first);
    launcher.kill('SIGTERM');
    await expect.poll(() => alive(second) || launcher.exitCode === null, { timeout: 20_000 }).toBe(false);
  } finally {
    launcher.kill('SIGTERM');
    psql('postgres', `drop database if exists ${name} with (force)`);
  }
});
