-- At which hour of a depot's day what is not urgent is told; null for never.
alter table duty_setting add column digest_hour integer;

-- The last day on which a depot's digest was written.
create table digest (depot varchar(120) primary key, last_day date not null);
