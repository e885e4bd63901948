-- Why a tyre came off its vehicle, and what was repaired on it.
alter table wheel_move_step add column reason varchar(20);

create table tyre_repair (
  id bigint primary key,
  tyre_id bigint not null,
  repaired_at timestamp(6) with time zone not null,
  what varchar(500) not null,
  repairer varchar(100) not null,
  who varchar(200) not null
);
create index tyre_repair_of_tyre on tyre_repair (tyre_id, repaired_at);
create sequence tyre_repair_seq start with 1 increment by 1;
