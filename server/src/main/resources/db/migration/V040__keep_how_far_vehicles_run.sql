-- How far each vehicle has run since its readings first told: the odometer as last read, and the sum of what it ran.
create table vehicle_mileage (
    vehicle_id bigint primary key,
    told_at bigint not null,
    odometer_km double precision not null,
    ran_km double precision not null
);
-- How far the vehicle had run when the wheel was put on; null where nothing told it: then the days count.
alter table retorque add column ran_km double precision;
