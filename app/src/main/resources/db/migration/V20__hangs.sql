-- How a camera is turned about the way it looks, as planned; and how it hangs, read from its still.
alter table camera add column roll_deg double precision not null default 0 check (roll_deg between -180 and 180);

-- What the wall at a mount is, as somebody who stood before it said; what carries it, what lies on it and how thick.
alter table camera
  add column wall_base text,
  add column wall_covering text,
  add column wall_covering_mm int check (wall_covering_mm between 0 and 300),
  add column wall_said_by text,
  add column wall_said_at timestamptz,
  add constraint camera_wall_is_said_whole check (num_nulls(wall_base, wall_covering, wall_covering_mm, wall_said_by, wall_said_at)
    in (0, 5));

create table pose_reading (
  camera_id          bigint primary key,
  household_id       bigint not null references household on delete cascade,
  -- What it was read for: the model, and the pose planned then. Planned otherwise since, it says nothing any more.
  of_model           text not null,
  of_x_m             double precision not null,
  of_y_m             double precision not null,
  of_height_m        double precision not null,
  of_heading_deg     double precision not null,
  of_tilt_deg        double precision not null,
  of_roll_deg        double precision not null,
  x_m                double precision not null,
  y_m                double precision not null,
  height_m           double precision not null check (height_m between 0.2 and 12),
  heading_deg        double precision not null check (heading_deg >= 0 and heading_deg < 360),
  tilt_deg           double precision not null check (tilt_deg between -30 and 90),
  roll_deg           double precision not null check (roll_deg between -180 and 180),
  place_spread_m     double precision not null check (place_spread_m >= 0),
  height_spread_m    double precision not null check (height_spread_m >= 0),
  heading_spread_deg double precision not null check (heading_spread_deg >= 0),
  tilt_spread_deg    double precision not null check (tilt_spread_deg >= 0),
  roll_spread_deg    double precision not null check (roll_spread_deg >= 0),
  -- Each point with where it lay on the plan then and where it was tapped.
  taps               jsonb not null check (jsonb_typeof(taps) = 'array'),
  still_at           timestamptz not null,
  read_at            timestamptz not null,
  read_by            text not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index pose_reading_household on pose_reading (household_id);
