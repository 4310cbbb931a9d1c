-- Up Migration
-- Signs guessed from the line, as they were found or not.
alter table ground add column looked_at jsonb not null default '[]';
alter table ground alter column looked_at drop default;
