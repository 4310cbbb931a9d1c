-- Up Migration
-- Shapes drawn on the map, and pictures and papers kept with what they are about.
create table outline (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 80),
  kind text not null check (kind in ('bar', 'bench', 'claim', 'workings', 'path')),
  points jsonb not null,
  height_m double precision check (height_m between -5 and 300),
  note text not null default '',
  primary key (crew_id, id),
  constraint outline_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);
create index outline_of_ground on outline (crew_id, ground_id, id);

create table attachment (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  about text not null check (about in ('ground', 'spot', 'sign', 'permission')),
  about_id uuid not null,
  name text not null check (length(name) between 1 and 120),
  mime text not null check (mime in ('image/jpeg', 'image/png', 'image/webp', 'application/pdf')),
  taken_at timestamptz,
  position jsonb,
  width_px integer check (width_px > 0),
  height_px integer check (height_px > 0),
  note text not null default '',
  primary key (crew_id, id),
  unique (crew_id, ground_id, id),
  constraint attachment_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);
create index attachment_of_ground on attachment (crew_id, ground_id, id);

-- The bytes apart from the record, so that a list never carries them.
create table attachment_file (
  crew_id uuid not null,
  attachment_id uuid not null,
  bytes bytea not null check (octet_length(bytes) between 1 and 8388608),
  primary key (crew_id, attachment_id),
  constraint attachment_file_fk foreign key (crew_id, attachment_id) references attachment (crew_id, id)
);
