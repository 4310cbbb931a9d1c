-- Up Migration
-- A dry washer is a rig with one tray; it is set by its air where a box is set by its water.
alter table rig
  add column washer jsonb,
  add constraint rig_washer_tray check (washer is null or jsonb_array_length(sections) = 1),
  add constraint rig_washer_drive check (washer -> 'drive' ->> 'kind' in ('bellows', 'blower'));

alter table setup add column air jsonb;
alter table setup drop constraint setup_one_known;
alter table setup add constraint setup_one_known check (num_nonnulls(depth_m, flow_m3_s, air) = 1);
alter table setup add constraint setup_air_drive check (air -> 'drive' ->> 'kind' in ('bellows', 'blower'));
-- Air may be colder and hotter than any creek.
alter table setup drop constraint setup_temperature_c_check;
alter table setup
  add constraint setup_temperature_c_within check (temperature_c >= -20 and temperature_c <= 55),
  add constraint setup_water_temperature check (air is not null or (0 <= temperature_c and 40 >= temperature_c));
