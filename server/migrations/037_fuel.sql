-- Up Migration
-- Fuel burnt in a run by pump, blower or motor; null: nobody said.
alter table run
  add column fuel_l double precision,
  add column fuel_entered jsonb,
  add constraint run_fuel_within check (fuel_l >= 0 and fuel_l <= 1000),
  add constraint run_fuel_as_typed check ((fuel_l is null) = (fuel_entered is null));
