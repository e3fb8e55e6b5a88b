-- Pictures that clients send from their phones, in the questions and in the guide: piece by piece, each piece encrypted, going on where they were cut off.
alter table picture alter column taken_by drop not null; -- null: the client sent it
alter table picture
    add column kind    text not null default 'parting' check (kind in ('parting', 'lock', 'whole')),
    add column kit_id  uuid, -- the kit whose guide it came through
    add column link_id uuid, -- the link it came through; null: taken in by the studio
    add foreign key (studio_id, kit_id) references kit;
create index picture_kit on picture (studio_id, kit_id) where kit_id is not null;

create table picture_sending (
    studio_id int not null default this_studio() references studio,
    id        uuid not null,
    client_id uuid not null,
    kit_id    uuid,
    link_id   uuid not null,
    kind      text not null check (kind in ('parting', 'lock', 'whole')),
    zone      text not null,
    print_mm  double precision check (print_mm between 75 and 95),
    size      int not null check (size > 0),
    came      int not null default 0 check (came between 0 and size),
    begun_at  timestamptz not null,
    primary key (studio_id, id),
    foreign key (studio_id, client_id) references client,
    foreign key (studio_id, kit_id) references kit
);
create index picture_sending_client on picture_sending (studio_id, client_id);
create table picture_piece (
    studio_id int not null default this_studio() references studio,
    id        uuid not null,
    client_id uuid not null,
    begins    int not null, -- bytes from the beginning of the picture
    sealed    bytea not null,
    primary key (studio_id, id, begins),
    foreign key (studio_id, id) references picture_sending on delete cascade,
    foreign key (studio_id, client_id) references client
);
create index picture_piece_client on picture_piece (studio_id, client_id);
alter table picture_sending enable row level security;
create policy own on picture_sending using (studio_id = this_studio()) with check (studio_id = this_studio());
alter table picture_piece enable row level security;
create policy own on picture_piece using (studio_id = this_studio()) with check (studio_id = this_studio());

create or replace function pictures_erased() returns trigger language plpgsql security definer set search_path = public as $$
begin
    delete from picture_sending where studio_id = new.studio_id and client_id = new.id;
    delete from picture where studio_id = new.studio_id and client_id = new.id;
    return null;
end $$;
