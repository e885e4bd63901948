-- Which column of a table meant what, by what it was of and by its headings.
create table column_memory (
  id varchar(100) primary key,
  mapping varchar(20000) not null,
  used_at timestamp(6) with time zone not null
);

-- Files of readings that are taken in behind everybody's back, and how far each is.
create table reading_file (
  id bigint primary key,
  name varchar(200) not null,
  format varchar(10) not null,
  mapping varchar(20000),
  units varchar(200) not null,
  bytes bigint not null,
  state varchar(10) not null,
  rows_done bigint not null,
  bytes_done bigint not null,
  accepted bigint not null,
  duplicates bigint not null,
  unknown_sensors bigint not null,
  rejected bigint not null,
  faults varchar(8000),
  words varchar(500),
  begun_at timestamp(6) with time zone not null,
  ended_at timestamp(6) with time zone,
  who varchar(200) not null
);
create sequence reading_file_seq start with 1 increment by 1;
