-- What goes on about a house, by which its ordinary weeks are drawn. Rates are events on a weekday, by kind of source, of those of which
-- somebody knows better than the ordinary ones.
create table house_comings (
  household_id bigint primary key references household on delete cascade,
  house_kind   text not null check (house_kind in ('TERRACE', 'LANE', 'SUBURB', 'VILLAGE', 'FARM')),
  rates        jsonb not null default '{}' check (jsonb_typeof(rates) = 'object'),
  version      int not null default 1
);

-- How a camera's sensor and its kinds are set; both empty for as it comes.
alter table camera
  add column sensitivity int check (sensitivity between 0 and 99),
  add column kinds text[] check (cardinality(kinds) between 1 and 6),
  -- How it was set before other settings were taken for it, to take them back.
  add column set_before jsonb check (jsonb_typeof(set_before) = 'object'),
  add constraint camera_watching_whole check ((sensitivity is null) = (kinds is null));

-- Promises of an ordinary week.
alter table promise
  add column amount int check (amount between 1 and 1000),
  add column source text check (length(source) between 1 and 40),
  add column from_hour int check (from_hour between 0 and 23),
  add column to_hour int check (to_hour between 0 and 23);
alter table promise drop constraint promise_kind_check;
alter table promise add constraint promise_kind_check check (kind in
  ('MAKE_OUT', 'RECORDED_BEFORE', 'KEEPS_DAYS', 'NEVER_SHOWS', 'ONLY_THESE', 'ALERT_WITHIN', 'LIVE_AWAY', 'TELLS_OF', 'RINGS_AT_MOST',
   'SILENT_ABOUT', 'NEVER_RINGS'));
alter table promise add constraint promise_week_whole check (case kind
  when 'TELLS_OF' then place_id is not null and amount between 1 and 100
  when 'RINGS_AT_MOST' then amount is not null
  when 'SILENT_ABOUT' then source is not null
  when 'NEVER_RINGS' then from_hour is not null and to_hour is not null and from_hour <> to_hour
  else true end);

-- Clips that somebody counted in a camera's own app; how many of them were for somebody who came, where that was counted too.
create table counted_week (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  camera_id    bigint not null,
  from_day     date not null,
  days         int not null check (days between 1 and 92),
  clips        int not null check (clips between 0 and 200000),
  wanted       int check (wanted between 0 and clips),
  mark         text not null check (length(mark) <= 100000),
  counted_by   text not null,
  counted_at   timestamptz not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade,
  unique (camera_id, from_day, days)
);
create index counted_week_household on counted_week (household_id);
