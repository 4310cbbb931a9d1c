-- Up Migration
-- Plans of samples, pits, screenings, the crew's own containers and practice pans; where a sample came from.
create table sample_plan (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 80),
  pattern text not null check (pattern in ('traverse', 'grid', 'test square', 'crevice sweep', 'upstream series')),
  made_at timestamptz not null,
  bag_l double precision not null check (bag_l > 0 and bag_l <= 1000),
  bag_entered jsonb not null,
  note text not null default '',
  primary key (crew_id, id),
  unique (crew_id, ground_id, id),
  constraint sample_plan_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);
create index sample_plan_of_ground on sample_plan (crew_id, ground_id, id);

alter table spot add column sample_plan_id uuid;
alter table spot add constraint spot_sample_plan_fk foreign key (crew_id, ground_id, sample_plan_id) references sample_plan (crew_id, ground_id, id);

alter table lot drop constraint lot_state_check;
alter table lot add constraint lot_state_check check (state in ('planned', 'waiting', 'panned', 'run', 'lost'));
alter table lot add column sample_plan_id uuid;
alter table lot add column from_depth_m double precision check (from_depth_m between 0 and 30);
alter table lot add column to_depth_m double precision check (to_depth_m between 0 and 30);
alter table lot add constraint lot_runs_down check (to_depth_m >= from_depth_m);
alter table lot add constraint lot_sample_plan_fk foreign key (crew_id, ground_id, sample_plan_id) references sample_plan (crew_id, ground_id, id);
alter table lot add constraint lot_in_ground unique (crew_id, ground_id, id);

create table pit (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  spot_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 80),
  dug_at timestamptz not null,
  planned text not null default '',
  length_m double precision not null check (length_m > 0 and length_m <= 100),
  length_entered jsonb not null,
  width_m double precision not null check (width_m > 0 and width_m <= 100),
  width_entered jsonb not null,
  batter double precision not null check (batter between 0 and 3),
  layers jsonb not null check (jsonb_typeof(layers) = 'array'),
  bottom text not null,
  water_at_m double precision check (water_at_m between 0 and 30),
  crevice jsonb,
  filled_in boolean not null,
  put_back boolean not null,
  note text not null default '',
  primary key (crew_id, id),
  unique (crew_id, ground_id, id),
  constraint pit_has_layers check (crevice is not null or jsonb_array_length(layers) > 0),
  constraint pit_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id)
);
create index pit_of_ground on pit (crew_id, ground_id, id);

create table screening (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  spot_id uuid not null,
  lot_id uuid,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  screened_at timestamptz not null,
  measure text not null check (measure in ('mass', 'volume')),
  way text not null check (way in ('wet', 'dry')),
  moisture_percent double precision check (moisture_percent between 0 and 100),
  went_in double precision check (went_in > 0),
  went_in_entered jsonb,
  screens jsonb not null check (jsonb_array_length(screens) > 0),
  through double precision not null check (through >= 0),
  through_entered jsonb not null,
  note text not null default '',
  primary key (crew_id, id),
  constraint screening_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id),
  constraint screening_lot_fk foreign key (crew_id, ground_id, lot_id) references lot (crew_id, ground_id, id)
);
create index screening_of_ground on screening (crew_id, ground_id, id);

create table container (
  crew_id uuid not null references crew (id),
  id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 40),
  volume_l double precision not null check (volume_l > 0 and volume_l <= 1000),
  volume_entered jsonb not null,
  way text not null check (way in ('weight of water', 'litres poured', 'said')),
  note text not null default '',
  primary key (crew_id, id)
);
create unique index container_name_once on container (crew_id, name) where not deleted;

create table seeding (
  crew_id uuid not null references crew (id),
  id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  panner text not null check (length(panner) between 1 and 80),
  seeded_at timestamptz not null,
  size text not null check (size in ('+10', '10-20', '20-40', '-40')),
  put_in integer not null check (put_in > 0),
  came_back integer not null,
  note text not null default '',
  primary key (crew_id, id),
  constraint seeding_came_back check (came_back between 0 and put_in)
);

alter table attachment drop constraint attachment_about_check;
alter table attachment add constraint attachment_about_check check (about in ('ground', 'spot', 'sign', 'permission', 'pit'));

alter table sample add column pit_id uuid;
alter table sample add column layer text not null default '';
alter table sample add column lot_id uuid;
alter table sample add column bucket_nth smallint;
alter table sample add column bucket_of smallint;
alter table sample add column way text not null default 'quick test' check (way in ('quick test', 'by fractions', 'dry', 'final separation'));
alter table sample add column panner text not null default '';
alter table sample add column took_min double precision check (took_min >= 0);
alter table sample add column grown_in integer not null default 0 check (grown_in >= 0);
alter table sample add column from_safety_pan integer not null default 0 check (from_safety_pan >= 0);
alter table sample add column seen_with jsonb;
alter table sample add constraint sample_bucket check ((bucket_nth is null) = (bucket_of is null) and bucket_nth between 1 and bucket_of);
alter table sample add constraint sample_grown_in check (grown_in <= colors_over_10 + colors_10_20 + colors_20_40 + colors_under_40);
alter table sample add constraint sample_pit_fk foreign key (crew_id, ground_id, pit_id) references pit (crew_id, ground_id, id);
alter table sample add constraint sample_lot_fk foreign key (crew_id, ground_id, lot_id) references lot (crew_id, ground_id, id);
