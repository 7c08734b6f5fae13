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
