-- What was signed of what a picture measured: how the studio reads beside its pictures. It names nobody and stays when the picture goes.
create table picture_pair (
    studio_id  int not null default this_studio() references studio,
    picture_id uuid not null,
    value      text not null check (value in ('regrowth', 'white')),
    measured   double precision not null, -- mm, or a share
    low        double precision not null,
    high       double precision not null,
    used       double precision not null,
    signed_at  timestamptz not null,
    primary key (studio_id, picture_id, value)
);
create index picture_pair_latest on picture_pair (studio_id, value, signed_at desc);
alter table picture_pair enable row level security;
create policy own on picture_pair using (studio_id = this_studio()) with check (studio_id = this_studio());
alter table studio add column pictures_corrected boolean not null default true; -- whether what was learned from pairs corrects what is proposed
