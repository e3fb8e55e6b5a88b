// Each migration on a copy with many clients: an older schema is made, filled with what its tables and the grown database's have in common,
// and brought to the newest one script at a time, as the application does it, each timed. At the end both schemas must be one.
//   ./kitto bench migrations [--from 14] [--clients 100000]
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import setup, { programs, psql, root, server } from '../../tests/browser/setup.mjs';
import { grow, run } from './grow.mjs';

const { values } = parseArgs({ options: { from: { type: 'string', default: '14' }, clients: { type: 'string', default: '100000' } } });
const [from, clients] = [Number(values.from), Number(values.clients)];
const folder = join(root, 'src/Kitto.Store/Migrations');
const scripts = readdirSync(folder).sort();
if (!(from >= 1 && from < scripts.length)) throw new Error(`--from wants a migration, 1 to ${scripts.length - 1}`);
if (!(clients > 20)) throw new Error('--clients wants a number above 20');

process.env.KITTO_MESSAGES = 'off';
const down = await setup();
const grown = process.env.KITTO_BROWSER_DB;
const old = `${grown}_old`;
const script = name => readFileSync(join(folder, name), 'utf8');
const seconds = began => `${((performance.now() - began) / 1000).toFixed(1)} s`;
const schema = database => {
  const at = server();
  return execFileSync(
    `${programs()}/pg_dump`,
    ['-h', at.Host, '-p', at.Port, '-U', at.Username, '-d', database, '--schema-only', '--no-owner', '--no-privileges', '--exclude-table=schemaversions*'],
    {
      env: { ...process.env, PGPASSWORD: at.Password },
      maxBuffer: 1 << 26,
    },
  )
    .toString()
    .split('\n')
    .filter(l => !/^(\\(un)?restrict|--|$)/.test(l));
};
/** Columns that are written, by table. */
function columns(database) {
  const found = new Map();
  const lines = psql(
    database,
    `select c.table_name || ' ' || c.column_name from information_schema.columns c join information_schema.tables t using (table_schema, table_name)
     where table_schema = 'public' and t.table_type = 'BASE TABLE' and c.is_generated = 'NEVER' and table_name <> 'schemaversions'`,
  );
  for (const [table, column] of lines.split('\n').map(l => l.split(' '))) found.set(table, [...(found.get(table) ?? []), column]);
  return found;
}

try {
  if (Number(psql(grown, 'select count(*) from client')) < clients * 0.9) grow(grown, clients);
  psql('postgres', `drop database if exists ${old} with (force)`);
  psql('postgres', `create database ${old}`);
  run(old, scripts.slice(0, from).map(script).join('\n'));

  let began = performance.now();
  run(
    old,
    `set client_min_messages = error; set session_replication_role = replica; do $$ begin execute (select 'truncate ' || string_agg(quote_ident(tablename), ', ') || ' cascade' from pg_tables where schemaname = 'public'); end $$`,
  );
  const [has, wants] = [columns(grown), columns(old)];
  const at = server();
  const psqlLine = `${programs()}/psql -h ${at.Host} -p ${at.Port} -U ${at.Username} -v ON_ERROR_STOP=1 -q`;
  for (const [table, theirs] of wants) {
    const there = new Set(has.get(table) ?? []);
    const both = theirs
      .filter(c => there.has(c))
      .map(c => `"${c}"`)
      .join(', ');
    if (!both) continue;
    execFileSync(
      'bash',
      [
        '-c',
        `set -o pipefail; ${psqlLine} -d ${grown} -c 'copy (select ${both} from "${table}") to stdout' | ${psqlLine} -d ${old} -c 'copy "${table}" (${both}) from stdin'`,
      ],
      {
        env: { ...process.env, PGPASSWORD: at.Password, PGOPTIONS: '-c kitto.studio=1 -c session_replication_role=replica -c synchronous_commit=off' },
        stdio: ['ignore', 'ignore', 'inherit'],
      },
    );
  }
  // Numbers that count up go on after what was copied.
  run(
    old,
    `do $$ declare c record; begin
       for c in select table_name, column_name from information_schema.columns where table_schema = 'public' and is_identity = 'YES' loop
         execute format('select setval(pg_get_serial_sequence(%L, %L), coalesce(max(%I), 0) + 1) from %I', c.table_name, c.column_name, c.column_name, c.table_name);
       end loop; end $$; vacuum analyze;`,
  );
  const rows = database => Object.fromEntries([...wants.keys()].filter(t => has.has(t)).map(t => [t, Number(psql(database, `select count(*) from "${t}"`))]));
  const before = rows(old);
  console.log(
    `the schema of ${scripts[from - 1]} with ${before.client} clients, ${before.kit} kits, ${psql(old, 'select pg_size_pretty(pg_database_size(current_database()))')}; filled in ${seconds(began)}`,
  );

  for (const name of scripts.slice(from)) {
    began = performance.now();
    run(old, `begin;\n${script(name)};\ncommit;`, 0);
    console.log(`${name.padEnd(28)}${seconds(began).padStart(8)}`);
  }

  const after = rows(old);
  const lost = Object.keys(before).filter(t => after[t] < before[t]);
  const [one, other] = [schema(old), schema(grown)];
  const differ = [...new Set([...one.filter(l => !other.includes(l)), ...other.filter(l => !one.includes(l))])];
  console.log(
    lost.length ? `ROWS LOST in ${lost.join(', ')}` : 'no row lost',
    '·',
    differ.length ? `schemas differ:\n${differ.join('\n')}` : 'the schema is that of a new database',
  );
  process.exitCode = lost.length || differ.length ? 1 : 0;
} finally {
  psql('postgres', `drop database if exists ${old} with (force)`);
  await down();
}
