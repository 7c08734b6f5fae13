-- A visit as planned when it began, and how far each of its tasks really is.
create table visit (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  installers   int not null check (installers between 1 and 2),
  started_at   timestamptz not null,
  started_by   text not null,
  over_at      timestamptz
);
create unique index one_open_visit_a_household on visit (household_id) where over_at is null;

create table visit_task (
  visit_id       bigint not null references visit,
  seq            int not null check (seq >= 0),
  task_id        text not null check (length(task_id) <= 80),
  row_name       text not null,
  what           text not null check (length(what) <= 120),
  hands_on       int not null check (hands_on between 0 and 600),
  hands_free     int not null check (hands_free between 0 and 600),
  waits_for      text[] not null,
  needs          text[] not null,
  planned_minute int not null check (planned_minute >= 0),
  installer      int not null check (installer between 0 and 3),
  camera_id      bigint,
  begun_at       timestamptz,
  hands_off_at   timestamptz,
  done_at        timestamptz,
  marked_by      text,
  primary key (visit_id, task_id),
  check (hands_off_at is null or begun_at is not null),
  check (done_at is null or hands_off_at is not null),
  check (hands_off_at >= begun_at and done_at >= hands_off_at)
);

-- Minutes on the road between two households of a firm; from 0 is where its days begin. The lower number stands first.
create table travel (
  firm_id bigint not null references firm,
  from_id bigint not null check (from_id >= 0),
  to_id   bigint not null references household,
  minutes int not null check (minutes between 0 and 600),
  primary key (firm_id, from_id, to_id),
  check (from_id < to_id)
);

-- When somebody is at home on the day of a visit, and how long it is reckoned to take.
create table appointment (
  household_id bigint primary key references household,
  on_day       date not null,
  from_minute  int not null check (from_minute between 0 and 1440),
  until_minute int not null check (until_minute between from_minute and 1440),
  minutes      int not null check (minutes between 1 and 900)
);
