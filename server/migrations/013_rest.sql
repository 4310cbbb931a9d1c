-- Up Migration
-- A day has a rest, as usual half an hour.
alter table day_sheet add column rest_min integer not null default 30 check (rest_min >= 0 and rest_min <= 240);
alter table day_sheet alter column rest_min drop default;
