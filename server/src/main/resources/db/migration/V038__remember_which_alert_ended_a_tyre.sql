-- What is said of a tyre when its alert is closed or its repair ends moves that tyre; taking the one back takes back the other.
alter table wheel_move add column alert_id bigint;
create index wheel_move_of_alert on wheel_move (alert_id);
