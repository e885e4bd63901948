-- What marks a tyre that lies off every vehicle, and who saw it; several troubles may be named.
alter table tyre add column marked_kind varchar(30);
alter table tyre add column marked_seen_by varchar(200);
alter table tyre alter column marked_words set data type varchar(2000);
