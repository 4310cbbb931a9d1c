-- Up Migration
-- What was found of a box as it stood, and what a clean-up was said to weigh before it was weighed.
create table box_test (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  setup_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  tested_at timestamptz not null,
  tested jsonb not null,
  note text not null,
  primary key (crew_id, id),
  constraint box_test_setup_fk foreign key (crew_id, ground_id, setup_id) references setup (crew_id, ground_id, id),
  constraint box_test_tested_kind check (tested ->> 'kind' in ('timed bucket', 'tail pan', 'tracers', 'water')),
  constraint box_test_note_within check (length(note) <= 4000)
);
create index box_test_of_ground on box_test (crew_id, ground_id, id);

create table forecast (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  setup_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  run_ids jsonb not null,
  sealed_at timestamptz not null,
  volume_bank_l double precision not null,
  sections jsonb not null,
  all_gold jsonb not null,
  pans integer not null,
  measured_by integer not null,
  primary key (crew_id, id),
  constraint forecast_setup_fk foreign key (crew_id, ground_id, setup_id) references setup (crew_id, ground_id, id),
  constraint forecast_run_ids_some check (jsonb_array_length(run_ids) between 1 and 200),
  constraint forecast_sections_some check (jsonb_array_length(sections) between 1 and 20),
  constraint forecast_volume_bank_l_within check (volume_bank_l > 0 and volume_bank_l <= 10000000),
  constraint forecast_pans_within check (pans >= 0 and pans <= 100000),
  constraint forecast_measured_by_within check (measured_by >= 0 and measured_by <= 100000)
);
create index forecast_of_ground on forecast (crew_id, ground_id, id);
