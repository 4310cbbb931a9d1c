-- Up Migration
-- Two set-ups, mats or ways of working compared round by round, in an order given by a coin.
create table trial (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  a text not null,
  b text not null,
  measure text not null,
  rounds jsonb not null,
  note text not null,
  primary key (crew_id, id),
  constraint trial_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id),
  constraint trial_measure_known check (measure in ('gold in the box', 'colors in the pan', 'colors in the tail pan', 'minutes a bucket')),
  constraint trial_rounds_some check (jsonb_array_length(rounds) <= 60),
  constraint trial_a_within check (length(a) between 1 and 80),
  constraint trial_b_within check (length(b) between 1 and 80),
  constraint trial_note_within check (length(note) <= 4000)
);
create index trial_of_ground on trial (crew_id, ground_id, id);
