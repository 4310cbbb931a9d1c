-- Up Migration
-- A beach: how steep its face is, how high its signs lie, and the sea that lays it anew.
alter table ground
  add column face_slope double precision,
  add column face_slope_entered jsonb,
  add constraint ground_face_slope_within check (face_slope >= 0.005 and face_slope <= 0.5);
alter table sign
  add column height_m double precision,
  add column height_entered jsonb,
  add constraint sign_height_m_within check (height_m >= -20 and height_m <= 20);
create table swell_reading (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  read_at timestamptz not null,
  height_m double precision not null,
  height_entered jsonb not null,
  period_s double precision not null,
  is_storm boolean not null,
  cut_m double precision,
  cut_entered jsonb,
  note text not null,
  primary key (crew_id, id),
  constraint swell_reading_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id),
  constraint swell_reading_height_m_within check (height_m > 0 and height_m <= 25),
  constraint swell_reading_period_s_within check (period_s >= 2 and period_s <= 30),
  constraint swell_reading_cut_m_within check (cut_m >= 0 and cut_m <= 20),
  constraint swell_reading_note_within check (length(note) <= 4000)
);
create index swell_reading_of_ground on swell_reading (crew_id, ground_id, id);
