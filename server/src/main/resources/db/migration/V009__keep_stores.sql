-- How many of each item lie in the store, tools among them.
create table stock (item varchar(40) primary key, on_hand integer not null);

-- What it takes to equip some vehicles, and what was put aside for that.
create table kit_plan (
    id bigint primary key,
    state varchar(20) not null,
    made_at bigint not null,
    made_by varchar(120) not null,
    changed_at bigint not null,
    changed_by varchar(120) not null,
    payload varchar(1000000) not null
);
