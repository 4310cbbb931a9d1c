-- Up Migration
-- Words a crew has for the sizes of gold: each is tied to one class.
create table size_word (
  crew_id uuid not null references crew (id),
  id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  word text not null check (length(word) between 1 and 30),
  size text not null check (size in ('+10', '10-20', '20-40', '-40')),
  primary key (crew_id, id)
);
create unique index size_word_once on size_word (crew_id, lower(word)) where not deleted;
