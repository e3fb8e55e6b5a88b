-- A link to a guide can be shown again to the studio: its token, encrypted with the application's own keys, and the site it was made under.
-- Null: made before, or a link that is shown once only.
alter table link add column sealed text;
alter table link add column site text;
-- The studio's telephone, as clients call it from their guide; empty: none is known.
alter table studio add column phone text not null default '';
