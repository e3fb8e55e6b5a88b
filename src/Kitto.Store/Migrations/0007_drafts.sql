-- A sitting as it stands, kept as one types: one for each person and client, until it is kept or signed.
create table draft (
    client_id  uuid not null references client (id) on delete cascade,
    person_id  uuid not null references person (id),
    begun_from int not null,
    document   jsonb not null,
    mix        text not null default '',
    saved_at   timestamptz not null,
    primary key (client_id, person_id)
);
