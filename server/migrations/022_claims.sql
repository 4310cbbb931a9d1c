-- Up Migration
-- A drawn claim says whose it is and which note has its days.
alter table permission add constraint permission_on_ground unique (crew_id, ground_id, id);
alter table outline
  add column holder text,
  add column permission_id uuid,
  add constraint outline_holder check (holder in ('ours', 'by leave', 'not ours')),
  add constraint outline_claim_only check (kind = 'claim' or (holder is null and permission_id is null)),
  add constraint outline_permission_fk foreign key (crew_id, ground_id, permission_id)
    references permission (crew_id, ground_id, id);
-- Way points called after a camp or a car were left out of the ranking by their name; now they say what they are.
update spot
set kind = 'camp or car', version = version + 1, updated_at = now()
where kind = 'other'
  and name ~* '\m(camp|car|truck|parking|parked|tent|cabin|hut|home|gate|trail ?head|landing)\M'
  and not exists (select from sample s where s.crew_id = spot.crew_id and s.spot_id = spot.id);
