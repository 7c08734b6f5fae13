-- When the cameras of a household watch and whom they ring: one document, since hours, phones and rules are looked at together.
create table alert_plan (
  household_id bigint primary key references household on delete cascade,
  plan         jsonb not null check (jsonb_typeof(plan) = 'object'),
  version      int not null default 1
);

-- How a camera's picture and sound are set; no row for as it comes.
create table camera_setup (
  camera_id    bigint primary key,
  household_id bigint not null,
  light        text not null check (light in ('INFRARED', 'AMBIENT', 'SPOTLIGHT')),
  wide_range   boolean not null,
  turned       boolean not null,
  sound        boolean not null,
  status_light boolean not null,
  stamp        boolean not null,
  listens      boolean not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index camera_setup_household on camera_setup (household_id);

-- What somebody set at the camera itself, and to which value: set to another since, it is to be set anew.
create table setting_tick (
  camera_id    bigint not null,
  household_id bigint not null,
  step         text not null check (length(step) between 1 and 30),
  value        text not null check (length(value) between 1 and 10000),
  set_by       text not null,
  set_at       timestamptz not null,
  primary key (camera_id, step),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index setting_tick_household on setting_tick (household_id);

-- Walks made before a camera as it hung and was set: noticed or not.
create table sensor_walk (
  id           bigint generated always as identity primary key,
  household_id bigint not null,
  camera_id    bigint not null,
  from_x_m     double precision not null,
  from_y_m     double precision not null,
  to_x_m       double precision not null,
  to_y_m       double precision not null,
  noticed      boolean not null,
  seconds      double precision check (seconds between 0 and 60),
  air_c        double precision not null check (air_c between -50 and 60),
  dark         boolean not null,
  mark         text not null check (length(mark) <= 1000),
  walked_by    text not null,
  walked_at    timestamptz not null,
  check (noticed or seconds is null),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index sensor_walk_camera on sensor_walk (household_id, camera_id);

-- What those walks say of its sensor, for as long as it hangs and is set by that mark.
create table camera_sensing (
  camera_id    bigint primary key,
  household_id bigint not null,
  range_m      double precision not null check (range_m between 1 and 40),
  fan_deg      double precision not null check (fan_deg between 10 and 180),
  wake_s       double precision not null check (wake_s between 0 and 10),
  mark         text not null check (length(mark) <= 1000),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index camera_sensing_household on camera_sensing (household_id);

-- Named views of a camera that turns by motor, and how long it stays at each on its round.
create table camera_view (
  id           bigint generated always as identity primary key,
  household_id bigint not null,
  camera_id    bigint not null,
  name         text not null check (length(name) between 1 and 40),
  heading_deg  double precision not null check (heading_deg between 0 and 360),
  tilt_deg     double precision not null check (tilt_deg between -30 and 90),
  dwell_s      int not null check (dwell_s between 5 and 3600),
  unique (camera_id, name),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index camera_view_household on camera_view (household_id);
