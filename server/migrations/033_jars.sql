-- Up Migration
-- Jars of concentrate, one fraction each, on their way to gold.
create table jar (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null,
  made_at timestamptz not null,
  coarsest_mm double precision not null,
  finest_mm double precision not null,
  volume_l double precision not null,
  volume_entered jsonb not null,
  way text not null,
  state text not null,
  floor jsonb,
  spoons jsonb not null,
  magnet jsonb,
  gold_mg numeric,
  gold_entered jsonb,
  note text not null,
  primary key (crew_id, id),
  constraint jar_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id),
  constraint jar_name_within check (length(name) between 1 and 80),
  constraint jar_coarsest_mm_within check (coarsest_mm > 0 and coarsest_mm <= 500),
  constraint jar_finest_mm_within check (finest_mm >= 0 and finest_mm <= 500),
  constraint jar_fraction check (finest_mm < coarsest_mm),
  constraint jar_volume_l_within check (volume_l > 0 and volume_l <= 200),
  constraint jar_way check (way in ('pan', 'finishing sluice', 'recirculating box', 'otherwise')),
  constraint jar_state check (
    state in ('waiting', 'looked through', 'washed', 'tails washed', 'dry', 'magnet off', 'weighed')
  ),
  constraint jar_spoons_some check (jsonb_array_length(spoons) <= 60),
  constraint jar_gold_mg_within check (gold_mg >= 0 and gold_mg <= 100000000),
  constraint jar_note_within check (length(note) <= 4000)
);
create index jar_of_ground on jar (crew_id, ground_id, id);

-- Practice pans worked dry are of other hands than those worked in water.
alter table seeding
  add column way text not null default 'wet',
  add constraint seeding_way check (way in ('wet', 'dry'));
