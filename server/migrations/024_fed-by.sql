-- Up Migration
-- What fed the district, what drains into a ground's foot, ground that is protected, and the log of the detector.
alter table ground
  add column fed_by text constraint ground_fed_by check (fed_by in ('quartz veins', 'a contact', 'old channels', 'ice')),
  add column catchment_m2 double precision,
  add column catchment_entered jsonb,
  add constraint ground_catchment_m2_within check (catchment_m2 > 0 and catchment_m2 <= 100000000000);

alter table outline drop constraint outline_kind_check;
alter table outline
  add constraint outline_kind_check check (kind in ('bar', 'bench', 'claim', 'protected', 'workings', 'path'));

create table sweep (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  spot_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  swept_at timestamptz not null,
  what text not null check (
    what in ('ground before digging', 'floor of the hole', 'walls of the hole', 'tailings', 'oversize')
  ),
  coil text not null check (length(coil) <= 80),
  setting text not null check (length(setting) <= 200),
  floor_m double precision,
  floor_entered jsonb,
  signals integer not null,
  gold integer not null,
  note text not null check (length(note) <= 4000),
  primary key (crew_id, id),
  constraint sweep_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id),
  constraint sweep_floor_m_within check (floor_m >= 0 and floor_m <= 30),
  constraint sweep_signals_within check (signals >= 0 and signals <= 100000),
  constraint sweep_gold_within check (gold >= 0 and gold <= 100000),
  constraint sweep_gold_of_signals check (gold <= signals)
);
create index sweep_of_ground on sweep (crew_id, ground_id, id);
