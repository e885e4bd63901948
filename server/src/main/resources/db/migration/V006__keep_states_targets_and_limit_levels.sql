-- Where a vehicle stands between being described and being in service, and how it is used at present.
alter table vehicle add column state varchar(20) default 'IN_SERVICE' not null;
alter table vehicle add column state_reason varchar(500);
alter table vehicle add column use_now varchar(20) default 'ROAD' not null;
alter table vehicle add column revision integer default 1 not null;

-- What stands on an axle, and its targets for other uses; kPa gauge, inches, mm.
alter table axle add column duty varchar(20);
alter table axle add column tyre_size varchar(40);
alter table axle add column load_index integer;
alter table axle add column max_cold_kpa double precision;
alter table axle add column rim_inches double precision;
alter table axle add column drop_centre_mm double precision;
alter table axle add column field_kpa double precision;
alter table axle add column unladen_kpa double precision;
alter table axle add column lift_up_kpa double precision;

-- What the fleet holds to: one row for its policy, one for each kind and role with limits of its own. Null is inherited.
create table limit_level (
    id bigint primary key,
    kind varchar(20),
    role varchar(20),
    basis varchar(20),
    low_pct double precision,
    low_critical_pct double precision,
    high_pct double precision,
    temperature_c double precision,
    temperature_critical_c double precision
);
create unique index limit_level_of on limit_level (kind, role);
