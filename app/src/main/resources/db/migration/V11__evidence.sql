-- Where a record of a test comes from. Until now every test and nearly every run was made on stand-ins; what was only rehearsed counts
-- for nothing on a real device any more.
alter table trial add column on_stand_ins boolean not null default true;
alter table trial alter column on_stand_ins drop default;
alter table trial alter column seconds drop not null;
alter table trial add column said text check (length(said) <= 400);
alter table trial add column light text check (light in ('DAY', 'NIGHT'));
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

-- What the householder takes as it is before they sign: a promise that is broken or not tried, or tests that were not made. It holds for
-- as long as it stands as it did.
create table remark (
  household_id bigint not null references household on delete cascade,
  about        text not null check (length(about) between 1 and 40),
  stands       text not null check (length(stands) <= 4000),
  words        text not null check (length(words) between 1 and 300),
  agreed_by    text not null check (length(agreed_by) between 1 and 80),
  at           timestamptz not null,
  by_name      text not null,
  primary key (household_id, about)
);

-- The pack as it was signed: it never changes again.
create table pack_issue (
  household_id bigint not null references household on delete cascade,
  number       int not null check (number > 0),
  signed_at    timestamptz not null,
  signed_by    text not null check (length(signed_by) between 1 and 80),
  made_by      text not null,
  document     text not null,
  says         text not null,
  sha256       text not null check (sha256 ~ '^[0-9a-f]{64}$'),
  primary key (household_id, number)
);
create function pack_issue_stays() returns trigger language plpgsql as $$
begin
  raise exception 'a signed pack is never changed';
end $$;
create trigger pack_issue_stays before update on pack_issue for each row execute function pack_issue_stays();
