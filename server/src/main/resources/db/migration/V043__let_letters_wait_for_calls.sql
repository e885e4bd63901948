-- A call goes before letters that can wait, however many lie there.
alter table outgoing_mail add column can_wait boolean default false not null;
