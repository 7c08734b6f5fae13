-- Since when a camera's pack is in it, where somebody said so; and how much more than a mean week the worst of the drawn ones records.
alter table camera
  add column pack_since date,
  add column worst_week_share double precision check (worst_week_share between 0 and 20);

-- The card in a hub; null where nobody said.
alter table hub add column card_gb int check (card_gb between 0 and 2000);

-- How a camera records and where its footage goes besides its card; no row for as it comes.
create table camera_keeping (
  camera_id       bigint primary key,
  household_id    bigint not null,
  record_when     text not null check (record_when in ('EVENT', 'CONTINUOUS', 'SCHEDULED', 'BOTH')),
  from_hour       int not null check (from_hour between 0 and 23),
  to_hour         int not null check (to_hour between 0 and 23),
  to_recorder     boolean not null,
  stops_when_full boolean not null,
  plan_id         bigint references cloud_plan,
  check (record_when <> 'SCHEDULED' or from_hour <> to_hour),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index camera_keeping_household on camera_keeping (household_id);
create index camera_keeping_plan on camera_keeping (plan_id);

-- What a house has for all its cameras: the disk of a recorder, and who comes to charge packs.
create table house_footage (
  household_id  bigint primary key references household on delete cascade,
  recorder_gb   int not null check (recorder_gb between 0 and 100000),
  packs_by_firm boolean not null,
  version       int not null default 1
);

-- The card that is in a camera, and what filling it and reading it back told.
create table camera_card (
  camera_id      bigint primary key,
  household_id   bigint not null,
  put_in         date not null,
  high_endurance boolean not null,
  printed_gb     double precision not null check (printed_gb between 1 and 10000),
  wrote_gb       double precision check (wrote_gb between 0 and 20000),
  same_gb        double precision check (same_gb between 0 and wrote_gb),
  tested_on      date,
  said_by        text not null,
  version        int not null default 1,
  check ((wrote_gb is null) = (same_gb is null) and (wrote_gb is null) = (tested_on is null)),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index camera_card_household on camera_card (household_id);

-- Lists of files that were given to the police or an insurer: names, sizes and sums as the browser reckoned them.
create table footage_list (
  id           bigint generated always as identity primary key,
  household_id bigint not null,
  camera_id    bigint not null,
  files        jsonb not null check (jsonb_typeof(files) = 'array'),
  clock_fast_s double precision check (clock_fast_s between -86400 and 86400),
  for_whom     text not null check (length(for_whom) between 1 and 120),
  made_by      text not null,
  made_at      timestamptz not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index footage_list_household on footage_list (household_id);

alter table promise drop constraint promise_kind_check;
alter table promise add constraint promise_kind_check check (kind in
  ('MAKE_OUT', 'RECORDED_BEFORE', 'KEEPS_DAYS', 'SURVIVES_THEFT', 'NEVER_SHOWS', 'ONLY_THESE', 'ALERT_WITHIN', 'LIVE_AWAY', 'TELLS_OF',
   'RINGS_AT_MOST', 'SILENT_ABOUT', 'NEVER_RINGS'));
alter table promise add constraint promise_theft_in_seconds check (kind <> 'SURVIVES_THEFT' or seconds is not null);
