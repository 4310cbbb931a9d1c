-- Up Migration
-- A box has sections, from the head down; one of a single lining has one.
alter table rig add column sections jsonb;
update rig set sections = jsonb_build_array(jsonb_build_object(
  'lining', lining,
  'width_m', width_m,
  'widthEntered', width_entered,
  'length_m', length_m,
  'lengthEntered', length_entered,
  'step_m', 0,
  'stepEntered', null
));
alter table rig
  alter column sections set not null,
  add constraint rig_sections_some check (jsonb_array_length(sections) between 1 and 8),
  drop column lining,
  drop column width_m,
  drop column width_entered,
  drop column length_m,
  drop column length_entered;
