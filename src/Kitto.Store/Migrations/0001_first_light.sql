-- First light: one head, from reading to report. All times are UTC.

create table studio (
    id            int primary key check (id = 1),
    name          text not null check (length(trim(name)) between 1 and 80),
    time_zone     text not null,
    service_level double precision not null check (service_level between 0.80 and 0.98),
    scale_step    double precision not null check (scale_step between 0.01 and 5),
    schools       jsonb not null default '{}',
    is_demo       boolean not null default false,
    version       int not null default 1
);

create table person (
    id             uuid primary key,
    user_name      text not null,
    normal_name    text not null unique,
    display_name   text not null,
    password_hash  text,
    security_stamp text not null,
    failed_count   int not null default 0,
    locked_until   timestamptz,
    created_at     timestamptz not null
);

create table destination (
    id           int generated always as identity primary key,
    name         text not null unique,
    post_days    text not null check (length(post_days) > 0), -- names of days, comma between
    transit_days int not null check (transit_days between 0 and 14)
);

create table client (
    id             uuid primary key,
    name           text not null check (length(trim(name)) between 1 and 80),
    birth_date     date not null,
    destination_id int not null references destination,
    note           text not null default '',
    created_at     timestamptz not null,
    version        int not null default 1
);
create index client_name on client (lower(name) text_pattern_ops);

-- Each reading is a new version; none is ever overwritten.
create table reading (
    id        uuid primary key,
    client_id uuid not null references client,
    version   int not null,
    taken_at  timestamptz not null,
    taken_by  uuid not null references person,
    document  jsonb not null,
    unique (client_id, version)
);

-- A prescription is frozen when it is signed: the case it was made from, the whole answer, the guide.
create table prescription (
    id            uuid primary key,
    client_id     uuid not null references client,
    reading_id    uuid not null references reading,
    decision      text not null check (decision in ('kit', 'salon', 'stop')),
    service       text not null,
    signed_at     timestamptz not null,
    signed_by     uuid not null references person,
    case_document jsonb not null,
    document      jsonb not null,
    guide         jsonb
);
create index prescription_client on prescription (client_id, signed_at desc);

create table kit (
    id              uuid primary key,
    prescription_id uuid not null unique references prescription,
    client_id       uuid not null references client,
    number          int not null,
    lines           text not null,     -- ids of the lines in it, comma between: each wants its own skin test
    strand_needed   boolean not null,
    state           text not null check (state in ('signed', 'packed', 'posted', 'reported', 'closed', 'stopped')),
    fill_on         date,
    post_on         date,
    colour_on       date,
    packed_at       timestamptz,
    posted_at       timestamptz,
    stopped_at      timestamptz,
    stop_reason     text,
    version         int not null default 1,
    unique (client_id, number)
);
create index kit_open on kit (state) where state <> 'closed';

-- Only the hash of a link's 128 random bits is kept.
create table guide_link (
    id         uuid primary key,
    kit_id     uuid not null references kit,
    token_hash bytea not null unique,
    created_at timestamptz not null,
    expires_at timestamptz not null,
    revoked_at timestamptz
);
create index guide_link_kit on guide_link (kit_id);

-- A skin test is put on (applied_at) and later reported; a strand test is reported at once.
create table test_report (
    id          uuid primary key,
    kit_id      uuid not null references kit,
    kind        text not null check (kind in ('skin', 'strand')),
    line        text not null,
    applied_at  timestamptz not null,
    reported_at timestamptz,
    result      text,
    minutes     double precision,
    note        text not null default '',
    reported_by text not null
);
create unique index test_report_open on test_report (kit_id, kind, line) where result is null;
create index test_report_kit on test_report (kit_id);

create table outcome_report (
    kit_id      uuid primary key references kit,
    applied_on  date not null,
    coverage    text not null,
    depth       text not null,
    tone        text not null,
    left_grams  double precision not null check (left_grams >= 0),
    ran_out     boolean not null,
    weighed     boolean not null,
    comfort     text not null,
    minutes     double precision,
    note        text not null default '',
    reported_at timestamptz not null,
    seen_at     timestamptz,
    seen_by     uuid references person
);
