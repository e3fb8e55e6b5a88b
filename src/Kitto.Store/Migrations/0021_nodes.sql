-- Several nodes on one database: the keys that seal links and cookies, encrypted with a certificate before they come here, and whose turn it is to look for messages.
create table data_key (
    name     text primary key,
    xml      text not null,
    added_at timestamptz not null default now()
);
create table turn (
    name text primary key,
    at   timestamptz not null
);
