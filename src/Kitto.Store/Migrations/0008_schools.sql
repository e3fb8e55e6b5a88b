-- Who chose which way of a school for the house, and when: the last of each rule holds.
create table school_choice (
    id        bigint generated always as identity primary key,
    rule      text not null,
    way       text not null,
    chosen_by uuid not null references person (id),
    chosen_at timestamptz not null
);
create index school_choice_rule on school_choice (rule, id desc);
