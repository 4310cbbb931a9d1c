-- Up Migration
-- A new run has run nothing: the one column of a record that no writer sends has its first value here.
alter table run alter column tally set default '{"buckets": 0, "volumeLoose_L": 0, "bySpot_L": {}, "running_s": 0, "stopped": false, "lastEventAt": null}';
