-- The client's phone: which number calls an ambulance, what a client says of the box, and which phones want to be rung while they are locked.
alter table studio
    add column country   text not null default 'GB' check (country ~ '^[A-Z]{2}$'),
    add column emergency text not null default '' check (emergency ~ '^([0-9]{2,6})?$'); -- empty: the usual number of the country
alter table client add column country text not null default '' check (country ~ '^([A-Z]{2})?$'); -- empty: the studio's

create table kit_note (
    studio_id int not null default this_studio() references studio,
    id        uuid not null,
    kit_id    uuid not null,
    kind      text not null check (kind in ('boxLate', 'partMissing', 'newDay')),
    says      text not null,
    said_at   timestamptz not null,
    seen_at   timestamptz,
    seen_by   text,
    primary key (studio_id, id),
    foreign key (studio_id, kit_id) references kit on delete cascade
);
create index kit_note_kit on kit_note (studio_id, kit_id);
create index kit_note_open on kit_note (studio_id, said_at) where seen_at is null;
alter table kit_note enable row level security;
create policy own on kit_note using (studio_id = this_studio()) with check (studio_id = this_studio());

create table push_subscription (
    studio_id int not null default this_studio() references studio,
    kit_id    uuid not null,
    endpoint  text not null,
    p256dh    text not null,
    auth      text not null,
    made_at   timestamptz not null,
    rung      text not null default '', -- the last thing it was rung for
    primary key (studio_id, kit_id, endpoint),
    foreign key (studio_id, kit_id) references kit on delete cascade
);
alter table push_subscription enable row level security;
create policy own on push_subscription using (studio_id = this_studio()) with check (studio_id = this_studio());

-- The pair of keys this installation signs its pushes with (VAPID, RFC 8292); the private one is sealed by the application.
create table push_key (
    only_one    boolean primary key default true check (only_one),
    public_key  text not null,
    sealed      text not null
);

create function client_phone_erased() returns trigger language plpgsql security definer set search_path = public as $$
begin
    delete from kit_note n using kit k where n.studio_id = new.studio_id and k.studio_id = new.studio_id and k.id = n.kit_id and k.client_id = new.id;
    delete from push_subscription s using kit k where s.studio_id = new.studio_id and k.studio_id = new.studio_id and k.id = s.kit_id and k.client_id = new.id;
    return null;
end $$;
create trigger client_phone after update of erased_at on client for each row when (new.erased_at is not null) execute function client_phone_erased();
