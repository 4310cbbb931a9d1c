-- Up Migration
-- What was seen on a ground: signs, what the person holds of a place, places passed by and what they need.
create table sign (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  kind text not null check (length(kind) between 1 and 40),
  distance_m double precision not null check (distance_m >= 0),
  bank text not null check (bank in ('left', 'right', 'mid')),
  offset_m double precision not null check (offset_m >= 0),
  position jsonb,
  seen_at timestamptz not null,
  size_mm double precision check (size_mm > 0),
  size_entered jsonb,
  cover_m double precision check (cover_m >= 0),
  cover_entered jsonb,
  weight double precision check (weight between -2 and 2),
  come_back_with text not null default '',
  note text not null default '',
  primary key (crew_id, id),
  constraint sign_weighed check ((kind = 'own word') = (weight is not null)),
  constraint sign_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);
create index sign_of_ground on sign (crew_id, ground_id, id);
