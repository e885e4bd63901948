-- A round of pressures over some vehicles; the sheet is kept once it is done.
create table pressure_round (
    id bigint primary key,
    state varchar(20) not null,
    opened_at bigint not null,
    opened_by varchar(120) not null,
    closed_at bigint,
    closed_by varchar(120),
    air_c double precision,
    vehicles varchar(4000) not null,
    sheet varchar(1000000)
);

-- Why a wheel was left as it is, or what was found there.
create table round_reason (
    id bigint primary key,
    round_id bigint not null references pressure_round (id),
    vehicle_id bigint not null references vehicle (id),
    position varchar(4) not null,
    at bigint not null,
    who varchar(120) not null,
    reason varchar(500) not null
);
create index round_reason_of on round_reason (round_id);
