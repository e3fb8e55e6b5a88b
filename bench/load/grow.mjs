// A database grown from the demo, and statements too long for a command line.
import { execFileSync } from 'node:child_process';
import { psql, programs, server } from '../../tests/browser/setup.mjs';

/** Runs many statements in a database; stops at the first that fails. */
export function run(database, statements, studio = 1) {
  const at = server();
  return execFileSync(`${programs()}/psql`, ['-h', at.Host, '-p', at.Port, '-U', at.Username, '-d', database, '-v', 'ON_ERROR_STOP=1', '-qAt'], {
    input: statements,
    maxBuffer: 1 << 28,
    env: { ...process.env, PGPASSWORD: at.Password, ...(studio ? { PGOPTIONS: `-c kitto.studio=${studio}` } : {}) },
    stdio: ['pipe', 'pipe', 'inherit'],
  })
    .toString()
    .trim();
}

/** Copies every client of the demo so often, with all that belongs to them; one kit in fifty is under way, the others were used and read. */
export function grow(database, until) {
  const sql = statement => psql(database, statement);
  const there = Number(sql('select count(*) from client'));
  const demo = Number(sql("select count(*) from client where name not like '%·%'"));
  const from = Math.ceil(there / demo);
  const to = Math.floor(until / demo);
  if (to < from) return;
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
    insert into kit_stand (kit_id, place) select id, case when open then 'new' end from k;
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
  run(database, statement);
  sql('vacuum analyze');
}
