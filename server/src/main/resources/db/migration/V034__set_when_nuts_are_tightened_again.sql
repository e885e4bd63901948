-- After which distance, km, and after how many days wheel nuts are tightened again.
alter table workshop_rules add column retorque_km integer default 80 not null;
alter table workshop_rules add column retorque_days integer default 1 not null;
