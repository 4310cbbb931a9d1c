-- Up Migration
-- Every table carries the crew; every foreign key includes it, so no row can point into another crew.

create table crew (
  id uuid primary key,
  name text not null check (length(name) between 1 and 80),
  created_at timestamptz not null default now()
);

create table ground (
  crew_id uuid not null references crew (id),
  id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 80),
  kind text not null check (kind in ('creek', 'beach', 'wash', 'bench')),
  length_m double precision not null check (length_m > 0 and length_m <= 1000000),
  swell_percent double precision not null check (swell_percent between 0 and 80),
  note text not null default '',
  line jsonb,                       -- thinned for drawing, foot to head
  line_points integer not null default 0 check (line_points >= 0),
  primary key (crew_id, id)
);

-- The line as brought in, every point of it, foot to head.
create table ground_line (
  crew_id uuid not null,
  ground_id uuid not null,
  line jsonb not null,
  primary key (crew_id, ground_id),
  constraint ground_line_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);

create table spot (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 80),
  kind text not null,
  distance_m double precision not null check (distance_m >= 0),
  bank text not null check (bank in ('left', 'right', 'mid')),
  offset_m double precision not null check (offset_m >= 0),
  position jsonb,
  note text not null default '',
  primary key (crew_id, id),
  unique (crew_id, ground_id, id),
  constraint spot_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);

create table sample (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  spot_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  taken_at timestamptz not null,
  depth_m double precision not null check (depth_m >= 0),
  depth_entered jsonb not null,
  volume_l double precision not null check (volume_l > 0),
  volume_entered jsonb not null,
  volume_state text not null check (volume_state in ('loose', 'bank')),
  colors_over_10 integer not null check (colors_over_10 >= 0),
  colors_10_20 integer not null check (colors_10_20 >= 0),
  colors_20_40 integer not null check (colors_20_40 >= 0),
  colors_under_40 integer not null check (colors_under_40 >= 0),
  black_sand smallint not null check (black_sand between 0 and 4),
  gold_mg numeric(14, 4) check (gold_mg > 0),
  gold_entered jsonb,
  note text not null default '',
  primary key (crew_id, id),
  constraint sample_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id)
);

create table rig (
  crew_id uuid not null references crew (id),
  id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 80),
  width_m double precision not null check (width_m between 0.05 and 2),
  width_entered jsonb not null,
  length_m double precision not null check (length_m between 0.2 and 10),
  length_entered jsonb not null,
  lining text not null,
  note text not null default '',
  primary key (crew_id, id)
);

create table setup (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  rig_id uuid not null,
  spot_id uuid,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  set_at timestamptz not null,
  slope double precision not null check (slope between 0.002 and 0.4),
  pitch_entered jsonb not null,
  depth_m double precision check (depth_m > 0),
  depth_entered jsonb,
  flow_m3_s double precision check (flow_m3_s > 0),
  flow_entered jsonb,
  stone_m double precision not null check (stone_m > 0),
  stone_entered jsonb not null,
  temperature_c double precision not null check (temperature_c between 0 and 40),
  scoop_l double precision not null check (scoop_l > 0),
  scoop_entered jsonb not null,
  bucket_l double precision not null check (bucket_l > 0),
  bucket_entered jsonb not null,
  note text not null default '',
  primary key (crew_id, id),
  unique (crew_id, ground_id, id),
  constraint setup_one_known check ((depth_m is null) <> (flow_m3_s is null)),
  constraint setup_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id),
  constraint setup_rig_fk foreign key (crew_id, rig_id) references rig (crew_id, id),
  constraint setup_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id)
);

create table run (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  setup_id uuid not null,
  spot_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  started_at timestamptz not null,
  bucket_l double precision not null check (bucket_l > 0),
  bucket_entered jsonb not null,
  note text not null default '',
  tally jsonb not null,             -- what the events add up to; worked out again at every append
  primary key (crew_id, id),
  unique (crew_id, ground_id, id),
  constraint run_setup_fk foreign key (crew_id, ground_id, setup_id) references setup (crew_id, ground_id, id),
  constraint run_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id)
);

-- Append only: an undo is an event of its own.
create table run_event (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  run_id uuid not null,
  kind text not null check (kind in ('bucket', 'undo', 'stop', 'resume')),
  at timestamptz not null,
  spot_id uuid,
  volume_l double precision check (volume_l > 0),
  fullness text,
  undoes uuid,
  primary key (crew_id, id),
  constraint run_event_bucket check (kind <> 'bucket' or volume_l is not null),
  constraint run_event_undo check ((kind = 'undo') = (undoes is not null)),
  constraint run_event_run_fk foreign key (crew_id, ground_id, run_id) references run (crew_id, ground_id, id),
  constraint run_event_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id)
);

create table cleanup (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  cleaned_at timestamptz not null,
  black_sand_g double precision check (black_sand_g >= 0),
  black_sand_entered jsonb,
  rinsed_clean text not null check (rinsed_clean in ('yes', 'no', 'unknown')),
  note text not null default '',
  primary key (crew_id, id),
  unique (crew_id, ground_id, id),
  constraint cleanup_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);

create table cleanup_run (
  crew_id uuid not null,
  ground_id uuid not null,
  cleanup_id uuid not null,
  run_id uuid not null,
  counts boolean not null,          -- false while its clean-up is deleted
  primary key (crew_id, cleanup_id, run_id),
  constraint cleanup_run_cleanup_fk foreign key (crew_id, ground_id, cleanup_id) references cleanup (crew_id, ground_id, id),
  constraint cleanup_run_run_fk foreign key (crew_id, ground_id, run_id) references run (crew_id, ground_id, id)
);
-- Gold is credited once: a run stands in one clean-up.
create unique index cleanup_run_once on cleanup_run (crew_id, run_id) where counts;

create table cleanup_section (
  crew_id uuid not null,
  cleanup_id uuid not null,
  place smallint not null check (place >= 0),
  name text not null default '',
  from_m double precision not null check (from_m >= 0),
  to_m double precision not null,
  lining text not null,
  gold_mg numeric(14, 4) not null check (gold_mg >= 0),
  gold_entered jsonb not null,
  primary key (crew_id, cleanup_id, place),
  constraint cleanup_section_runs_down check (to_m > from_m),
  constraint cleanup_section_cleanup_fk foreign key (crew_id, cleanup_id) references cleanup (crew_id, id)
);

create index spot_of_ground on spot (crew_id, ground_id, id);
create index sample_of_ground on sample (crew_id, ground_id, id);
create index setup_of_ground on setup (crew_id, ground_id, id);
create index run_of_ground on run (crew_id, ground_id, id);
create index run_event_of_run on run_event (crew_id, run_id, at);
create index cleanup_of_ground on cleanup (crew_id, ground_id, id);
