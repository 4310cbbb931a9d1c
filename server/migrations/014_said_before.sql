-- Up Migration
-- What was said of a pan before it was panned, by its panner and by Riffle.
alter table sample
  add column said_before text check (said_before in ('blank', 'some', 'rich')),
  add column riffle_said text check (riffle_said in ('blank', 'some', 'rich'));
