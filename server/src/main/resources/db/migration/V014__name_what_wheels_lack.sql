-- What a note for a whole vehicle says of its wheels: what each lacks, kPa.
alter table alert add column shortfalls varchar(2000);
-- How much more than its sensor reports a gauge shows where the vehicle is at home, kPa.
alter table alert add column to_gauge_kpa double precision default 0 not null;
