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

-- Percent of a pack as somebody read it in its app, and how the camera was set then.
create table pack_reading (
  id           bigint generated always as identity primary key,
  household_id bigint not null,
  camera_id    bigint not null,
  read_on      date not null,
  percent      double precision not null check (percent between 0 and 100),
  after_charge boolean not null,
  mark         text not null check (length(mark) <= 1000),
  read_by      text not null,
  read_at      timestamptz not null,
  unique (camera_id, read_on, after_charge),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index pack_reading_household on pack_reading (household_id, camera_id);

-- What those readings say of its draw and its panel, for as long as it is set by that mark: shares of what its document says.
create table camera_pack (
  camera_id    bigint primary key,
  household_id bigint not null,
  draw_share   double precision not null check (draw_share between 0.1 and 10),
  sun_share    double precision not null check (sun_share between 0 and 2),
  mark         text not null check (length(mark) <= 1000),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index camera_pack_household on camera_pack (household_id);

-- Paid plans of makers, as a firm wrote them down.
create table cloud_plan (
  id            bigint generated always as identity primary key,
  firm_id       bigint not null references firm,
  name          text not null check (length(name) between 1 and 60),
  maker         text not null check (length(maker) between 1 and 60),
  cents_a_month bigint not null check (cents_a_month between 0 and 100000),
  cameras_most  int not null check (cameras_most between 0 and 100),
  keeps_days    int not null check (keeps_days between 0 and 3650),
  clip_most_s   int not null check (clip_most_s between 1 and 3600),
  kinds         text[] not null,
  version       int not null default 0,
  unique (firm_id, maker, name)
);
