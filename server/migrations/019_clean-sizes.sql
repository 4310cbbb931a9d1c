-- Up Migration
-- A clean-up's gold parted by screens, and the colors counted in each section.
alter table cleanup add column screens jsonb not null default '[]';
alter table cleanup add constraint cleanup_screens_some check (jsonb_array_length(screens) <= 6);
alter table cleanup_section add column colors integer;
alter table cleanup_section add column by_size jsonb not null default '[]';
alter table cleanup_section add constraint cleanup_section_colors_within check (colors >= 0 and colors <= 100000);
alter table cleanup_section add constraint cleanup_section_by_size_some check (jsonb_array_length(by_size) <= 7);
