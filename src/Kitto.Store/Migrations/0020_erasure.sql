-- A client may ask to be forgotten. What names them or tells of their body goes; what a studio must be able to say of its kits and goods stays without a name.
create index client_left on client (studio_id, created_at) where erased_at is null;

-- After so many years without a kit a client is proposed to be forgotten; 0: never.
alter table studio add column keep_years int not null default 0 check (keep_years between 0 and 30);

create or replace function never() returns trigger language plpgsql as $$
begin
    -- Only the tables' owner may update at all, and only erase_client says this: it takes words out and leaves the event.
    if tg_op = 'UPDATE' and current_setting('kitto.erasing', true) = 'on' then return null; end if;
    raise exception '% is only ever added to', tg_table_name;
end $$;

create function erase_client(whom uuid) returns boolean language plpgsql security definer set search_path = public as $$
declare s int := this_studio(); kits uuid[]; events uuid[];
begin
    perform 1 from client where studio_id = s and id = whom and erased_at is null for update;
    if not found then return false; end if;
    kits := array(select id from kit where studio_id = s and client_id = whom);
    events := array(select id from safety_event where studio_id = s and client_id = whom);
    perform set_config('kitto.erasing', 'on', true);
    delete from test_photo where studio_id = s and test_id = any(events);
    delete from report_photo where studio_id = s and kit_id = any(kits);
    delete from kit_replacement where studio_id = s and kit_id = any(kits);
    delete from link where studio_id = s and (client_id = whom or kit_id = any(kits));
    delete from draft where studio_id = s and client_id = whom;
    delete from answers where studio_id = s and client_id = whom;
    delete from client_way where studio_id = s and client_id = whom;
    delete from message where studio_id = s and (client_id = whom or exists (select from unnest(kits) k where key like '%' || replace(k::text, '-', '') || '%'));
    update outcome_report set note = '', zones = '{}', comfort = 'erased' where studio_id = s and kit_id = any(kits);
    update reading set document = '{}', grown_mm = null, grown_since = null where studio_id = s and client_id = whom;
    update prescription set case_document = '{}', document = '{}', guide = null, names = null where studio_id = s and client_id = whom;
    update kit set state = 'closed', stop_reason = null, cancelled_why = case when cancelled_why is null then null else 'erased' end where studio_id = s and client_id = whom;
    update safety_event set says = '', source = null where studio_id = s and client_id = whom;
    update bench_event set says = '' where studio_id = s and kit_id = any(kits) and says <> '';
    update client set name = 'erased', birth_date = date '1900-01-01', note = '', email = null, phone = '', language = 'en', spoken_of = 'name', erased_at = now(), version = version + 1
        where studio_id = s and id = whom;
    update trail set what = '{}', about = '' where studio_id = s and client_id = whom;
    insert into trail (studio_id, person_id, who, kind, client_id)
    values (s, nullif(current_setting('kitto.person', true), '')::uuid, coalesce(current_setting('kitto.who', true), ''), 'client.erased', whom);
    perform set_config('kitto.erasing', '', true);
    return true;
end $$;
