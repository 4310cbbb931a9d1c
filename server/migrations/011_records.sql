-- Up Migration
-- A new run has run nothing: the one column of a record that no writer sends has its first value here.
alter table run alter column tally set default '{"buckets": 0, "volumeLoose_L": 0, "bySpot_L": {}, "running_s": 0, "stopped": false, "lastEventAt": null}';

-- What a person settles of a day is its day sheet; a plan of samples is another thing.
alter table day_plan rename to day_sheet;
alter table day_sheet rename constraint day_plan_forward to day_sheet_forward;
alter table day_sheet rename constraint day_plan_ground_fk to day_sheet_ground_fk;
alter index day_plan_of_ground rename to day_sheet_of_ground;

-- The limits of the contract stand here too; a test holds the two against each other.
alter table ground
  add constraint ground_note_within check (length(note) <= 4000),
  add constraint ground_joins_distance_m_within check (joins_distance_m >= 0 and joins_distance_m <= 1000000);
alter table spot
  add constraint spot_distance_m_within check (distance_m >= 0 and distance_m <= 1000000),
  add constraint spot_offset_m_within check (offset_m >= 0 and offset_m <= 5000),
  add constraint spot_note_within check (length(note) <= 4000);
alter table sign
  add constraint sign_distance_m_within check (distance_m >= 0 and distance_m <= 1000000),
  add constraint sign_offset_m_within check (offset_m >= 0 and offset_m <= 5000),
  add constraint sign_size_mm_within check (size_mm > 0 and size_mm <= 5000),
  add constraint sign_cover_m_within check (cover_m >= 0 and cover_m <= 30),
  add constraint sign_come_back_with_within check (length(come_back_with) <= 400),
  add constraint sign_note_within check (length(note) <= 4000);
alter table gauge_reading
  add constraint gauge_reading_note_within check (length(note) <= 4000);
alter table permission
  add constraint permission_note_within check (length(note) <= 4000);
alter table day_sheet
  add constraint day_sheet_start_m_within check (start_m >= 0 and start_m <= 1000000),
  add constraint day_sheet_note_within check (length(note) <= 4000);
alter table outline
  add constraint outline_note_within check (length(note) <= 4000);
alter table attachment
  add constraint attachment_width_px_within check (width_px >= 1 and width_px <= 100000),
  add constraint attachment_height_px_within check (height_px >= 1 and height_px <= 100000),
  add constraint attachment_note_within check (length(note) <= 4000);
alter table sample
  add constraint sample_depth_m_within check (depth_m >= 0 and depth_m <= 30),
  add constraint sample_volume_l_within check (volume_l > 0 and volume_l <= 10000),
  add constraint sample_colors_over_10_within check (colors_over_10 >= 0 and colors_over_10 <= 100000),
  add constraint sample_colors_10_20_within check (colors_10_20 >= 0 and colors_10_20 <= 100000),
  add constraint sample_colors_20_40_within check (colors_20_40 >= 0 and colors_20_40 <= 100000),
  add constraint sample_colors_under_40_within check (colors_under_40 >= 0 and colors_under_40 <= 100000),
  add constraint sample_gold_mg_within check (gold_mg >= 0.0001 and gold_mg <= 10000000),
  add constraint sample_layer_within check (length(layer) <= 80),
  add constraint sample_bucket_nth_within check (bucket_nth >= 1 and bucket_nth <= 60),
  add constraint sample_bucket_of_within check (bucket_of >= 1 and bucket_of <= 60),
  add constraint sample_panner_within check (length(panner) <= 80),
  add constraint sample_took_min_within check (took_min >= 0 and took_min <= 1440),
  add constraint sample_grown_in_within check (grown_in >= 0 and grown_in <= 100000),
  add constraint sample_from_safety_pan_within check (from_safety_pan >= 0 and from_safety_pan <= 100000),
  add constraint sample_note_within check (length(note) <= 4000);
alter table lot
  add constraint lot_layer_within check (length(layer) <= 80),
  add constraint lot_screen_within check (length(screen) <= 40),
  add constraint lot_place_within check (length(place) <= 80),
  add constraint lot_holder_within check (length(holder) <= 80),
  add constraint lot_note_within check (length(note) <= 4000);
alter table pit
  add constraint pit_planned_within check (length(planned) <= 60),
  add constraint pit_note_within check (length(note) <= 4000);
alter table screening
  add constraint screening_went_in_within check (went_in > 0 and went_in <= 100000),
  add constraint screening_through_within check (through >= 0 and through <= 100000),
  add constraint screening_note_within check (length(note) <= 4000);
alter table sample_plan
  add constraint sample_plan_note_within check (length(note) <= 4000);
alter table container
  add constraint container_note_within check (length(note) <= 4000);
alter table seeding
  add constraint seeding_put_in_within check (put_in >= 1 and put_in <= 1000),
  add constraint seeding_came_back_within check (came_back >= 0 and came_back <= 1000),
  add constraint seeding_note_within check (length(note) <= 4000);
alter table rig
  add constraint rig_note_within check (length(note) <= 4000);
alter table setup
  add constraint setup_depth_m_within check (depth_m > 0 and depth_m <= 1),
  add constraint setup_flow_m3_s_within check (flow_m3_s > 0 and flow_m3_s <= 5),
  add constraint setup_stone_m_within check (stone_m > 0 and stone_m <= 0.5),
  add constraint setup_scoop_l_within check (scoop_l > 0 and scoop_l <= 50),
  add constraint setup_bucket_l_within check (bucket_l > 0 and bucket_l <= 500),
  add constraint setup_note_within check (length(note) <= 4000);
alter table run
  add constraint run_bucket_l_within check (bucket_l > 0 and bucket_l <= 500),
  add constraint run_note_within check (length(note) <= 4000);
alter table cleanup
  add constraint cleanup_black_sand_g_within check (black_sand_g >= 0 and black_sand_g <= 1000000),
  add constraint cleanup_note_within check (length(note) <= 4000);

-- A pan of a pit holds its layer by the layer's own id: numbers change when a layer above is taken out.
-- Until now it was held as "2. gray gravel", counted from the top; the words stay as they were said.
alter table sample add column layer_id uuid;
alter table sample add constraint sample_layer_of_pit check (layer_id is null or pit_id is not null);
update sample s
set layer_id = (p.layers -> (substring(s.layer from '^(\d{1,2})\. ')::int - 1) ->> 'id')::uuid,
    layer = substring(s.layer from '^\d{1,2}\. (.*)$')
from pit p
where p.crew_id = s.crew_id and p.id = s.pit_id and s.layer ~ '^[1-9]\d?\. '
  and p.layers -> (substring(s.layer from '^(\d{1,2})\. ')::int - 1) is not null;
