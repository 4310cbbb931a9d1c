-- Up Migration
-- Claims, permits and closed seasons of a ground, as the crew wrote them down.
create table permission (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  name text not null check (length(name) between 1 and 80),
  kind text not null check (kind in ('claim', 'permit', 'closed season')),
  from_day date,
  to_day date,
  every_year boolean not null,
  note text not null default '',
  primary key (crew_id, id),
  constraint permission_in_order check (every_year or from_day is null or to_day is null or from_day <= to_day),
  constraint permission_yearly check (not every_year or (from_day is not null and to_day is not null)),
  constraint permission_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);
create index permission_of_ground on permission (crew_id, ground_id, id);
