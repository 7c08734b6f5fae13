-- What somebody saw where steps or a ladder go up to a camera: of the spot at which it was planned then.
create table spot_look (
  camera_id    bigint primary key,
  household_id bigint not null references household on delete cascade,
  lines_near   boolean not null,
  firm         boolean not null,
  x_m          double precision not null,
  y_m          double precision not null,
  height_m     double precision not null,
  looked_by    text not null,
  looked_at    timestamptz not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index spot_look_household on spot_look (household_id);

-- Hanging one camera as a run: the shape of its work as it began, and its events, which are only ever added.
create table hang_run (
  id            bigint generated always as identity primary key,
  household_id  bigint not null references household on delete cascade,
  camera_id     bigint not null,
  shape         text not null check (shape ~ '^[01]{5}$'),
  on_stand_ins  boolean not null,
  -- What is hidden in the stand-in; none in a real run.
  fault         text check ((fault is null) = not on_stand_ins),
  started_at    timestamptz not null,
  started_by    text not null,
  ended_at      timestamptz,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index hang_run_household on hang_run (household_id);
create unique index hang_run_one_open on hang_run (camera_id, on_stand_ins) where ended_at is null;

create table hang_event (
  run_id   bigint not null references hang_run on delete cascade,
  n        int not null check (n >= 1),
  kind     text not null check (kind in ('ANSWERED', 'UNDONE', 'AGAINST')),
  step     text,
  answer   text,
  note     text not null default '',
  at       timestamptz not null,
  by_name  text not null,
  primary key (run_id, n),
  check ((kind = 'UNDONE') = (step is null) and (step is null) = (answer is null))
);

-- The finished mount, as it looks.
create table mount_photo (
  camera_id    bigint primary key,
  household_id bigint not null references household on delete cascade,
  jpeg         bytea not null,
  taken_at     timestamptz not null,
  taken_by     text not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index mount_photo_household on mount_photo (household_id);

-- The way of a lead as somebody chose and measured it, to the spot at which the camera was planned then.
create table said_lead (
  camera_id    bigint primary key,
  household_id bigint not null references household on delete cascade,
  socket       text not null,
  along_m      double precision not null check (along_m between 0 and 100),
  holes        int not null check (holes between 0 and 20),
  x_m          double precision not null,
  y_m          double precision not null,
  height_m     double precision not null,
  measured_by  text not null,
  measured_at  timestamptz not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index said_lead_household on said_lead (household_id);
