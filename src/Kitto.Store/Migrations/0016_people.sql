-- Who works in a studio, what they may do, and where they are signed in.
alter table person add column role text not null default 'owner' check (role in ('owner', 'colourist', 'learner', 'bench'));
alter table person alter column role drop default;
alter table person add column email text check (length(email) between 3 and 254);
alter table person add column ended_at timestamptz; -- works here no longer: what was signed stays signed by them
alter table person drop column failed_count, drop column locked_until;

-- A sign-in on one device, until it is ended there or from elsewhere.
create table session (
    studio_id int not null default this_studio() references studio,
    id        uuid not null,
    person_id uuid not null,
    begun_at  timestamptz not null,
    seen_at   timestamptz not null,
    ended_at  timestamptz,
    device    text not null,
    primary key (studio_id, id),
    foreign key (studio_id, person_id) references person
);
create index session_person on session (studio_id, person_id) where ended_at is null;
alter table session enable row level security;
create policy own on session using (studio_id = this_studio()) with check (studio_id = this_studio());

-- Links that ask somebody in, and that let somebody choose a new password: kept as the others are.
alter table link drop constraint link_purpose_check;
alter table link drop constraint link_check;
alter table link add column role text check (role in ('owner', 'colourist', 'learner', 'bench'));
alter table link add column person_id uuid;
alter table link add foreign key (studio_id, person_id) references person;
alter table link add constraint link_purpose_check check (purpose in ('guide', 'ask', 'studio', 'invite', 'recover'));
alter table link add constraint link_check check (
    (purpose = 'guide') = (kit_id is not null) and (purpose = 'ask') = (client_id is not null)
    and (purpose = 'invite') = (role is not null) and (purpose in ('invite', 'recover') or person_id is null) and (purpose <> 'recover' or person_id is not null));

-- Tries to sign in, by the name as it was typed, whether anybody bears it or not; a device that signed in before counts for itself.
create table sign_in_try (
    name     text primary key,
    count    int not null,
    began_at timestamptz not null
);
