-- Up Migration
-- How many were at a run, those who dig and carry too.
alter table run
  add column people integer,
  add constraint run_people_within check (people >= 1 and people <= 100);
