-- How a kit stood when it was last looked at, and when it has to be looked at again. Whatever is written of it, its client or the studio sets that to now,
-- so that lists, weeks and messages read what was found instead of asking the gate of every kit each time. Nothing is opened by it: that asks the gate itself.
create table kit_stand (
    studio_id int not null default this_studio() references studio,
    kit_id    uuid not null,
    look_at   timestamptz not null default '-infinity',
    turn      bigint not null default 0, -- goes on with each change: what was found before it is not kept
    place     text,                      -- its group on Today; null: none
    post_on   date not null default '1900-01-01',
    primary key (studio_id, kit_id),
    foreign key (studio_id, kit_id) references kit on delete cascade
);
create index kit_stand_look on kit_stand (studio_id, look_at) where look_at < 'infinity';
create index kit_stand_place on kit_stand (studio_id, place, post_on, kit_id) where place is not null;
alter table kit_stand enable row level security;
create policy own on kit_stand using (studio_id = this_studio()) with check (studio_id = this_studio());

-- What is still to come of a kit, day by day.
create table kit_day (
    studio_id int not null default this_studio() references studio,
    kit_id    uuid not null,
    kind      text not null,
    day       date not null,
    primary key (studio_id, kit_id, kind),
    foreign key (studio_id, kit_id) references kit on delete cascade
);
create index kit_day_on on kit_day (studio_id, day, kind, kit_id);
alter table kit_day enable row level security;
create policy own on kit_day using (studio_id = this_studio()) with check (studio_id = this_studio());

insert into kit_stand (studio_id, kit_id, place) select studio_id, id, case when state <> 'closed' and read_at is null then 'new' end from kit;

create function look_again(s int, kits uuid[]) returns void language sql as $$
    update kit_stand set look_at = '-infinity', turn = turn + 1 where studio_id = s and kit_id = any(kits)
$$;
create function kit_written() returns trigger language plpgsql as $$
begin
    if tg_op = 'INSERT' then
        insert into kit_stand (studio_id, kit_id, place) values (new.studio_id, new.id, 'new');
        -- Where there is a newer one, the next is no longer due by the one before.
        perform look_again(new.studio_id, array(select id from kit where studio_id = new.studio_id and client_id = new.client_id));
    else
        perform look_again(new.studio_id, array[new.id]);
    end if;
    return null;
end $$;
create trigger stand after insert or update on kit for each row execute function kit_written();

create function of_kit_written() returns trigger language plpgsql as $$
begin
    perform look_again(new.studio_id, array[new.kit_id]);
    return null;
end $$;
create trigger stand after insert on run_step for each row execute function of_kit_written();
create trigger stand after insert or update on outcome_report for each row execute function of_kit_written();

create function of_client_written() returns trigger language plpgsql as $$
begin
    perform look_again(new.studio_id, array(select id from kit where studio_id = new.studio_id and client_id = new.client_id));
    return null;
end $$;
create trigger stand after insert on safety_event for each row execute function of_client_written();
create trigger stand after insert or update on answers for each row execute function of_client_written();

create function client_written() returns trigger language plpgsql as $$
begin
    perform look_again(new.studio_id, array(select id from kit where studio_id = new.studio_id and client_id = new.id));
    return null;
end $$;
create trigger stand after update of birth_date on client for each row execute function client_written();

create function studio_written() returns trigger language plpgsql as $$
begin
    perform look_again(new.id, array(select kit_id from kit_stand where studio_id = new.id and place is not null));
    return null;
end $$;
create trigger stand after update on studio for each row when (old.* is distinct from new.*) execute function studio_written();

-- Studios in which something has to be looked at or sent, found by one question: no more of them than there is something to do.
create function studios_at_work(now_ timestamptz) returns setof int language sql stable security definer set search_path = public as $$
    select s.id from studio s
    where exists (select from kit_stand k where k.studio_id = s.id and k.look_at <= now_)
       or exists (select from message m where m.studio_id = s.id and m.sent_at is null and m.recipient is not null and m.due_at <= now_)
    order by s.id
$$;
