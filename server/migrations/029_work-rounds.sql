-- Up Migration
-- Buckets timed on their way into the box, and how the crew stood; how long a clean-up took all hands together.
create table work_round (
  crew_id uuid not null,
  id uuid not null,
  ground_id uuid not null,
  version integer not null default 1 check (version >= 1),
  updated_at timestamptz not null default now(),
  deleted boolean not null default false,
  timed_at timestamptz not null,
  bucket_l double precision not null,
  bucket_entered jsonb not null,
  dig_s double precision,
  carry_s double precision,
  screen_s double precision,
  feed_s double precision,
  posts jsonb not null,
  pails integer not null,
  note text not null,
  primary key (crew_id, id),
  constraint work_round_ground_fk foreign key (crew_id, ground_id) references ground (crew_id, id),
  constraint work_round_bucket_l_within check (bucket_l > 0 and bucket_l <= 500),
  constraint work_round_dig_s_within check (dig_s >= 1 and dig_s <= 7200),
  constraint work_round_carry_s_within check (carry_s >= 1 and carry_s <= 7200),
  constraint work_round_screen_s_within check (screen_s >= 1 and screen_s <= 7200),
  constraint work_round_feed_s_within check (feed_s >= 1 and feed_s <= 7200),
  constraint work_round_timed check (coalesce(dig_s, carry_s, screen_s, feed_s) is not null),
  constraint work_round_posts_some check (jsonb_array_length(posts) between 1 and 4),
  constraint work_round_pails_within check (pails >= 1 and pails <= 200),
  constraint work_round_note_within check (length(note) <= 4000)
);
create index work_round_of_ground on work_round (crew_id, ground_id, id);

alter table cleanup
  add column worked_s double precision,
  add constraint cleanup_worked_s_within check (worked_s >= 0 and worked_s <= 3600000);
