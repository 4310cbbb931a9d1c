-- Up Migration
-- Whose clock a ground's days and hours are told by: an IANA name, or the clock of whoever looks.
alter table ground add column time_zone text constraint ground_time_zone check (length(time_zone) between 1 and 64);
