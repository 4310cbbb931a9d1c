-- Up Migration
-- Who was at a run, and which layer of its spot was fed: the book is told apart by both.
alter table run
  add column who text not null default '',
  add column layer text not null default '',
  add constraint run_who_within check (length(who) <= 200),
  add constraint run_layer_within check (length(layer) <= 80);
