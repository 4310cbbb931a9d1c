-- Up Migration
-- What happened at a box while it ran stands beside what was measured at it.
alter table box_test drop constraint box_test_tested_kind;
alter table box_test add constraint box_test_tested_kind
  check (tested ->> 'kind' in ('timed bucket', 'tail pan', 'tracers', 'water', 'event'));
