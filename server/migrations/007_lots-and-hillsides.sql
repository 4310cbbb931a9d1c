-- Up Migration
-- Material on its way, and ground sampled on a grid across and up a slope.
alter table ground drop constraint ground_kind_check;
alter table ground add constraint ground_kind_check check (kind in ('creek', 'beach', 'wash', 'bench', 'hillside'));

create table lot (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  spot_id uuid,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  tag text not null check (length(tag) between 1 and 20),
  layer text not null default '',
  volume_l double precision not null check (volume_l > 0 and volume_l <= 10000),
  volume_entered jsonb not null,
  screen text not null default '',
  taken_at timestamptz not null,
  state text not null check (state in ('waiting', 'panned', 'run', 'lost')),
  place text not null default '',
  holder text not null default '',
  note text not null default '',
  primary key (crew_id, id),
  constraint lot_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id),
  constraint lot_spot_fk foreign key (crew_id, ground_id, spot_id) references spot (crew_id, ground_id, id)
);
create index lot_of_ground on lot (crew_id, ground_id, id);
-- Two bags of a crew never share a tag while both are there.
create unique index lot_tag_once on lot (crew_id, tag) where not deleted;
