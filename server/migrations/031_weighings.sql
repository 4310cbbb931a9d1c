-- Up Migration
-- A section's gold as the scale gave it: the vial empty, and full as often as it was weighed.
alter table cleanup_section
  add column weighing jsonb,
  add constraint cleanup_section_weighing_some check (jsonb_array_length(weighing -> 'full') between 1 and 50);
