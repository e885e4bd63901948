-- Tyre makers' load and inflation tables, one for each size.
create table load_table (
    id bigint primary key,
    tyre_size varchar(40) not null unique,
    source varchar(200) not null,
    speed_kmh integer,
    entered_at bigint not null,
    entered_by varchar(120) not null,
    payload varchar(20000) not null
);

-- What sensors of each mount are, as the fleet buys them: measured against, and how far; null is not known.
create table sensor_make (mount varchar(20) primary key, vented boolean not null, range_kpa double precision);
