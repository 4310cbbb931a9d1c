-- Up Migration
-- Time in which nothing was fed for over 45 minutes on end, and no stop was tapped, is no time of work. Runs counted
-- before are timed anew here; those whose clock was put back are at their next tap, as they always were.
with sorted as (
  select e.crew_id, e.run_id,
    extract(epoch from e.at - lag(e.at, 1, r.started_at) over w) as gap_s,
    array_agg(e.kind) filter (where e.kind in ('stop', 'resume')) over (w rows between unbounded preceding and 1 preceding)
      as turns
  from run_event e join run r on r.crew_id = e.crew_id and r.id = e.run_id
  where (r.tally ->> 'timesInOrder')::boolean
  window w as (partition by e.crew_id, e.run_id order by e.at, e.device_count, e.id)
), broken as (
  select crew_id, run_id, sum(gap_s) as off_s
  from sorted
  where gap_s > 2700 and coalesce(turns[array_upper(turns, 1)], 'resume') = 'resume'
  group by crew_id, run_id
)
update run r
set tally = r.tally || jsonb_build_object(
  'brokenOff_s', b.off_s, 'running_s', greatest(0, (r.tally ->> 'running_s')::float8 - b.off_s))
from broken b
where r.crew_id = b.crew_id and r.id = b.run_id;
alter table run alter column tally set default '{"buckets": 0, "volumeLoose_L": 0, "bySpot_L": {}, "running_s": 0, "brokenOff_s": 0, "stopped": false, "lastEventAt": null, "taps": 0, "timesInOrder": true}';
