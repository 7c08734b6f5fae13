-- Two things of one kind and day, such as two notes, are two things to tell.
alter table due_told add column what text not null default '';
alter table due_told drop constraint due_told_hook_id_household_id_kind_camera_id_on_day_key;
alter table due_told add constraint due_told_once unique (hook_id, household_id, kind, camera_id, on_day, what);
