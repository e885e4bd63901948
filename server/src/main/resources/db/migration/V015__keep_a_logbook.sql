-- What was done, by whom, when and why: appended to, never changed. Each entry's hash covers the one before.
create table logbook (
    number bigint primary key,
    at bigint not null,
    author_kind varchar(10) not null,
    author varchar(200) not null,
    author_name varchar(200) not null,
    kind varchar(40) not null,
    thing_kind varchar(20) not null,
    thing varchar(200) not null,
    thing_name varchar(200) not null,
    places character large object,
    words varchar(1000) not null,
    differences varchar(1000000),
    why varchar(2000),
    hash varbinary(32) not null
);
create index logbook_by_time on logbook (at);
create index logbook_by_author on logbook (author_kind, author, number);
create index logbook_by_kind on logbook (kind, number);
create index logbook_by_thing on logbook (thing_kind, thing, number);

-- Vehicles and wheels that an entry touches; an empty position is the vehicle as a whole.
create table logbook_place (
    vehicle_id bigint not null,
    number bigint not null,
    position varchar(4) not null,
    primary key (vehicle_id, number, position)
);
create index logbook_place_of_entry on logbook_place (number);

-- How far each feature that learns from the logbook has come.
create table logbook_cursor (name varchar(40) primary key, number bigint not null);

-- The words of a thousand entries each, so that a search reads only those that can hold what it looks for.
create table logbook_words (block bigint primary key, words varchar(1000000) not null);

-- Where the product is reached for whoever invites; the letter with the link is written once the invitation is stored.
alter table invitation add column address varchar(500);
