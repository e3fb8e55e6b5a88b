-- Stock: a lot came in, tubes and bottles of it are opened, poured from and end. Shades and strengths by the names of their line.
create table lot (
    id          uuid primary key,
    line        text not null check (length(line) between 1 and 40),
    item        text not null check (length(item) between 1 and 12),
    number      text not null check (length(trim(number)) between 1 and 40),
    expires_on  date,
    pack_grams  numeric(8,2) not null check (pack_grams between 1 and 5000),
    price       numeric(10,2) check (price between 0 and 100000), -- of one tube or bottle; null: not known
    received_on date not null,
    recalled_at timestamptz,
    recalled_by text,
    recalled_why text,
    unique (line, item, number)
);
create table tube (
    id        uuid primary key,
    lot_id    uuid not null references lot,
    code      text not null unique check (code ~ '^[0-9A-Z]{6}$'), -- on its own label
    opened_on date,
    grams     numeric(8,2) not null check (grams >= 0),            -- the sum of its moves
    ended_at  timestamptz
);
create index tube_lot on tube (lot_id);

-- What became of every gram. Only ever added to; what is in a tube is the sum of its moves.
create table stock_move (
    seq      bigint generated always as identity primary key,
    tube_id  uuid not null references tube,
    kind     text not null check (kind in ('received', 'poured', 'unpoured', 'writtenOff', 'counted')),
    grams    numeric(8,2) not null,
    kit_id   uuid references kit,
    why      text not null default '',
    moved_by text not null,
    moved_at timestamptz not null
);
create index stock_move_tube on stock_move (tube_id);
create index stock_move_kit on stock_move (kit_id) where kit_id is not null;

-- Which shade a code on a package means.
create table product_code (
    code text primary key check (length(code) between 4 and 40),
    line text not null,
    item text not null
);

-- What happened at the bench. Only ever added to; a mistake is undone by a further line.
create table bench_event (
    seq     bigint generated always as identity primary key,
    id      uuid not null unique,
    kit_id  uuid not null references kit,
    kind    text not null check (kind in ('poured', 'raised', 'taken', 'smaller', 'undone', 'moved', 'dropped', 'labelled', 'excused', 'agreed')),
    vessel  text not null default '',
    item    text not null default '',
    grams   numeric(8,2) not null default 0,
    tube_id uuid references tube,
    typed   boolean not null default false,
    of_event uuid,
    factor  double precision not null default 1,
    says    text not null default '',
    said_by text not null,
    said_at timestamptz not null
);
create index bench_event_kit on bench_event (kit_id, seq);
create trigger never before update or delete or truncate on bench_event for each statement execute function never();
create trigger never before update or delete or truncate on stock_move for each statement execute function never();

-- A packed kit as it was really weighed (weighed/1); null: packed before, or not weighed at the bench.
alter table kit add column weighed jsonb;

-- A client can be called: when a lot is recalled, when a stop is told.
alter table client add column phone text not null default '' check (length(phone) <= 30);

-- How the bench reads a scale: {"from": "typed"}, {"from": "stream", "address": "http://127.0.0.1:5291"}, {"from": "serial", "baud": 9600}, each with its pattern.
alter table studio add column scale jsonb not null default '{}';
