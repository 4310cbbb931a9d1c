-- Up Migration
-- A pan of a pit comes from within it. Half a centimeter is left for rounding in feet.
create function pit_depth_m(layers jsonb, crevice jsonb) returns double precision language sql immutable as $$
  select greatest(coalesce((select sum((l->>'thickness_m')::double precision) from jsonb_array_elements(layers) as l), 0), coalesce((crevice->>'depth_m')::double precision, 0)) + 0.005
$$;

create function sample_within_pit() returns trigger language plpgsql as $$
begin
  if exists (select 1 from pit where pit.crew_id = new.crew_id and pit.id = new.pit_id and new.depth_m > pit_depth_m(pit.layers, pit.crevice)) then
    raise exception 'the sample lies below the bottom of its pit' using errcode = 'check_violation', constraint = 'sample_within_pit';
  end if;
  return new;
end $$;
create trigger sample_within_pit before insert or update on sample for each row when (new.pit_id is not null and not new.deleted) execute function sample_within_pit();

create function pit_holds_its_samples() returns trigger language plpgsql as $$
begin
  if exists (select 1 from sample where sample.crew_id = new.crew_id and sample.pit_id = new.id and not sample.deleted and sample.depth_m > pit_depth_m(new.layers, new.crevice)) then
    raise exception 'a sample of the pit lies below its bottom' using errcode = 'check_violation', constraint = 'pit_holds_its_samples';
  end if;
  return new;
end $$;
create trigger pit_holds_its_samples before update on pit for each row when (new.layers is distinct from old.layers or new.crevice is distinct from old.crevice) execute function pit_holds_its_samples();
create index sample_of_pit on sample (crew_id, pit_id) where pit_id is not null;
