-- A tick holds for the joining that it was made in: reset, replaced or joined anew, a camera comes as it comes.
alter table setting_tick add column joined_at timestamptz;
update setting_tick t set joined_at = c.joined_at from camera c where c.id = t.camera_id and c.joined_at <= t.set_at;

-- Days by the hour that somebody drew, by kind of source: events in each hour of a weekday and of a day of the weekend.
alter table house_comings add column curves jsonb not null default '{}' check (jsonb_typeof(curves) = 'object');

-- What its own app called the clips that were counted, by kind.
alter table counted_week add column kinds jsonb not null default '{}' check (jsonb_typeof(kinds) = 'object');

-- Walks that a stand-in answered are for practice: they never bend a real sensor. Null for real ones, else which round of practice.
alter table sensor_walk add column practice_round int check (practice_round between 1 and 10000);

-- The size of the picture that is recorded; 0 for the full one.
alter table camera_setup add column width_px int not null default 0 check (width_px between 0 and 8000);
