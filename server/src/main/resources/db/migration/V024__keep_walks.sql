-- The walk round a vehicle before its first trip, as its driver said it was made.
create table walk (
  id bigint primary key,
  vehicle_id bigint not null,
  walked_by varchar(40) not null,
  walked_at timestamp(6) with time zone not null,
  faults integer not null
);
create index walk_of_vehicle on walk (vehicle_id, walked_at);
create sequence walk_seq start with 1 increment by 1;
