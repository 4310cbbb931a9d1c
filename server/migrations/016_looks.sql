-- Up Migration
-- The oversize of so much ground, looked through before it was thrown.
create table look (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  spot_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  looked_at timestamptz not null,
  aperture_mm double precision not null,
  volume_l double precision not null,
  volume_entered jsonb not null,
  pieces integer not null,
  primary key (crew_id, id),
  constraint look_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id),
  constraint look_aperture_mm_within check (aperture_mm > 0 and aperture_mm <= 500),
  constraint look_volume_l_within check (volume_l > 0 and volume_l <= 10000),
  constraint look_pieces_within check (pieces >= 0 and pieces <= 100000)
);
create index look_of_ground on look (crew_id, ground_id, id);
