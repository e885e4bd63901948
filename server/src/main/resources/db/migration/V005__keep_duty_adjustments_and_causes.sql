-- What the vehicle does, and what sets an axle apart for judging.
alter table vehicle add column duty varchar(20) default 'GENERAL' not null;
alter table axle add column ballasted boolean default false not null;
alter table axle add column automatic_inflation boolean default false not null;

-- What the others showed when an alert was raised: °C, kPa an hour, share of target; and whom else it is about.
alter table alert add column siblings integer;
alter table alert add column across_c double precision;
alter table alert add column mate_c double precision;
alter table alert add column siblings_loss_kpa_per_hour double precision;
alter table alert add column siblings_deviation double precision;
alter table alert add column refills integer;
alter table alert add column other_position varchar(4);
alter table alert add column last_heard_at bigint;

-- Somebody set the pressure of a wheel and wrote it down; kPa gauge, epoch milliseconds.
create table adjustment (
    id bigint primary key,
    vehicle_id bigint not null references vehicle (id),
    position varchar(4) not null,
    at bigint not null,
    before_kpa double precision,
    after_kpa double precision,
    who varchar(120) not null,
    note varchar(1000)
);
create index adjustment_of_wheel on adjustment (vehicle_id, position, at);

-- An axle's target or limits were changed; kPa gauge, epoch milliseconds.
create table limit_change (
    id bigint primary key,
    vehicle_id bigint not null references vehicle (id),
    axle integer not null,
    at bigint not null,
    target_before_kpa double precision not null,
    target_after_kpa double precision not null,
    low_before_kpa double precision not null,
    low_after_kpa double precision not null,
    critical_before_kpa double precision not null,
    critical_after_kpa double precision not null
);
create index limit_change_of_axle on limit_change (vehicle_id, axle, at);
