-- The whole wheel, or the tyre alone, whose rim and valve stayed; null where nobody said.
alter table wheel_move_step add column went varchar(20);
