-- Heads to learn on: what was asked, what was prescribed, and what would have come of it.
create table study_round (
    studio_id int not null default this_studio() references studio,
    id        uuid not null,
    name      text not null check (length(name) between 1 and 80),
    seed      bigint not null,
    opened_at timestamptz not null,
    opened_by uuid not null,
    primary key (studio_id, id),
    foreign key (studio_id, opened_by) references person
);
create index study_round_latest on study_round (studio_id, opened_at desc);
create table study_head (
    studio_id int not null default this_studio() references studio,
    id        uuid not null,
    person_id uuid not null,
    purpose   text not null check (purpose in ('practice', 'leave', 'round')),
    place     int not null, -- which of the person's row, or of the round
    round_id  uuid,
    kind      text not null,
    seed      bigint not null,
    client_id uuid, -- whose head it was, for a head of the studio's past: shown to nobody, it goes when they are erased
    document  jsonb not null, -- the head, as a case
    begun_at  timestamptz not null,
    signed_at timestamptz,
    trial     jsonb, -- what was prescribed, as it was typed
    verdict   jsonb, -- what would have come of it
    best      jsonb, -- what the house did, by the shelf of that day
    score     int check (score between 0 and 100),
    safe      boolean,
    first_rule text, -- what was told first; null where nothing was found
    primary key (studio_id, id),
    foreign key (studio_id, person_id) references person,
    foreign key (studio_id, round_id) references study_round,
    foreign key (studio_id, client_id) references client,
    check ((purpose = 'round') = (round_id is not null)),
    check ((signed_at is null) = (score is null and safe is null))
);
create unique index study_head_open on study_head (studio_id, person_id, purpose, coalesce(round_id, '00000000-0000-0000-0000-000000000000'::uuid)) where signed_at is null;
create unique index study_head_of_round on study_head (studio_id, round_id, person_id, place) where round_id is not null;
create index study_head_signed on study_head (studio_id, person_id, signed_at);
create index study_head_client on study_head (studio_id, client_id) where client_id is not null;

-- What heads and drills showed of the rules, one row a rule: it names no head and stays.
create table study_shown (
    studio_id int not null default this_studio() references studio,
    id        bigint generated always as identity,
    person_id uuid not null,
    rule      text not null,
    was_right boolean not null,
    shown_at  timestamptz not null,
    drill     text, -- null: a head
    primary key (studio_id, id),
    foreign key (studio_id, person_id) references person
);
create index study_shown_person on study_shown (studio_id, person_id, id);

-- What who learns would sign of a client, until somebody countersigns it or does otherwise.
create table proposal (
    studio_id   int not null default this_studio() references studio,
    id          uuid not null,
    client_id   uuid not null,
    person_id   uuid not null,
    document    jsonb not null, -- the sitting, as it was typed
    mix         text not null,
    proposed_at timestamptz not null,
    settled_at  timestamptz,
    settled_by  uuid,
    prescription_id uuid, -- what was signed of it; null: put aside, or something else was signed
    primary key (studio_id, id),
    foreign key (studio_id, client_id) references client,
    foreign key (studio_id, person_id) references person,
    foreign key (studio_id, settled_by) references person,
    foreign key (studio_id, prescription_id) references prescription
);
create unique index proposal_open on proposal (studio_id, client_id) where settled_at is null;

alter table study_round enable row level security;
create policy own on study_round using (studio_id = this_studio()) with check (studio_id = this_studio());
alter table study_head enable row level security;
create policy own on study_head using (studio_id = this_studio()) with check (studio_id = this_studio());
alter table study_shown enable row level security;
create policy own on study_shown using (studio_id = this_studio()) with check (studio_id = this_studio());
alter table proposal enable row level security;
create policy own on proposal using (studio_id = this_studio()) with check (studio_id = this_studio());

alter table studio add column countersign_until int check (countersign_until between 1 and 200); -- heads in a row; null: who learns signs nothing
alter table prescription add column countersigned_by uuid, add foreign key (studio_id, countersigned_by) references person;

create function study_erased() returns trigger language plpgsql security definer set search_path = public as $$
begin
    delete from study_head where studio_id = new.studio_id and client_id = new.id;
    delete from proposal where studio_id = new.studio_id and client_id = new.id;
    return null;
end $$;
create trigger study_erased after update on client for each row when (old.erased_at is null and new.erased_at is not null) execute function study_erased();
