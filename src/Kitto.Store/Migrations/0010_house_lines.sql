-- The line of each kind that the house takes, by the names of the contract; a kind that is not there is the shelf's.
alter table studio add column lines jsonb not null default '{}';
