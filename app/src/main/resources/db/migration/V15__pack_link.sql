-- What a camera really shows, beside the picture that was computed; and the signed pack read by a link, without a log-in.
create table camera_still (
  household_id bigint not null references household on delete cascade,
  camera_id    bigint primary key,
  jpeg         bytea not null,
  taken_at     timestamptz not null,
  taken_by     text not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index camera_still_household on camera_still (household_id);

create table pack_link (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  sent_to      text not null,
  token_hash   bytea not null unique,
  sent_at      timestamptz not null,
  sent_by      text not null,
  opened_at    timestamptz,
  ended_at     timestamptz,
  ended_by     text,
  check ((ended_at is null) = (ended_by is null))
);
create index pack_link_household on pack_link (household_id, id);
create unique index pack_link_open_once on pack_link (household_id) where ended_at is null;
