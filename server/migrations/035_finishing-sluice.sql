-- Up Migration
-- A jar may go over a riffled finishing sluice: how it stood, and how long it took.
alter table jar add column sluice jsonb;
