-- Up Migration
-- The river's level at the ground's stake, and the floods that renewed its bars.
create table gauge_reading (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  read_at timestamptz not null,
  level_m double precision not null check (level_m between -20 and 30),
  level_entered jsonb not null,
  is_flood boolean not null,
  note text not null default '',
  primary key (crew_id, id),
  constraint gauge_reading_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);
create index gauge_reading_of_ground on gauge_reading (crew_id, ground_id, id);
