-- How warm a tyre is that is to have its cold target, °C; null is inherited.
alter table axle add column reference_c double precision;
alter table limit_level add column reference_c double precision;
