-- The board: readings of the signal, zones, paths in promises, what can be undone, underlays and variants.
alter table promise drop constraint promise_kind_check;
alter table promise add constraint promise_kind_check
  check (kind in ('MAKE_OUT', 'RECORDED_BEFORE', 'KEEPS_DAYS', 'NEVER_SHOWS', 'ONLY_THESE', 'ALERT_WITHIN'));
alter table promise add column path_id text;
alter table promise add constraint promise_recorded_before_check
  check (kind <> 'RECORDED_BEFORE' or (level is not null and place_id is not null and path_id is not null));

-- Corners as shares of the picture: [{"name": …, "corners": [[0.1, 0.2], …]}, …]
alter table camera add column zones jsonb not null default '[]' check (jsonb_typeof(zones) = 'array');

create table reading (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  x_m          double precision not null check (x_m between -500 and 500),
  y_m          double precision not null check (y_m between -500 and 500),
  z_m          double precision not null check (z_m between -20 and 60),
  band         text not null check (band in ('GHZ_2_4', 'GHZ_5')),
  rssi_dbm     double precision not null check (rssi_dbm between -100 and -10),
  sd_db        double precision not null check (sd_db between 0.1 and 20),
  at           timestamptz not null,
  by_name      text not null
);
create index reading_by_household on reading (household_id, id);

-- Every plan a house has had while it was drawn, in order; the household points at the one that stands.
create table plan_step (
  household_id bigint not null references household,
  n            int not null check (n >= 0),
  document     jsonb not null,
  words        text not null check (length(words) between 1 and 120),
  at           timestamptz not null,
  by_name      text not null,
  primary key (household_id, n)
);
alter table household add column plan_step int;

-- A drawing laid under a storey's plan: where its top left corner lies, and how large one of its pixels is.
create table underlay (
  household_id  bigint not null references household,
  storey_id     text not null,
  picture       bytea not null check (length(picture) <= 8000000),
  media_type    text not null check (media_type in ('image/png', 'image/jpeg')),
  width_px      int not null check (width_px between 1 and 12000),
  height_px     int not null check (height_px between 1 and 12000),
  metres_per_px double precision not null check (metres_per_px > 0),
  x_m           double precision not null,
  y_m           double precision not null,
  primary key (household_id, storey_id)
);

-- A plan with its cameras, kept to be compared.
create table variant (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  name         text not null check (length(name) between 1 and 60),
  plan         jsonb not null,
  cameras      jsonb not null,
  kept_at      timestamptz not null,
  by_name      text not null
);
create unique index variant_name_in_household on variant (household_id, lower(name));

-- Counts every change of the plan, so that two who draw at once do not lose one another's work.
alter table household add column plan_version int not null default 0;

-- Counts every change of the household, whatever it was, so that what was read of it can be held until the next.
alter table household add column changes bigint not null default 0;
