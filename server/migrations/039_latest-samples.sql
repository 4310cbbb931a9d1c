-- Up Migration
-- The samples taken last on a ground are read from their end, not found by sorting all of them.
create index sample_taken_last on sample (crew_id, ground_id, taken_at desc, id) where not deleted;
