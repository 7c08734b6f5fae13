-- Every way in as a guided run: with which phone, and that a way was given up for another.
alter table run add column phone text not null default 'THROUGH_SETTINGS' check (phone in ('ONE_TAP', 'THROUGH_SETTINGS'));
alter table run add column at_place boolean not null default false;
alter table run add column given_up_at timestamptz;
alter table run add constraint given_up_is_over check (given_up_at is null or finished_at is not null);

-- What a run closes with beside password, sticker and name.
alter table camera add column firmware text check (length(firmware) <= 40);
alter table camera add column clock_set_at timestamptz;
alter table camera add column recovery_address text check (length(recovery_address) <= 254);
alter table camera add column room text check (length(room) <= 40);

-- Taken out of the house; what is known of it stays in the log.
alter table camera add column removed_at timestamptz;
drop index camera_name_in_household;
create unique index camera_name_in_household on camera (household_id, lower(name)) where removed_at is null;

-- Hubs: joined before their cameras, by runs of their own.
create table hub (
  id              bigint generated always as identity primary key,
  household_id    bigint not null references household,
  model_key       text not null,
  name            text not null check (length(name) between 1 and 24),
  serial          text check (length(serial) <= 40),
  sticker_kept    text check (length(sticker_kept) <= 120),
  firmware        text check (length(firmware) <= 40),
  room            text check (length(room) <= 40),
  joined_at       timestamptz,
  own_password_at timestamptz,
  removed_at      timestamptz,
  unique (household_id, id)
);
create unique index one_hub_of_a_model on hub (household_id, model_key) where removed_at is null;
alter table run add column hub_id bigint;
alter table run add foreign key (household_id, hub_id) references hub (household_id, id);
create unique index one_open_run_a_hub on run (hub_id) where finished_at is null;
alter table secret add column hub_id bigint;
alter table secret add foreign key (household_id, hub_id) references hub (household_id, id);
alter table secret drop constraint secret_kind;
alter table secret add constraint secret_kind check (kind in ('WIFI_PASSWORD', 'CAMERA_PASSWORD', 'INITIAL_PASSWORD', 'HUB_PASSWORD'));
alter table secret add constraint secret_of_a_hub check ((kind = 'HUB_PASSWORD') = (hub_id is not null));
drop index secret_of_what;
create unique index secret_of_what on secret (household_id, kind, coalesce(camera_id, 0), coalesce(network_id, 0), coalesce(hub_id, 0));

-- A new router or password: from when on every device has to come back.
create table rejoin (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  begun_at     timestamptz not null,
  begun_by     text not null,
  over_at      timestamptz
);
create unique index one_open_rejoin_a_household on rejoin (household_id) where over_at is null;
create table rejoin_back (
  rejoin_id bigint not null references rejoin,
  camera_id bigint not null,
  back_at   timestamptz not null,
  by_name   text not null,
  primary key (rejoin_id, camera_id)
);

-- A set exercise on the stand-ins, or a job as it stood when its rehearsal began. Its runs belong to no household.
create table rehearsal (
  id         bigint generated always as identity primary key,
  firm_id    bigint not null references firm,
  person     text not null,
  exercise   int check (exercise > 0),
  job        text check (length(job) <= 120),
  faults     text[] not null,
  speed      int not null check (speed between 1 and 60),
  started_at timestamptz not null,
  over_at    timestamptz,
  minutes    double precision,
  shortest   double precision,
  wrong      int,
  check ((over_at is null) = (minutes is null) and (over_at is null) = (shortest is null) and (over_at is null) = (wrong is null))
);
alter table rehearsal add constraint exercise_or_job check ((exercise is null) = (job is not null));
create table rehearsal_part (
  rehearsal_id bigint not null references rehearsal,
  part         int not null check (part >= 0),
  model_key    text not null,
  hub          boolean not null,
  way          text not null,
  network_name text not null,
  suits        boolean not null,
  isolated     boolean not null,
  push_button  boolean not null,
  address      text check (length(address) <= 1000),
  phone        text not null,
  primary key (rehearsal_id, part)
);
create index rehearsal_by_firm on rehearsal (firm_id, id);
alter table run alter column household_id drop not null;
alter table run alter column camera_id drop not null;
alter table run add column rehearsal_id bigint references rehearsal;
alter table run add column part int;
alter table run add constraint run_of_a_house_or_an_exercise
  check ((household_id is null) = (rehearsal_id is not null) and num_nonnulls(camera_id, hub_id) = (case when rehearsal_id is null then 1 else 0 end)
         and (part is null) = (rehearsal_id is null));
