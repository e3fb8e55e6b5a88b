-- The lines on the shelf, as open line/1 documents; what is out of stock stands in them.
create table line (
    id text primary key,
    document jsonb not null,
    version integer not null default 1,
    changed_at timestamptz not null default now(),
    changed_by uuid references person (id)
);
