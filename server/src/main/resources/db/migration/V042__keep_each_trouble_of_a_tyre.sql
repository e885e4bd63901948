-- Each trouble of a tyre that lies off every vehicle by itself, so that each is ended by itself; as JSON, the oldest first.
alter table tyre add column marks varchar(12000);
