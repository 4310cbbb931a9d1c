-- Up Migration
-- What a day is planned by: the level above which a spot cannot be worked, tides, heights by hand level, draws that join, and the plan itself.
alter table spot add column works_below_m double precision check (works_below_m between -20 and 30);
alter table spot add column works_below_entered jsonb;

alter table ground add column tide jsonb;
alter table ground add column profile jsonb not null default '[]';
alter table ground add column joins_ground_id uuid;
alter table ground add column joins_distance_m double precision check (joins_distance_m >= 0);
alter table ground add column joins_bank text check (joins_bank in ('left', 'right'));
alter table ground add constraint ground_joins_whole check (num_nulls(joins_ground_id, joins_distance_m, joins_bank) in (0, 3));
alter table ground add constraint ground_joins_another check (joins_ground_id <> id);
alter table ground add constraint ground_joins_fk foreign key (crew_id, joins_ground_id) references ground (crew_id, id);

alter table sign add column traits jsonb not null default '{}';

create table day_plan (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  day date not null,
  start_min integer not null check (start_min between 0 and 1439),
  back_min integer not null check (back_min between 1 and 1440),
  start_m double precision not null check (start_m >= 0),
  limit_kg double precision not null check (limit_kg > 0 and limit_kg <= 200),
  tools jsonb not null,
  aim text not null check (aim in ('best traps', 'odd places')),
  way text not null check (way in ('quick pans', 'one square metre')),
  frozen boolean not null,
  water_away boolean not null,
  stops jsonb not null,
  note text not null default '',
  primary key (crew_id, id),
  constraint day_plan_forward check (start_min < back_min),
  constraint day_plan_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id)
);
create index day_plan_of_ground on day_plan (crew_id, ground_id, id);
