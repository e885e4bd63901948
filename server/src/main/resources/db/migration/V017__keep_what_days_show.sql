-- A leak that shows over days: since when, what it loses, when it reaches its first limit, how often it was filled.
alter table alert add column days_since bigint;
alter table alert add column days_kpa_per_day double precision;
alter table alert add column days_error_kpa_per_day double precision;
alter table alert add column days_low_at bigint;
alter table alert add column days_fillings integer;
-- Where the level of a wheel stepped.
alter table alert add column step_from bigint;
alter table alert add column step_to bigint;
alter table alert add column step_kpa double precision;
