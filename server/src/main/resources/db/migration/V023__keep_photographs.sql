-- What drivers photographed of an alert: JPEG, made small by the phone.
create table alert_photo (
  id bigint primary key,
  alert_id bigint not null references alert,
  number integer not null,
  taken_by varchar(40) not null,
  taken_at timestamp(6) with time zone not null,
  jpeg varbinary(1048576) not null
);
create unique index alert_photo_of_alert on alert_photo (alert_id, number);
create sequence alert_photo_seq start with 1 increment by 1;
