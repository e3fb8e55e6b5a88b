-- The address clients and colleagues reach this site at, where the studio has said so: links are made with it.
alter table studio add column address text not null default '' check (length(address) <= 200);

-- Who looked at what a client answered, who changed what from what to what, who signed in. Only ever added to; kept as long as the house says.
alter table studio add column trail_days int not null default 1095 check (trail_days between 365 and 7300);
create table trail (
    studio_id int not null default this_studio() references studio,
    seq       bigint generated always as identity,
    at        timestamptz not null default clock_timestamp(),
    person_id uuid,
    who       text not null,             -- the name as it was then; empty: nobody who was signed in
    kind      text not null,             -- what happened: client.changed, answers.read, signIn.done
    client_id uuid,
    about     text not null default '',
    what      jsonb not null default '{}', -- {"column": [was, is]}
    primary key (studio_id, seq)
);
create index trail_client on trail (studio_id, client_id, seq) where client_id is not null;
create index trail_person on trail (studio_id, person_id, seq) where person_id is not null;
create index trail_kind on trail (studio_id, kind, seq);
alter table trail enable row level security;
create policy own on trail using (studio_id = this_studio()) with check (studio_id = this_studio());

-- What is otherwise in one document than in another: {"key": [was, is]}, within objects key by key.
create function json_change(was jsonb, is_ jsonb) returns jsonb language plpgsql immutable as $$
begin
    return (select coalesce(jsonb_object_agg(key, case when jsonb_typeof(w) = 'object' and jsonb_typeof(i) = 'object' then json_change(w, i) else jsonb_build_array(w, i) end), '{}')
    from (select coalesce(a.key, b.key) as key, a.value as w, b.value as i from jsonb_each(was) a full join jsonb_each(is_) b on a.key = b.key where a.value is distinct from b.value) x);
end $$;

create function trail_change() returns trigger language plpgsql as $$
declare
    was jsonb := case when tg_op = 'INSERT' then '{}' else to_jsonb(old) end;
    now_ jsonb := case when tg_op = 'DELETE' then '{}' else to_jsonb(new) end;
    row_ jsonb := case when tg_op = 'DELETE' then to_jsonb(old) else to_jsonb(new) end;
    what jsonb := '{}';
    secret text;
begin
    if tg_op = 'UPDATE' then
        what := json_change(was - 'version' - 'changed_at' - 'changed_by', now_ - 'version' - 'changed_at' - 'changed_by');
        if what = '{}' then return null; end if;
        foreach secret in array array['password_hash', 'security_stamp', 'token_hash', 'sealed', 'totp_sealed', 'totp_last', 'recovery_codes'] loop
            if what ? secret then what := jsonb_set(what, array[secret], '["", "changed"]'); end if;
        end loop;
    elsif tg_op = 'DELETE' then
        what := jsonb_build_object('was', was);
    end if;
    insert into trail (studio_id, person_id, who, kind, client_id, about, what)
    values (coalesce((row_ ->> 'studio_id')::int, (row_ ->> 'id')::int),
        nullif(current_setting('kitto.person', true), '')::uuid, coalesce(current_setting('kitto.who', true), ''),
        tg_argv[0] || '.' || case tg_op when 'INSERT' then 'added' when 'UPDATE' then 'changed' else 'removed' end,
        case tg_argv[0] when 'client' then (row_ ->> 'id')::uuid else (row_ ->> 'client_id')::uuid end,
        coalesce(row_ ->> 'name', row_ ->> 'user_name', row_ ->> 'purpose', row_ ->> 'id', ''), what);
    return null;
end $$;
do $$
declare t text;
begin
    foreach t in array array['client', 'studio', 'line', 'destination', 'kit', 'link', 'person', 'reading', 'answers', 'prescription', 'client_way', 'school_choice'] loop
        execute format('create trigger trail after insert or update or delete on %I for each row execute function trail_change(%L)', t,
            case t when 'studio' then 'house' when 'destination' then 'place' when 'client_way' then 'way' when 'school_choice' then 'school' else t end);
    end loop;
end $$;

-- What is older than the house keeps is forgotten; nothing else ever is.
create function trail_forget() returns int language sql security definer set search_path = public as $$
    with gone as (delete from trail t using studio s where s.id = this_studio() and t.studio_id = s.id and t.at < now() - make_interval(days => s.trail_days) returning 1)
    select count(*)::int from gone
$$;
