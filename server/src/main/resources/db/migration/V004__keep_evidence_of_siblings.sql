-- What a wheel's siblings showed when an alert was raised: kPa at 20 °C an hour, °C, kPa gauge at 20 °C.
alter table alert add column loss_kpa_per_hour double precision;
alter table alert add column loss_error_kpa_per_hour double precision;
alter table alert add column siblings_c double precision;
alter table alert add column mate_kpa_at20 double precision;
