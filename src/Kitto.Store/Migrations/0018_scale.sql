-- A kit whose report was read is done with until the next is signed: nobody has to look at it among those under way.
alter table kit add column read_at timestamptz;
update kit k set read_at = o.seen_at from outcome_report o where o.kit_id = k.id and o.studio_id = k.studio_id and o.seen_at is not null;
create function kit_read() returns trigger language plpgsql as $$
begin
    update kit set read_at = new.seen_at where id = new.kit_id and read_at is distinct from new.seen_at;
    return null;
end $$;
create trigger read after update of seen_at on outcome_report for each row execute function kit_read();

-- Kits that somebody may still have to see to.
create view open_kit with (security_invoker = true) as select * from kit where state <> 'closed' and (read_at is null or state = 'stopped');
drop index kit_open;
create index kit_open on kit (studio_id, post_on) where state <> 'closed' and (read_at is null or state = 'stopped');

create extension if not exists pg_trgm;
create extension if not exists btree_gin;
create extension if not exists btree_gist;

-- The span of a kit's days, so that a week and a calendar read those alone that lie in it. A report is due some days after colour day.
alter table kit add column days daterange generated always as (
    case when coalesce(fill_on, post_on, arrives_on, skin_on, strand_on, colour_on, due_on) is null then 'empty'::daterange
    else daterange(least(fill_on, post_on, arrives_on, skin_on, strand_on, colour_on, due_on), greatest(fill_on, post_on, arrives_on, skin_on, strand_on, colour_on + 3, due_on), '[]') end) stored;
create index kit_days on kit using gist (studio_id, days);
create index kit_due on kit (studio_id, due_on);
create index kit_stopped on kit (studio_id, stopped_at) where state = 'stopped';

-- A client may ask to be forgotten (0020).
alter table client add column erased_at timestamptz;

-- Lists by name, and any word of a name by its beginning.
create index client_list on client (studio_id, name, id);
create index client_words on client using gin (studio_id, lower(name) gin_trgm_ops);
drop index client_name;
-- Under row-level security the database lets only such comparisons near an index that cannot tell of rows they were not to see; those of patterns
-- and of spans are not among them. These ask for the studio themselves.
create function clients_named(pattern text, most int) returns setof uuid language sql stable security definer set search_path = public as $$
    with found as materialized (select id, name from client where studio_id = this_studio() and erased_at is null and (lower(name) like pattern or lower(name) like '% ' || pattern))
    select id from found order by name, id limit most
$$;
create function kits_between(first_ date, last_ date) returns setof uuid language sql stable security definer set search_path = public as $$
    select id from kit where studio_id = this_studio() and days && daterange(first_, last_, '[]')
$$;

-- Whether it is the client's newest: those that are not for a kit are listed by it.
alter table prescription add column newest boolean not null default true;
update prescription p set newest = false where exists (select from prescription x where x.studio_id = p.studio_id and x.client_id = p.client_id and x.signed_at > p.signed_at);
create function prescription_newest() returns trigger language plpgsql as $$
begin
    update prescription set newest = false where client_id = new.client_id and newest and id <> new.id;
    return null;
end $$;
create trigger newest after insert on prescription for each row execute function prescription_newest();
create index prescription_not_kit on prescription (studio_id, signed_at desc) where decision <> 'kit' and newest;
create index message_waits on message (studio_id, due_at desc) where sent_at is null;
create index message_gone on message (studio_id, sent_at desc) where sent_at is not null;
drop index message_open;
create index safety_event_kit on safety_event (studio_id, kit_id, kind) where kit_id is not null;
create index safety_event_corrected on safety_event (studio_id, said_at desc) where kind = 'corrected';
