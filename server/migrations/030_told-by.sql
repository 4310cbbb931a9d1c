-- Up Migration
-- Who tapped, or told afterwards, as that device calls its person.
alter table run_event
  add column told_by text,
  add constraint run_event_told_by_within check (length(told_by) <= 80);
