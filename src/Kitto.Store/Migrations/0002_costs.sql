-- The house's own costs of a gram short and a gram left over; where given they set the service level.
alter table studio add column cost_short double precision check (cost_short between 0.01 and 10000);
alter table studio add column cost_left double precision check (cost_left between 0.01 and 10000);
alter table studio add constraint studio_costs check ((cost_short is null) = (cost_left is null));
