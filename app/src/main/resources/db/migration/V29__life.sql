-- Devices that hung in a camera's place before the one that is there.
create table device_before (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  camera_id    bigint not null,
  model_key    text not null,
  model        text not null check (length(model) between 1 and 140),
  serial       text not null default '' check (length(serial) <= 80),
  joined_on    date,
  gone_on      date not null,
  why          text not null check (why in ('BROKEN', 'WARRANTY', 'BETTER', 'STOLEN')),
  by_name      text not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index device_before_household on device_before (household_id, camera_id);

alter table log_entry drop constraint log_entry_kind_check;
alter table log_entry add constraint log_entry_kind_check
  check (kind in ('NOTE', 'CHARGE', 'CALL', 'RESET', 'FIRMWARE', 'REPAIR', 'ROUTER', 'LOOK', 'CARD', 'MOVED', 'LEFT', 'PHONE', 'REPLACED'));

-- What a theft left, as it was reckoned before what is gone was taken out, and who has changed what since.
create table theft (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  on_day       date not null,
  things       jsonb not null check (jsonb_typeof(things) = 'array'),
  footage      jsonb not null check (jsonb_typeof(footage) = 'array'),
  by_name      text not null,
  at           timestamptz not null
);
create index theft_household on theft (household_id, on_day);
create table theft_change (
  theft_id bigint not null references theft on delete cascade,
  seq      int not null check (seq >= 0),
  who      text not null,
  what     text not null,
  why      text not null,
  done_by  text,
  done_at  timestamptz,
  primary key (theft_id, seq),
  check ((done_by is null) = (done_at is null))
);

-- Photos of a call, most by the household itself, and of what the log holds.
create table case_photo (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  case_id      bigint not null references fault_case on delete cascade,
  jpeg         bytea not null,
  taken_at     timestamptz not null,
  taken_by     text not null
);
create index case_photo_household on case_photo (household_id, case_id);
create index case_photo_case on case_photo (case_id);
create table log_photo (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  entry_id     bigint not null references log_entry on delete cascade,
  jpeg         bytea not null,
  taken_at     timestamptz not null,
  taken_by     text not null
);
create index log_photo_household on log_photo (household_id, entry_id);
create index log_photo_entry on log_photo (entry_id);

-- What stood where an entry has set something else, so that it can be set back with the entry.
alter table log_entry add column set_before jsonb check (jsonb_typeof(set_before) = 'object');

-- Care that a household pays for by the term.
create table care_contract (
  household_id bigint primary key references household on delete cascade,
  from_day     date not null,
  months       int not null check (months between 1 and 60),
  renews       boolean not null,
  cents        bigint not null check (cents between 0 and 100000000),
  covers       text[] not null default '{}' check (cardinality(covers) <= 8),
  visits       int not null check (visits between 0 and 50),
  by_name      text not null,
  version      int not null default 1
);

-- What a call came to.
create table case_work (
  case_id        bigint primary key references fault_case on delete cascade,
  household_id   bigint not null references household on delete cascade,
  on_day         date not null,
  phone_minutes  int not null check (phone_minutes between 0 and 1440),
  visits         int not null check (visits between 0 and 20),
  visit_minutes  int not null check (visit_minutes between 0 and 5000),
  parts_cents    bigint not null check (parts_cents between 0 and 100000000),
  -- Of its visits so many were the contract's.
  covered_visits int not null check (covered_visits between 0 and visits),
  by_name        text not null,
  version        int not null default 1
);
create index case_work_household on case_work (household_id, on_day);

-- A call that is practised: its house and its fault follow from the seed, its answers from the moves.
create table practised_call (
  id             bigint generated always as identity primary key,
  firm_id        bigint not null references firm,
  person_id      bigint not null references person on delete cascade,
  seed           bigint not null,
  moves          text[] not null default '{}' check (cardinality(moves) <= 60),
  begun_at       timestamptz not null,
  ended_at       timestamptz,
  minutes        double precision,
  finder_minutes double precision,
  check ((ended_at is null) = (minutes is null) and (ended_at is null) = (finder_minutes is null))
);
create index practised_call_person on practised_call (person_id, id);
create index practised_call_firm on practised_call (firm_id, id);
