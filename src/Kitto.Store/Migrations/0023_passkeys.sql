-- Passkeys (WebAuthn): the public halves of keys that never leave a person's own device.
create table passkey (
    studio_id       integer not null default this_studio() references studio (id),
    credential_id   bytea not null,
    person_id       uuid not null,
    public_key      bytea not null,
    name            text not null check (char_length(name) between 1 and 60),
    made_at         timestamptz not null,
    used_at         timestamptz,
    sign_count      bigint not null,
    transports      text[] not null default '{}',
    backup_eligible boolean not null,
    backed_up       boolean not null,
    primary key (studio_id, credential_id),
    foreign key (studio_id, person_id) references person (studio_id, id)
);
create index passkey_person on passkey (studio_id, person_id);
alter table passkey enable row level security;
create policy own on passkey using (studio_id = this_studio()) with check (studio_id = this_studio());
