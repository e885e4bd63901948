-- Who is to deal with an alert, which other stands for it too, whether it was right, and how it stood before the last act.
alter table alert add column assignee varchar(40);
alter table alert add column same_cause_as bigint;
alter table alert add column verdict varchar(20);
alter table alert add column state_before varchar(20);
alter table alert add column closed_at_before bigint;
alter table alert add column shelved_until_before bigint;
alter table alert add column assignee_before varchar(40);
alter table alert add column same_cause_as_before bigint;
