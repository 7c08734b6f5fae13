-- Keys by which the firm's own scripts read, of which only the hash is kept.
create table script_key (
  id         bigint generated always as identity primary key,
  firm_id    bigint not null references firm,
  name       text not null check (length(name) between 1 and 80),
  token_hash bytea not null unique,
  made_by    text not null,
  made_at    timestamptz not null,
  used_at    timestamptz,
  ended_by   text,
  ended_at   timestamptz,
  check ((ended_by is null) = (ended_at is null))
);
create index script_key_firm on script_key (firm_id);

-- Addresses that are told when something is due, with the word by which they know that it was told by us.
create table due_hook (
  id         bigint generated always as identity primary key,
  firm_id    bigint not null references firm,
  url        text not null check (length(url) between 1 and 400),
  sealed     bytea not null,
  made_by    text not null,
  made_at    timestamptz not null,
  ended_by   text,
  ended_at   timestamptz,
  check ((ended_by is null) = (ended_at is null))
);
create index due_hook_firm on due_hook (firm_id);
create table due_told (
  id           bigint generated always as identity primary key,
  hook_id      bigint not null references due_hook on delete cascade,
  household_id bigint not null references household on delete cascade,
  kind         text not null,
  camera_id    bigint not null default 0,
  on_day       date not null,
  body         text not null,
  made_at      timestamptz not null,
  tries        int not null default 0,
  next_try_at  timestamptz not null,
  ended_at     timestamptz,
  -- Whether the other side said that it has it.
  taken        boolean not null default false,
  answer       text not null default '' check (length(answer) <= 200),
  unique (hook_id, household_id, kind, camera_id, on_day),
  check (ended_at is not null or not taken)
);
create index due_told_household on due_told (household_id);
create index due_told_waiting on due_told (next_try_at) where ended_at is null;
