-- What a visit for a call was found to want when it was decided on.
alter table fault_case
  add column visit_minutes int check (visit_minutes between 1 and 600),
  add column visit_parts text[] not null default '{}' check (cardinality(visit_parts) <= 24);

-- What comes up at a household that was handed over, reckoned anew at every change of it.
create table coming (
  household_id bigint not null references household on delete cascade,
  seq          int not null check (seq >= 0),
  kind         text not null check (kind in ('REPAIR', 'PACK', 'CARD', 'LOOK', 'FIRMWARE', 'TEST', 'GUEST', 'WARRANTY', 'PLAN', 'CONTRACT',
                                             'FROST', 'NOTED')),
  camera_id    bigint,
  on_day       date not null,
  what         text not null check (length(what) between 1 and 200),
  why          text not null check (length(why) between 1 and 200),
  sure         text not null check (sure in ('SAID', 'RECKONED', 'ORDINARY')),
  minutes      int check (minutes between 1 and 600),
  ladder       boolean not null default false,
  early_days   int not null default 0 check (early_days between 0 and 366),
  bring        text[] not null default '{}',
  primary key (household_id, seq),
  check (minutes is not null or (not ladder and early_days = 0 and cardinality(bring) = 0))
);
create index coming_by_day on coming (on_day, household_id);
create table coming_reckoned (
  household_id bigint primary key references household on delete cascade,
  on_day       date not null
);

-- What runs out on a day that somebody wrote down: a warranty, a paid plan.
create table term (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  camera_id    bigint,
  kind         text not null check (kind in ('WARRANTY', 'PLAN')),
  on_day       date not null,
  what         text not null check (length(what) between 1 and 200),
  by_name      text not null,
  version      int not null default 1,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index term_household on term (household_id);

-- A calendar that is read by a secret link, of which only the hash is kept; one for each person of the firm.
create table calendar_feed (
  person_id  bigint primary key references person on delete cascade,
  token_hash bytea not null unique,
  made_at    timestamptz not null,
  read_at    timestamptz
);

-- The logbook's entries change what is known: each kind has its own, some are about somebody, a repair may belong to a call.
alter table log_entry drop constraint log_entry_kind_check;
alter table log_entry add constraint log_entry_kind_check
  check (kind in ('NOTE', 'CHARGE', 'CALL', 'RESET', 'FIRMWARE', 'REPAIR', 'ROUTER', 'LOOK', 'CARD', 'MOVED', 'LEFT', 'PHONE'));
alter table log_entry
  add column resident_id bigint references resident on delete set null,
  add column fault_case_id bigint references fault_case on delete set null;
create index log_entry_by_case on log_entry (fault_case_id) where fault_case_id is not null;
create index log_entry_by_resident on log_entry (resident_id) where resident_id is not null;

-- What an entry said before it was changed.
create table log_entry_was (
  entry_id    bigint not null references log_entry on delete cascade,
  version     int not null,
  kind        text not null,
  camera      text not null,
  words       text not null,
  happened_on date not null,
  by_name     text not null,
  until       timestamptz not null,
  primary key (entry_id, version)
);

-- What a camera shows today, beside the still of the hand-over.
create table care_still (
  camera_id    bigint primary key,
  household_id bigint not null references household on delete cascade,
  jpeg         bytea not null,
  taken_at     timestamptz not null,
  taken_by     text not null,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index care_still_household on care_still (household_id);

-- Something that turned out bad at many houses: who has it is looked up, what was done about it is kept.
create table recall (
  id        bigint generated always as identity primary key,
  firm_id   bigint not null references firm,
  kind      text not null check (kind in ('MODEL', 'FIRMWARE', 'ROUTER', 'PASSWORD')),
  match     text not null check (length(match) <= 120),
  release   text not null default '' check (length(release) <= 40),
  what      text not null check (length(what) between 1 and 400),
  doing     text not null check (length(doing) between 1 and 400),
  opened_by text not null,
  opened_at timestamptz not null,
  closed_by text,
  closed_at timestamptz,
  version   int not null default 1,
  check ((closed_by is null) = (closed_at is null)),
  check ((kind = 'PASSWORD') = (match = '')),
  check ((kind = 'FIRMWARE') = (release <> ''))
);
create index recall_firm on recall (firm_id, opened_at);
create table recall_step (
  recall_id    bigint not null references recall on delete cascade,
  household_id bigint not null references household on delete cascade,
  -- 0 for the whole house.
  camera_id    bigint not null default 0,
  told_by      text,
  told_at      timestamptz,
  done_by      text,
  done_at      timestamptz,
  primary key (recall_id, household_id, camera_id),
  check ((told_by is null) = (told_at is null)),
  check ((done_by is null) = (done_at is null))
);
create index recall_step_household on recall_step (household_id);
