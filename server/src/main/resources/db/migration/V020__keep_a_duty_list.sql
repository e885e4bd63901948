-- Who is on duty at a depot, week by week, in the order in which they are called.
create table duty_shift (
  id bigint primary key,
  depot varchar(120) not null,
  number integer not null,
  who varchar(40) not null,
  weekday integer not null,
  from_minute integer not null,
  to_minute integer not null
);
create index duty_shift_of_depot on duty_shift (depot, number);
create sequence duty_shift_seq start with 1 increment by 1;

-- Exceptions of single days.
create table duty_replacement (
  id bigint primary key,
  depot varchar(120) not null,
  number integer not null,
  on_date date not null,
  who varchar(40) not null,
  instead varchar(40)
);
create index duty_replacement_of_depot on duty_replacement (depot, number);
create sequence duty_replacement_seq start with 1 increment by 1;

-- How long each waits for an answer.
create table duty_setting (id integer primary key, wait_minutes integer not null);

-- How far a call for an alert has come; a call is known by when the alert called.
create table escalation (
  alert_id bigint primary key references alert,
  called_at bigint not null,
  step integer not null,
  stepped_at bigint not null
);
