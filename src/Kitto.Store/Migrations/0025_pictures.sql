-- Pictures of a head with the measuring card: the picture itself encrypted by the application, and what was measured in it.
create table picture (
    studio_id int not null default this_studio() references studio,
    id        uuid not null,
    client_id uuid not null,
    zone      text not null,
    taken_at  timestamptz not null,
    taken_by  uuid not null,
    print_mm  double precision check (print_mm between 75 and 95), -- the bank card's outline as it came out of the printer; null: not looked at
    answer    jsonb not null,
    sealed    bytea not null,
    primary key (studio_id, id),
    foreign key (studio_id, client_id) references client,
    foreign key (studio_id, taken_by) references person
);
create index picture_client on picture (studio_id, client_id, taken_at desc);
alter table picture enable row level security;
create policy own on picture using (studio_id = this_studio()) with check (studio_id = this_studio());

-- A client who is forgotten takes them along.
create function pictures_erased() returns trigger language plpgsql security definer set search_path = public as $$
begin
    delete from picture where studio_id = new.studio_id and client_id = new.id;
    return null;
end $$;
create trigger pictures after update of erased_at on client for each row when (new.erased_at is not null) execute function pictures_erased();
