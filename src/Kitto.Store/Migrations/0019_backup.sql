-- When the whole installation was last backed up, and whether what was written could be restored: written by the command, read by the house.
create table backup (
    id   int generated always as identity primary key,
    at   timestamptz not null default now(),
    good boolean not null,
    says text not null
);
