-- A tick holds for the joining that it was made in: reset, replaced or joined anew, a camera comes as it comes.
alter table setting_tick add column joined_at timestamptz;
update setting_tick t set joined_at = c.joined_at from camera c where c.id = t.camera_id and c.joined_at <= t.set_at;
