-- Work at a vehicle, and everything that was entered for it, in the order in which it came.
create table job (
    id bigint primary key,
    vehicle_id bigint not null references vehicle (id),
    mount varchar(20),
    walk varchar(30) not null,
    state varchar(20) not null,
    opened_at bigint not null,
    opened_by varchar(120) not null,
    closed_at bigint,
    closed_by varchar(120)
);
create index job_of_vehicle on job (vehicle_id);

create table job_entry (
    id bigint primary key,
    job_id bigint not null references job (id),
    number integer not null,
    entry_key varchar(64) not null unique,
    kind varchar(20) not null,
    position varchar(4),
    at bigint not null,
    who varchar(120) not null,
    payload varchar(8000) not null
);
create unique index job_entry_of_job on job_entry (job_id, number);

-- What the fleet asks of tyres and gauges; one row.
create table workshop_rules (
    id bigint primary key,
    min_tread_steer_mm double precision not null,
    min_tread_mm double precision not null,
    max_age_years integer not null,
    retread_on_steer boolean not null,
    gauge_tolerance_kpa double precision not null
);

-- Taken out of use, with its tyre or by itself.
alter table sensor add column retired_because varchar(200);

-- What limits were before somebody changed them for many at once, so that it can be undone.
create table limit_batch (
    id bigint primary key,
    at bigint not null,
    who varchar(120) not null,
    words varchar(500) not null,
    undone_at bigint,
    kept varchar(1000000) not null
);
