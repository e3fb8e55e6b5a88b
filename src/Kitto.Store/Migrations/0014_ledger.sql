-- Prices of the house, as decimals in text: {"currency": "GBP", "perHour": "24.00", ...}.
alter table studio add column prices jsonb not null default '{}';
alter table destination add column postage numeric(10,2) check (postage between 0 and 100000);

-- What a kit came to when it was packed, to the cent; and what was promised of it, to be held against what came.
create table kit_account (
    kit_id      uuid primary key references kit,
    client_id   uuid not null references client,
    service     text not null,
    booked_on   date not null,
    goods       numeric(12,2) not null,     -- what went into the box
    lost        numeric(12,2) not null,     -- what was thrown away at the bench
    containers  numeric(12,2) not null,
    postage     numeric(12,2) not null,
    labour      numeric(12,2) not null,
    minutes     numeric(8,1) not null,
    price       numeric(12,2) not null,
    known       boolean not null,           -- false: something in it has no price
    sent_g      numeric(8,2) not null,
    promised    double precision not null,  -- share of such kits that do not run out
    low_g       double precision not null,
    use_g       double precision not null,
    high_g      double precision not null,
    residue_g   double precision not null,
    delta_e     double precision,
    paint_min   double precision not null
);
create index kit_account_booked on kit_account (booked_on);

-- The goods of a kit by line; they add up to the kit's own.
create table kit_goods (
    kit_id uuid not null references kit_account on delete cascade,
    line   text not null,
    goods  numeric(12,2) not null,
    lost   numeric(12,2) not null,
    primary key (kit_id, line)
);
