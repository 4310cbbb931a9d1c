-- The device that was tapped, and how many taps it had counted before: the order of taps when its clock is put back.
alter table run_event add column device_id uuid;
alter table run_event add column device_count integer check (device_count >= 0);

-- Taps of a run by pages, in id order.
create index run_event_paged on run_event (crew_id, run_id, id);
create index run_event_undone on run_event (crew_id, undoes) where undoes is not null;
create index run_event_of_device on run_event (crew_id, run_id, device_id, device_count) where device_id is not null;

-- Not known of a run counted before: the next tap counts all of them once more.
update run set tally = tally || '{"taps": 0, "timesInOrder": false}';
alter table run alter column tally set default '{"buckets": 0, "volumeLoose_L": 0, "bySpot_L": {}, "running_s": 0, "stopped": false, "lastEventAt": null, "taps": 0, "timesInOrder": true}';
