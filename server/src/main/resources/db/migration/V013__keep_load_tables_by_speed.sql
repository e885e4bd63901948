-- A tyre that goes slowly carries more: a table for 40 km/h does not stand for the road.
create table load_table_by_speed (
    id bigint primary key,
    tyre_size varchar(40) not null,
    source varchar(200) not null,
    speed_kmh integer,
    entered_at bigint not null,
    entered_by varchar(120) not null,
    payload character large object not null
);
insert into load_table_by_speed (id, tyre_size, source, speed_kmh, entered_at, entered_by, payload)
    select id, tyre_size, source, speed_kmh, entered_at, entered_by, payload from load_table;
drop table load_table;
alter table load_table_by_speed rename to load_table;
create index load_table_size on load_table (tyre_size);
