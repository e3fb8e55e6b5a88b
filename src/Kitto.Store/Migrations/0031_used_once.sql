-- What counts once: the codes of a phone and the answers of a passkey, remembered for as long as they would be taken.
create table used_once (
    studio_id int not null default this_studio() references studio,
    name      text not null,
    until     timestamptz not null,
    primary key (studio_id, name)
);
create index used_once_until on used_once (studio_id, until);
alter table used_once enable row level security;
create policy own on used_once using (studio_id = this_studio()) with check (studio_id = this_studio());
