-- Identities come from sequences. A sequence that gives several at once gives the last of them; what there is already is
-- passed over.
create sequence vehicle_seq start with (select coalesce(max(id), 0) + 50 from vehicle) increment by 50;
create sequence axle_seq start with (select coalesce(max(id), 0) + 200 from axle) increment by 200;
create sequence sensor_seq start with (select coalesce(max(id), 0) + 500 from sensor) increment by 500;
create sequence fitting_seq start with (select coalesce(max(id), 0) + 500 from fitting) increment by 500;
create sequence depot_seq start with (select coalesce(max(id), 0) + 1 from depot) increment by 1;
create sequence limit_level_seq start with (select coalesce(max(id), 0) + 1 from limit_level) increment by 1;
create sequence adjustment_seq start with (select coalesce(max(id), 0) + 1 from adjustment) increment by 1;
create sequence limit_change_seq start with (select coalesce(max(id), 0) + 50 from limit_change) increment by 50;
create sequence alert_entry_seq start with (select coalesce(max(id), 0) + 50 from alert_entry) increment by 50;
create sequence limit_batch_seq start with (select coalesce(max(id), 0) + 1 from limit_batch) increment by 1;
create sequence kit_plan_seq start with (select coalesce(max(id), 0) + 1 from kit_plan) increment by 1;
create sequence load_table_seq start with (select coalesce(max(id), 0) + 1 from load_table) increment by 1;
create sequence job_seq start with (select coalesce(max(id), 0) + 1 from job) increment by 1;
create sequence job_entry_seq start with (select coalesce(max(id), 0) + 1 from job_entry) increment by 1;
create sequence pressure_round_seq start with (select coalesce(max(id), 0) + 1 from pressure_round) increment by 1;
create sequence round_reason_seq start with (select coalesce(max(id), 0) + 1 from round_reason) increment by 1;
create sequence account_seq start with (select coalesce(max(id), 0) + 1 from account) increment by 1;
create sequence api_token_seq start with (select coalesce(max(id), 0) + 1 from api_token) increment by 1;
create sequence invitation_seq start with (select coalesce(max(id), 0) + 1 from invitation) increment by 1;
create sequence outgoing_mail_seq start with (select coalesce(max(id), 0) + 1 from outgoing_mail) increment by 1;
