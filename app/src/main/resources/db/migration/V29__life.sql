-- Devices that hung in a camera's place before the one that is there.
create table device_before (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  camera_id    bigint not null,
  model_key    text not null,
  model        text not null check (length(model) between 1 and 140),
  serial       text not null default '' check (length(serial) <= 80),
  joined_on    date,
  gone_on      date not null,
  why          text not null check (why in ('BROKEN', 'WARRANTY', 'BETTER', 'STOLEN')),
  by_name      text not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index device_before_household on device_before (household_id, camera_id);

alter table log_entry drop constraint log_entry_kind_check;
alter table log_entry add constraint log_entry_kind_check
  check (kind in ('NOTE', 'CHARGE', 'CALL', 'RESET', 'FIRMWARE', 'REPAIR', 'ROUTER', 'LOOK', 'CARD', 'MOVED', 'LEFT', 'PHONE', 'REPLACED'));

-- What a theft left, as it was reckoned before what is gone was taken out, and who has changed what since.
create table theft (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  on_day       date not null,
  things       jsonb not null check (jsonb_typeof(things) = 'array'),
  footage      jsonb not null check (jsonb_typeof(footage) = 'array'),
  by_name      text not null,
  at           timestamptz not null
);
create index theft_household on theft (household_id, on_day);
create table theft_change (
  theft_id bigint not null references theft on delete cascade,
  seq      int not null check (seq >= 0),
  who      text not null,
  what     text not null,
  why      text not null,
  done_by  text,
  done_at  timestamptz,
  primary key (theft_id, seq),
  check ((done_by is null) = (done_at is null))
);
