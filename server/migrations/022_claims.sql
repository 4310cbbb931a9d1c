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
