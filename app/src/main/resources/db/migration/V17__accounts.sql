-- People of the firm: blocked and let in again, and a password set anew by a link that is good once and for an hour.
alter table person add column blocked_at timestamptz;
alter table person add column blocked_by text;
alter table person add constraint person_blocked_by_somebody check ((blocked_at is null) = (blocked_by is null));

create table password_reset (
  id         bigint generated always as identity primary key,
  person_id  bigint not null references person on delete cascade,
  token_hash bytea not null unique,
  made_at    timestamptz not null,
  made_by    text not null,
  expires_at timestamptz not null,
  used_at    timestamptz
);
create index password_reset_person on password_reset (person_id);
