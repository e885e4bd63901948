-- Wheels, axles and vehicles that were taken out of service, and until when. Neither axle nor position: the whole vehicle.
create table outage (
  id bigint primary key,
  vehicle_id bigint not null,
  axle integer,
  position varchar(8),
  reason varchar(500) not null,
  until_at timestamp(6) with time zone not null,
  begun_by varchar(40) not null,
  begun_at timestamp(6) with time zone not null,
  ended_at timestamp(6) with time zone
);
create index outage_of_vehicle on outage (vehicle_id, ended_at);
create sequence outage_seq start with 1 increment by 1;
