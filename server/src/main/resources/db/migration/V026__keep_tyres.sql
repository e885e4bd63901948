-- Tyres as things. A wheel of which nothing is written down here has a tyre all the same: one gets a row once somebody
-- says something of it or moves it, so nobody has to type anything for an existing fleet.
create table tyre (
  id bigint primary key,
  maker varchar(60),
  pattern varchar(60),
  size varchar(40),
  load_index integer,
  speed_symbol varchar(2),
  date_code varchar(4),
  is_retread boolean,
  is_directional boolean,
  note varchar(500),
  -- Run at 80 % of its target or less and not inspected since; known here while it is off every vehicle.
  marked_at timestamp(6) with time zone,
  marked_words varchar(500),
  added_at timestamp(6) with time zone not null,
  added_by varchar(200)
);
create sequence tyre_seq start with 1 increment by 50;

create table tyre_stay (
  id bigint primary key,
  tyre_id bigint not null,
  kind varchar(10) not null,
  vehicle_id bigint,
  position varchar(4),
  place varchar(100),
  -- The sensor inside while it is off every vehicle.
  sensor_id bigint,
  from_at bigint not null,
  to_at bigint not null
);
create index tyre_stay_of_tyre on tyre_stay (tyre_id);
create index tyre_stay_of_wheel on tyre_stay (vehicle_id, position);
create index tyre_stay_of_sensor on tyre_stay (sensor_id);
create sequence tyre_stay_seq start with 1 increment by 50;

create table tread_reading (
  id bigint primary key,
  tyre_id bigint not null,
  read_at timestamp(6) with time zone not null,
  shallowest_mm double precision not null,
  points varchar(200) not null,
  km double precision,
  who varchar(200) not null
);
create index tread_reading_of_tyre on tread_reading (tyre_id, read_at);
create sequence tread_reading_seq start with 1 increment by 1;

-- Wheel moves as they were made.
create table wheel_move (
  id bigint primary key,
  moved_at bigint not null,
  made_at timestamp(6) with time zone not null,
  made_by varchar(200) not null,
  note varchar(500),
  undone_at timestamp(6) with time zone,
  undone_by varchar(200)
);
create sequence wheel_move_seq start with 1 increment by 1;

create table wheel_move_step (
  id bigint primary key,
  move_id bigint not null,
  number integer not null,
  tyre_id bigint not null,
  from_kind varchar(10) not null,
  from_vehicle_id bigint,
  from_position varchar(4),
  from_place varchar(100),
  to_kind varchar(10) not null,
  to_vehicle_id bigint,
  to_position varchar(4),
  to_place varchar(100),
  sensor_id bigint,
  fate varchar(10) not null
);
create index wheel_move_step_of_move on wheel_move_step (move_id);
create index wheel_move_step_from on wheel_move_step (from_vehicle_id, from_position);
create index wheel_move_step_to on wheel_move_step (to_vehicle_id);
create sequence wheel_move_step_seq start with 1 increment by 50;

-- Wheels that were off and whose nuts are to be tightened again.
create table retorque (
  id bigint primary key,
  vehicle_id bigint not null,
  position varchar(4) not null,
  move_id bigint not null,
  off_at bigint not null,
  due_at bigint not null,
  km integer not null,
  done_at timestamp(6) with time zone,
  done_by varchar(200),
  torque_nm double precision,
  dropped boolean default false not null
);
create index retorque_of_vehicle on retorque (vehicle_id);
create sequence retorque_seq start with 1 increment by 50;
