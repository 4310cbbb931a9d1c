-- Up Migration
-- Lists leave the database as it holds them, so what a field that came later says where nothing was said is written into
-- the rows of before. What is there already stays: the right side of || wins.
create function each_with(list jsonb, usual jsonb) returns jsonb language sql immutable as $$
  select coalesce(jsonb_agg(usual || one order by place), '[]') from jsonb_array_elements(list) with ordinality as e(one, place)
$$;
-- Nothing of a pit's depth changes.
alter table pit disable trigger pit_holds_its_samples;

update ground set tide = '{"wayBelow_m": null, "margin_min": 30}' || tide where jsonb_typeof(tide) = 'object';
update pit set layers = each_with(layers, '{"color": "", "blackSand_percent": null, "note": ""}');
update pit set crevice = '{"rock": null}' || crevice where jsonb_typeof(crevice) = 'object';
update screening set screens = each_with(screens, '{"colors": null}');
update rig set sections = each_with(sections, '{"own": null}');
update box_test set tested = '{"of": "gold"}' || tested where tested ->> 'kind' = 'tracers';
update run set tally = '{"brokenOff_s": 0}' || tally where not tally ? 'brokenOff_s';
update lift set tubs = each_with(tubs, '{"place": "", "holder": "", "lost": false, "finish": null}');
update jar set floor = '{"companion": "magnetite", "saltWater": false}' || floor where jsonb_typeof(floor) = 'object';

alter table pit enable trigger pit_holds_its_samples;
drop function each_with;
