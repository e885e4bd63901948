-- The gate asks for tyres below the least tread: few among many readings.
create index tread_reading_by_depth on tread_reading (shallowest_mm, tyre_id);
