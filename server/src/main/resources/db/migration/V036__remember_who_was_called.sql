-- Who was called for an alert since its calling began, or began again: shifts end in between.
alter table escalation add column called character varying(8000) default '' not null;
