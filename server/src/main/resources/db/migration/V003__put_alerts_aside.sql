-- Until when an alert is put aside, epoch milliseconds.
alter table alert add column shelved_until bigint;
