-- What a client reads and is called: language as BCP 47 has it; the word the studio speaks of a client by, the name alone where none was chosen.
alter table client add column language text not null default 'en' check (language ~ '^[a-z]{2,3}$');
alter table client add column spoken_of text not null default 'name' check (spoken_of in ('name', 'she', 'he', 'they'));

-- Where a stop is told to the studio at once, beside the marks on its pages.
alter table studio add column alarm_email text not null default '';

-- When a client first opened the guide of a posted kit: until then packing and posting can be taken back.
alter table kit add column opened_at timestamptz;
-- A kit that was called off is closed; why, and by whom.
alter table kit add column cancelled_at timestamptz, add column cancelled_by text, add column cancelled_why text;
alter table kit add constraint kit_cancelled check ((cancelled_at is null) = (cancelled_why is null) and (cancelled_at is null or state = 'closed'));

-- A part of a posted kit that is sent once more.
create table kit_replacement (
    id         uuid primary key,
    kit_id     uuid not null references kit,
    part       text not null check (length(trim(part)) between 1 and 80),
    why        text not null check (length(trim(why)) between 1 and 300),
    asked_by   text not null,
    asked_at   timestamptz not null,
    there_at   timestamptz
);
create index kit_replacement_kit on kit_replacement (kit_id, asked_at);

-- What came out otherwise at some zones: {"crown": {"coverage": "greyShows"}}.
alter table outcome_report add column zones jsonb not null default '{}';

-- Pictures in daylight. One that has not come whole is kept as far as it came.
create table report_photo (
    id       uuid primary key,
    kit_id   uuid not null references kit,
    size     int not null check (size between 1 and 12582912),
    came     bytea not null,
    jpeg     bytea,
    begun_at timestamptz not null,
    taken_in timestamptz
);
create index report_photo_kit on report_photo (kit_id, begun_at);
