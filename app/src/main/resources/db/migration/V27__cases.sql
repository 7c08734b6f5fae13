-- Calls about a camera that no longer does what it did: what was answered and tried, in order, and what it was in the end.
create table fault_case (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  camera_id    bigint not null,
  said         text not null check (length(said) <= 400),
  steps        jsonb not null default '[]' check (jsonb_typeof(steps) = 'array'),
  state        text not null default 'OPEN' check (state in ('OPEN', 'CURED', 'VISIT', 'DROPPED')),
  cause        text check (length(cause) between 1 and 40),
  model_key    text not null,
  season       text not null check (season in ('WINTER', 'SPRING', 'SUMMER', 'AUTUMN')),
  opened_by    text not null,
  opened_at    timestamptz not null,
  closed_by    text,
  closed_at    timestamptz,
  version      int not null default 1,
  check ((state in ('CURED', 'DROPPED')) = (closed_at is not null) and (closed_at is null) = (closed_by is null)),
  check ((state = 'CURED') = (cause is not null)),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index fault_case_household on fault_case (household_id, opened_at);

-- A router, a provider or a Wi-Fi password that was changed is an entry by itself: it makes some faults likelier for a while.
alter table log_entry drop constraint log_entry_kind_check;
alter table log_entry add constraint log_entry_kind_check
  check (kind in ('NOTE', 'CHARGE', 'CALL', 'RESET', 'FIRMWARE', 'REPAIR', 'ROUTER'));
