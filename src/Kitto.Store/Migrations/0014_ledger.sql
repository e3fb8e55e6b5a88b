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
    paint_min   double precision not null,
    contact_min double precision not null,  -- from the first stroke to the rinse, as planned
    -- What its report says, reckoned once when it comes: the ledger sums over hundreds of thousands.
    reported    boolean not null default false,
    ran_out     boolean not null default false,
    left_cost   numeric(12,2) not null default 0, -- the goods by the share that was left over
    log_used    double precision,                 -- ln(used / reckoned); null: not weighed, or it ran out
    in_band     boolean,
    came_right  boolean,
    log_paint   double precision,
    log_contact double precision              -- ln(first stroke to rinse / planned), by the run
);
create index kit_account_booked on kit_account (booked_on);

create function kit_reported() returns trigger language plpgsql as $$
declare used double precision; contact double precision;
begin
    select case when new.weighed and not new.ran_out then a.sent_g::float8 - a.residue_g - new.left_grams end into used from kit_account a where a.kit_id = new.kit_id;
    -- The last time each was begun counts: a step may be taken back and begun again.
    select extract(epoch from max(r.begun_at) filter (where r.step = k.run_off - 1) - min(r.begun_at) filter (where r.step = k.run_first)) / 60 into contact
    from kit k join run_step r on r.kit_id = k.id and r.word = 'step' where k.id = new.kit_id group by k.id;
    update kit_account a set reported = true, ran_out = new.ran_out,
        left_cost = case when a.sent_g > 0 then round(a.goods * least(new.left_grams::numeric, a.sent_g) / a.sent_g, 2) else 0 end,
        log_used = case when used > 0 and a.use_g > 0 then ln(used / a.use_g) end,
        in_band = case when used > 0 then used between a.low_g and a.high_g end,
        came_right = new.depth = 'right' and new.tone = 'right',
        log_paint = case when new.minutes > 0 and a.paint_min > 0 then ln(new.minutes / a.paint_min) end,
        log_contact = case when contact between 2 and 240 and a.contact_min > 0 then ln(contact / a.contact_min) end
    where a.kit_id = new.kit_id;
    return new;
end $$;
create trigger reported after insert on outcome_report for each row execute function kit_reported();
create index reading_grown on reading (taken_at) where grown_since is not null;

-- The goods of a kit by line; they add up to the kit's own.
create table kit_goods (
    kit_id    uuid not null references kit_account on delete cascade,
    line      text not null,
    booked_on date not null,
    goods     numeric(12,2) not null,
    lost      numeric(12,2) not null,
    primary key (kit_id, line)
);
