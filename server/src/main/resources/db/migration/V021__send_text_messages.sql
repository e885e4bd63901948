-- Where a person gets text messages.
alter table account add column phone varchar(40);

-- The service that sends text messages for us. The secret before the last change still signs, until it is dropped.
create table webhook (
  id integer primary key,
  url varchar(1000) not null,
  secret varchar(80) not null,
  secret_before varchar(80)
);

create table outgoing_text (
  id bigint primary key,
  recipient varchar(40) not null,
  text varchar(4000) not null,
  state varchar(20) not null,
  is_demo boolean not null,
  tries integer not null,
  next_try_at timestamp(6) with time zone not null,
  trouble varchar(500),
  written_at timestamp(6) with time zone not null,
  sent_at timestamp(6) with time zone
);
create index outgoing_text_waiting on outgoing_text (state, next_try_at);
create sequence outgoing_text_seq start with 1 increment by 1;

alter table instruction add column phone varchar(40);
alter table instruction add column text_id bigint references outgoing_text;
