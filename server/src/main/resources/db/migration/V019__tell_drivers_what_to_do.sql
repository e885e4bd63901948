-- In which language somebody is told what to do, and whom drivers of a depot call.
alter table account add column language varchar(5) default 'EN' not null;
alter table depot add column phone varchar(40);

-- What drivers were told, as it was sent.
create table instruction (
  id bigint primary key,
  alert_id bigint not null references alert,
  driver varchar(40) not null,
  language varchar(5) not null,
  text varchar(4000) not null,
  told_by varchar(120) not null,
  told_at timestamp(6) with time zone not null,
  email varchar(254),
  mail_id bigint references outgoing_mail
);
create index instruction_of_alert on instruction (alert_id, id);
create sequence instruction_seq start with 1 increment by 1;
