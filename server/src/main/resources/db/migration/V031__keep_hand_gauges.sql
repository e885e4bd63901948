-- Hand gauges, and when each was calibrated.
create table hand_gauge (
  name varchar(200) primary key,
  depot varchar(200),
  calibrated_on date not null,
  every_months integer not null
);
