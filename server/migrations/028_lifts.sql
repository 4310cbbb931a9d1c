-- Up Migration
-- Boxes lifted into tubs, to be weighed later; what a later rinse brought out of a carpet; where a box hides gold.
create table lift (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  run_ids jsonb not null,
  lifted_at timestamptz not null,
  tubs jsonb not null,
  rinsed_clean text not null,
  leaks_washed jsonb not null,
  note text not null,
  primary key (crew_id, id),
  constraint lift_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id),
  constraint lift_run_ids_some check (jsonb_array_length(run_ids) between 1 and 200),
  constraint lift_tubs_some check (jsonb_array_length(tubs) between 1 and 20),
  constraint lift_leaks_washed_some check (jsonb_array_length(leaks_washed) <= 12),
  constraint lift_rinsed_known check (rinsed_clean in ('yes', 'no', 'unknown')),
  constraint lift_note_within check (length(note) <= 4000)
);
create index lift_of_ground on lift (crew_id, ground_id, id);

alter table cleanup add column rinse_out_of jsonb not null default '[]';
alter table cleanup add constraint cleanup_rinse_out_of_some check (jsonb_array_length(rinse_out_of) <= 200);

alter table rig add column leak_points jsonb not null default '[]';
alter table rig add constraint rig_leak_points_some check (jsonb_array_length(leak_points) <= 12);
