-- Tokens have longer names than people.
alter table outage alter column begun_by set data type varchar(200);
alter table alert alter column assignee set data type varchar(200);
alter table alert alter column assignee_before set data type varchar(200);
