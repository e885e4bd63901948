-- How far a vehicle had run, km, when wheels of it were moved.
create table wheel_move_distance (
  id bigint primary key,
  move_id bigint not null,
  vehicle_id bigint not null,
  km double precision not null
);
create index wheel_move_distance_of_move on wheel_move_distance (move_id);
create sequence wheel_move_distance_seq start with 1 increment by 1;
