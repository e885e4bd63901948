-- A file that ends the product each time that it is read is given up.
alter table reading_file add column starts integer default 0 not null;
