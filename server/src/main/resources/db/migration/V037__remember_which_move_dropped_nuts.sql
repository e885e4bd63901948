-- An undo takes back that act and nothing else: the nuts of an earlier move are due again.
alter table retorque add column dropped_by bigint;
