-- Where a record of a test comes from. Until now every test and nearly every run was made on stand-ins; what was only rehearsed counts
-- for nothing on a real device any more.
alter table trial add column on_stand_ins boolean not null default true;
alter table trial alter column on_stand_ins drop default;
alter table trial alter column seconds drop not null;
alter table trial add column said text check (length(said) <= 400);
alter table trial add column timed text check (timed in ('BY_PHONE', 'TYPED'));
alter table trial add column decided_at timestamptz;
alter table trial add column decided_by text;
update trial set decided_at = begun_at, decided_by = begun_by, said = '' where passed is not null;
alter table trial add constraint decided_at_once
  check ((passed is null) = (decided_at is null) and (passed is null) = (decided_by is null) and (passed is null) = (said is null));

-- They were made of tests on stand-ins, whose own records stay.
delete from proof;
alter table proof add column passed boolean not null;
alter table proof add column said text not null check (length(said) between 1 and 200);
alter table proof add column light text check (light in ('DAY', 'NIGHT'));
alter table proof alter column measured drop not null;
alter table proof rename column pose_mark to mark;

update camera set joined_at = null, own_password_at = null
where exists (select 1 from run where run.camera_id = camera.id and bench and finished_at is not null)
  and not exists (select 1 from run where run.camera_id = camera.id and not bench and finished_at is not null and given_up_at is null);
update hub set joined_at = null, own_password_at = null
where exists (select 1 from run where run.hub_id = hub.id and bench and finished_at is not null)
  and not exists (select 1 from run where run.hub_id = hub.id and not bench and finished_at is not null and given_up_at is null);
