-- Firms and the people who work for them.
create table firm (
  id         bigint generated always as identity primary key,
  name       text not null check (length(name) between 1 and 80),
  created_at timestamptz not null
);

create table person (
  id            bigint generated always as identity primary key,
  firm_id       bigint not null references firm,
  email         text not null unique check (email = lower(email) and length(email) between 3 and 254),
  name          text not null check (length(name) between 1 and 80),
  role          text not null check (role in ('OWNER', 'INSTALLER', 'APPRENTICE', 'OFFICE')),
  password_hash text not null,
  created_at    timestamptz not null
);

-- Kept by e-mail rather than by person, so that a guess at a stranger's address waits as long as one at a real one.
create table login_attempt (
  email       text primary key,
  failures    int not null check (failures > 0),
  next_try_at timestamptz not null
);

create table household (
  id             bigint generated always as identity primary key,
  firm_id        bigint not null references firm,
  name           text not null check (length(name) between 1 and 80),
  address        text not null check (length(address) between 1 and 120),
  stage          text not null check (stage in ('BRIEF', 'SURVEY', 'READY', 'PAIR', 'MOUNT', 'TUNE', 'SHARE', 'PROVE', 'CARE')),
  due_on         date,
  due_what       text check (length(due_what) <= 120),
  notes          text not null default '' check (length(notes) <= 2000),
  plan           jsonb,
  handed_over_at timestamptz,
  created_at     timestamptz not null,
  version        int not null default 0
);
create index household_by_firm on household (firm_id, stage);

-- Everyone around a house, the firm's own people on its cameras included.
create table resident (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  name         text not null check (length(name) between 1 and 80),
  email        text not null check (length(email) <= 254),
  tie          text not null check (tie in ('LIVES_HERE', 'FAMILY', 'LEFT', 'FIRM')),
  left_on      date,
  unique (household_id, id)
);

create table promise (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  kind         text not null check (kind in ('MAKE_OUT', 'KEEPS_DAYS', 'NEVER_SHOWS', 'ONLY_THESE', 'ALERT_WITHIN')),
  level        text check (level in ('DETECT', 'OBSERVE', 'RECOGNISE', 'IDENTIFY')),
  light        text check (light in ('DAY', 'NIGHT', 'BOTH')),
  place_id     text,
  area_id      text,
  days         int check (days between 1 and 365),
  seconds      numeric check (seconds between 1 and 120),
  check (kind <> 'MAKE_OUT' or (level is not null and light is not null and place_id is not null)),
  check (kind <> 'NEVER_SHOWS' or area_id is not null),
  check (kind <> 'KEEPS_DAYS' or days is not null),
  check (kind <> 'ALERT_WITHIN' or seconds is not null)
);
create index promise_by_household on promise (household_id);

create table camera (
  id                 bigint generated always as identity primary key,
  household_id       bigint not null references household,
  name               text not null check (length(name) between 1 and 24),
  model_key          text not null,
  x_m                double precision not null check (x_m between -500 and 500),
  y_m                double precision not null check (y_m between -500 and 500),
  height_m           double precision not null check (height_m between 0.2 and 12),
  heading_deg        double precision not null check (heading_deg >= 0 and heading_deg < 360),
  tilt_deg           double precision not null check (tilt_deg between -30 and 90),
  masked             text[] not null default '{}',
  clip_seconds       int not null check (clip_seconds between 1 and 600),
  cool_down_seconds  int not null check (cool_down_seconds between 0 and 3600),
  card_gb            int not null check (card_gb between 0 and 2000),
  visits_per_day     double precision not null check (visits_per_day between 0 and 2000),
  live_minutes       double precision not null check (live_minutes between 0 and 1440),
  open_sky_share     double precision not null check (open_sky_share between 0 and 1),
  charge_every_days  int not null check (charge_every_days between 0 and 365),
  joined_at          timestamptz,
  own_password_at    timestamptz,
  serial             text check (length(serial) <= 40),
  sticker_kept       text check (length(sticker_kept) <= 120),
  mounted_at         timestamptz,
  last_charged_on    date,
  version            int not null default 0,
  unique (household_id, id)
);
create unique index camera_name_in_household on camera (household_id, lower(name));

create table network (
  household_id bigint primary key references household,
  name         text not null check (length(name) between 1 and 64),
  bands        text[] not null check (cardinality(bands) between 1 and 2),
  security     text not null check (security in ('OPEN', 'WPA2', 'WPA2_WPA3', 'WPA3', 'ENTERPRISE')),
  hidden       boolean not null,
  version      int not null default 0
);

create table other_thing (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  name         text not null check (length(name) between 1 and 60),
  how_many     int not null check (how_many between 1 and 99)
);
create index other_thing_by_household on other_thing (household_id);

-- Passwords, sealed with a key that is not in the database.
create table secret (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  kind         text not null check (kind in ('WIFI_PASSWORD', 'CAMERA_PASSWORD')),
  camera_id    bigint,
  sealed       bytea not null,
  sealed_at    timestamptz not null,
  sealed_by    text not null,
  foreign key (household_id, camera_id) references camera (household_id, id),
  check ((kind = 'CAMERA_PASSWORD') = (camera_id is not null))
);
create unique index secret_of_what on secret (household_id, kind, coalesce(camera_id, 0));

-- Every look at a secret. Nothing here is ever changed or taken out.
create table secret_reveal (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  what         text not null,
  by_name      text not null,
  at           timestamptz not null
);

create table access_grant (
  household_id bigint not null references household,
  resident_id  bigint not null,
  camera_id    bigint not null,
  role         text not null check (role in ('OWNER', 'MANAGER', 'VIEWER', 'GUEST')),
  until_on     date,
  primary key (resident_id, camera_id),
  foreign key (household_id, resident_id) references resident (household_id, id),
  foreign key (household_id, camera_id) references camera (household_id, id),
  check ((role = 'GUEST') = (until_on is not null))
);

create table mail (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  to_address   text not null,
  subject      text not null,
  body         text not null,
  link         text,
  sent_at      timestamptz not null
);

create table invitation (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  resident_id  bigint not null,
  token_hash   bytea not null unique,
  sent_at      timestamptz not null,
  expires_at   timestamptz not null,
  accepted_at  timestamptz,
  foreign key (household_id, resident_id) references resident (household_id, id)
);

create table run (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  camera_id    bigint not null,
  way          text not null,
  network_name text not null,
  bench        boolean not null,
  started_at   timestamptz not null,
  started_by   text not null,
  finished_at  timestamptz,
  foreign key (household_id, camera_id) references camera (household_id, id)
);
create unique index one_open_run_a_camera on run (camera_id) where finished_at is null;

create table run_event (
  run_id    bigint not null references run,
  seq       int not null check (seq > 0),
  kind      text not null check (kind in ('ANSWERED', 'FILLED', 'LOOKED_AGAIN', 'WAITED', 'UNDONE')),
  step_id   text,
  answer_id text,
  note      text,
  at        timestamptz not null,
  by_name   text not null,
  primary key (run_id, seq),
  check ((kind = 'UNDONE') = (step_id is null)),
  check ((kind = 'ANSWERED') = (answer_id is not null))
);

create table bench_act (
  run_id    bigint not null references run,
  seq       int not null check (seq > 0),
  kind      text not null check (kind in ('HANDS', 'FAULT', 'WAITED')),
  what      text,
  at_ms     bigint not null check (at_ms >= 0),
  stored_at timestamptz not null,
  primary key (run_id, seq),
  check ((kind = 'WAITED') = (what is null))
);

-- Tests made on site. A trial is begun, then confirmed or not.
create table trial (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  camera_id    bigint not null,
  kind         text not null check (kind in ('LIVE_HOME', 'LIVE_AWAY', 'WALK', 'ALERT')),
  seconds      double precision not null check (seconds >= 0),
  begun_at     timestamptz not null,
  begun_by     text not null,
  passed       boolean,
  foreign key (household_id, camera_id) references camera (household_id, id)
);
create index trial_by_household on trial (household_id, camera_id, kind, begun_at);

create table proof (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  camera_id    bigint not null,
  promise_key  text not null,
  measured     double precision not null,
  pose_mark    text not null,
  at           timestamptz not null,
  by_name      text not null,
  foreign key (household_id, camera_id) references camera (household_id, id)
);
create index proof_by_household on proof (household_id);

create table signature (
  household_id bigint primary key references household,
  name         text not null check (length(name) between 1 and 80),
  strokes      text not null check (length(strokes) <= 40000),
  at           timestamptz not null
);

create table log_entry (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  camera_id    bigint,
  kind         text not null check (kind in ('NOTE', 'CHARGE', 'CALL', 'RESET', 'FIRMWARE')),
  words        text not null check (length(words) between 1 and 1000),
  happened_on  date not null,
  by_name      text not null,
  written_at   timestamptz not null,
  foreign key (household_id, camera_id) references camera (household_id, id)
);
create index log_entry_by_household on log_entry (household_id, happened_on);

-- The newest judgement of each household, replaced as a whole whenever the household changes.
create table finding (
  household_id bigint not null references household,
  promise_key  text not null,
  stage        text not null,
  standing     text not null check (standing in ('KEPT', 'THIN', 'BROKEN', 'UNTRIED')),
  primary key (household_id, promise_key)
);
