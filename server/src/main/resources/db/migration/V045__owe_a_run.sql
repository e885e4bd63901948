-- What is to be judged again: a vehicle, for each wheel since when, and whether it was held back before the act.
create table owed_run (
    vehicle_id bigint not null primary key,
    wheels varchar(4000) not null,
    asked_at timestamp(3) with time zone not null,
    is_held boolean not null
);
