// Backups: written, opened, counted, refused when they are not whole, and taken back. Run by node, with a database of its own.
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import assert from 'node:assert/strict';
import { psql, root } from './setup.mjs';

test('a backup is good when it was restored and counted; another passphrase or a changed byte takes nothing', () => {
  const name = 'kitto_backup_' + randomBytes(4).toString('hex');
  const home = mkdtempSync(join(tmpdir(), 'kitto-backup-'));
  const file = join(home, 'all.backup');
  mkdirSync(join(home, 'keys'));
  writeFileSync(join(home, 'keys', 'key.xml'), '<key/>');
  const env = { ...process.env, KITTO_DATABASE: `${process.env.KITTO_TEST_SERVER};Database=${name}`, KITTO_KEYS: join(home, 'keys') };
  const kitto = (how, passphrase = 'harbour lights at nine') => {
    const { status, stderr } = spawnSync(join(root, 'kitto'), how, { env: { ...env, KITTO_PASSPHRASE: passphrase }, encoding: 'utf8' });
    return { status, says: stderr };
  };
  const databases = () =>
    psql('postgres', "select datname from pg_database where datname like 'kitto_restored%' or datname like 'kitto_check%'").split('\n').filter(Boolean);
  const before = new Set(databases());
  try {
    const made = spawnSync('dotnet', [process.env.KITTO_APP, 'leave'], { env, encoding: 'utf8' });
    assert.match(made.stdout, /\/setup\?leave=[\w-]{22}/);
    psql(name, "insert into studio (id, name, time_zone, service_level, scale_step) values (1, 'Far Quay', 'Europe/Oslo', 0.9, 0.1)");

    assert.match(kitto(['backup', file], 'short').says, /12 or more/);
    const good = kitto(['backup', file]);
    assert.equal(good.status, 0, good.says);
    assert.match(good.says, /good: \d+ tables, \d+ rows/);
    assert.equal(psql(name, 'select count(*) from backup where good'), '1');
    assert.ok(!readFileSync(file).includes('Far Quay'));

    assert.match(kitto(['restore', file], 'another harbour light').says, /was not opened/);
    const whole = readFileSync(file);
    const changed = Buffer.from(whole);
    changed[Math.floor(changed.length / 2)] ^= 1;
    writeFileSync(file + '.changed', changed);
    assert.notEqual(kitto(['restore', file + '.changed']).status, 0);

    // What happened since is gone with it, and stands in the one before.
    psql(name, "update studio set name = 'Changed since'");
    const taken = kitto(['restore', '--use', file]);
    assert.equal(taken.status, 0, taken.says);
    assert.equal(psql(name, 'select name from studio'), 'Far Quay');
    const kept = /kept as (\S+)/.exec(taken.says)[1];
    assert.equal(psql(kept, 'select name from studio'), 'Changed since');
    psql('postgres', `drop database "${kept}"`);
  } finally {
    psql('postgres', `drop database if exists ${name} with (force)`);
    for (const left of databases().filter(d => !before.has(d))) psql('postgres', `drop database "${left}" with (force)`);
    rmSync(home, { recursive: true, force: true });
  }
});
