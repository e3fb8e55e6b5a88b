-- Regrowth that was measured, not reckoned, when a reading was taken: from it her rate is learned.
alter table reading add column grown_mm double precision check (grown_mm between 0 and 300);
alter table reading add column grown_since date;
alter table reading add check ((grown_mm is null) = (grown_since is null));

-- Every day of a kit beside it, so that a week can be asked for; those signed earlier have them in their documents.
alter table kit add column arrives_on date, add column skin_on date, add column strand_on date, add column due_on date;
update kit k set arrives_on = (p.document #>> '{plan,arrivesOn}')::date, skin_on = (p.document #>> '{plan,skinTestOn}')::date, strand_on = (p.document #>> '{plan,strandTestOn}')::date
from prescription p where p.id = k.prescription_id;
create index kit_client on kit (client_id, number desc);

-- What happened on the head: every step as it was begun, from whichever device. Nothing is changed or taken out; a step back is another line.
create table run_step (
    id          uuid primary key,
    kit_id      uuid not null references kit (id),
    step        int not null check (step between 1 and 99),
    begun_at    timestamptz not null,
    received_at timestamptz not null
);
create index run_step_kit on run_step (kit_id, begun_at);

-- A studio's calendar is read by calendar programs through a link of its own.
alter table link drop constraint link_purpose_check;
alter table link drop constraint link_check;
alter table link add constraint link_purpose_check check (purpose in ('guide', 'ask', 'studio'));
alter table link add constraint link_check check (case purpose
    when 'guide' then kit_id is not null and client_id is null
    when 'studio' then kit_id is null and client_id is null
    else kit_id is null and client_id is not null end);

-- What is to be said to whom. One line for each thing said, by its key, so that nothing is said twice.
alter table client add column email text check (length(email) between 3 and 254);
create table message (
    id         uuid primary key,
    key        text not null unique,
    client_id  uuid references client (id) on delete cascade,
    recipient  text,
    subject    text not null,
    body       text not null,
    due_at     timestamptz not null,
    made_at    timestamptz not null,
    claimed_at timestamptz,
    sent_at    timestamptz,
    attempts   int not null default 0,
    failure    text
);
create index message_open on message (due_at) where sent_at is null;
