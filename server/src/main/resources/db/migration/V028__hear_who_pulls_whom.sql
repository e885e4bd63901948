-- Who was hooked behind whom and when. A combination is what these make of vehicles at one time.
create table coupling (
  id bigint primary key,
  pulled_id bigint not null,
  puller_id bigint not null,
  from_at bigint not null,
  -- Null while it lasts.
  to_at bigint,
  source varchar(10) not null,
  begun_by varchar(200),
  ended_source varchar(10),
  ended_by varchar(200)
);
create index coupling_of_pulled on coupling (pulled_id);
create index coupling_of_puller on coupling (puller_id);
create sequence coupling_seq start with 1 increment by 1;

-- What hears sensors, and where it is as far as somebody said.
create table receiver (
  name varchar(60) primary key,
  kind varchar(10) not null,
  vehicle_id bigint,
  -- Whether its vehicle follows from what it hears, and nobody said so.
  assumed boolean default false not null,
  depot varchar(100),
  place varchar(200),
  power varchar(20),
  first_heard_at bigint,
  last_heard_at bigint,
  readings bigint default 0 not null
);

-- For how long receivers have heard vehicles on the road without a longer break.
create table heard_span (
  receiver varchar(60) not null,
  vehicle_id bigint not null,
  since_at bigint not null,
  last_at bigint not null,
  times integer not null,
  coolest double precision,
  moved_at bigint,
  warmed_at bigint,
  stands_at bigint,
  missed integer not null,
  denied boolean not null,
  primary key (receiver, vehicle_id)
);

alter table api_token add receiver varchar(60);
alter table stranger add receiver varchar(60);
