-- Where a colourist departs from a school of the house, or takes a caution on herself, for one client: always with a reason, a name and a date.
-- Nothing is ever changed here: a later line takes an earlier one's place, and one without a way gives it back to the house.
create table client_way (
    id bigint generated always as identity primary key,
    client_id uuid not null references client (id) on delete cascade,
    rule text not null,
    way text,
    reason text not null check (length(trim(reason)) between 1 and 300),
    decided_by uuid not null references person (id),
    decided_at timestamptz not null
);
create index client_way_client on client_way (client_id, rule, id desc);
