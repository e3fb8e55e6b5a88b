-- What a client answered about her health and her hair: every version is kept, none is changed. Who answered: a person of the studio, or nobody of it, which is herself.
create table answers (
    id          bigint generated always as identity primary key,
    client_id   uuid not null references client (id) on delete cascade,
    document    jsonb not null,
    asks_again  boolean not null, -- something is new that asks for a new skin test: tests put on earlier no longer count
    answered_at timestamptz not null,
    answered_by uuid references person (id),
    seen_at     timestamptz,
    seen_by     uuid references person (id)
);
create index answers_client on answers (client_id, id desc);
create index answers_unseen on answers (client_id) where seen_at is null;

-- One kind of link for every door that is opened from outside: the guide of a kit, the questions to a client.
alter table guide_link rename to link;
alter index guide_link_kit rename to link_kit;
alter table link add column purpose text not null default 'guide' check (purpose in ('guide', 'ask'));
alter table link add column client_id uuid references client (id) on delete cascade;
alter table link alter column kit_id drop not null;
alter table link alter column purpose drop default;
alter table link add check ((purpose = 'guide' and kit_id is not null and client_id is null) or (purpose = 'ask' and kit_id is null and client_id is not null));
create index link_client on link (client_id) where client_id is not null;

-- How long a clear skin test counts for a kit, as the house and the leaflets had it when it was signed.
alter table kit add column skin_days int not null default 14 check (skin_days between 14 and 200);

-- Another time on the hair that a strand test asked for and a colourist agreed to: the guide goes by it, the prescription stays as it was signed.
alter table kit add column agreed_minutes double precision check (agreed_minutes between 1 and 120);
alter table kit add column agreed_by uuid references person (id);
alter table kit add column agreed_at timestamptz;

-- A picture that came with a test, made small and without what a camera writes into it.
create table test_photo (
    test_id  uuid primary key references test_report (id) on delete cascade,
    jpeg     bytea not null,
    taken_in timestamptz not null
);
