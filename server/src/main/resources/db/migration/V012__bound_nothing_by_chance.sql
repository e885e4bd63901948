-- An entry's key is its author's, so it is unique within its job and nowhere else; what people enter has room.
create table job_entry_new (
    id bigint primary key,
    job_id bigint not null references job (id),
    number integer not null,
    entry_key varchar(64) not null,
    kind varchar(20) not null,
    position varchar(4),
    at bigint not null,
    who varchar(120) not null,
    payload character large object not null
);
insert into job_entry_new select id, job_id, number, entry_key, kind, position, at, who, payload from job_entry;
drop table job_entry;
alter table job_entry_new rename to job_entry;
create unique index job_entry_of_job on job_entry (job_id, number);
create unique index job_entry_by_key on job_entry (job_id, entry_key);

alter table limit_batch alter column kept set data type character large object;
alter table kit_plan alter column payload set data type character large object;
alter table pressure_round alter column sheet set data type character large object;
alter table load_table alter column payload set data type character large object;

-- How limit_batch.kept is written: 1 says what was before, 2 what was before and after, field by field.
alter table limit_batch add column format integer default 1 not null;

-- Whose token it is: who made it, or for whom the token spoke that made it. It ends when they leave.
alter table api_token add column owner varchar(120);
update api_token set owner = created_by;
alter table api_token alter column owner set not null;

-- Counts up when a person's sessions are to end.
alter table account add column session_number integer default 1 not null;

-- What signs the cookies by which a browser is known again at the sign-in.
alter table installation add column device_key varchar(64);
