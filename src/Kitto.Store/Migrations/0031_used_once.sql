-- What counts once: the codes of a phone and the answers of a passkey, remembered for as long as they would be taken.
create table used_once (
    name  text primary key,
    until timestamptz not null
);
create index used_once_until on used_once (until);
