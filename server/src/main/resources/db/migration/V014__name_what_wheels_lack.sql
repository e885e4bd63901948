-- What a note for a whole vehicle says of its wheels: what each lacks, kPa.
alter table alert add column shortfalls varchar(2000);
