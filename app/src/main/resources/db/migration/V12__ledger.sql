-- Who can look, as it is: what somebody knows, which screens show cameras, and what tries to look have shown.
alter table resident drop constraint resident_tie_check;
alter table resident add constraint resident_tie_check 
  check (tie in ('LIVES_HERE', 'FAMILY', 'RENTS_HERE', 'COMES_HERE', 'LEFT', 'FIRM'));

alter table access_grant add column from_on date check (from_on is null or role = 'GUEST' and from_on <= until_on);
alter table access_grant add column alerts boolean not null default true;

-- A secret that somebody knows until it is changed: of a network, a camera, a hub, or of the account of somebody else.
create table known (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  resident_id  bigint not null,
  kind         text not null check (kind in ('WIFI', 'DEVICE', 'HUB', 'ACCOUNT')),
  network_id   bigint references network on delete cascade,
  camera_id    bigint,
  hub_id       bigint references hub on delete cascade,
  account_of   bigint references resident on delete cascade,
  since        date not null,
  how          text not null check (length(how) between 1 and 200),
  noted_by     text not null,
  ended_on     date,
  ended_by     text,
  ended_how    text check (length(ended_how) between 1 and 200),
  foreign key (household_id, resident_id) references resident (household_id, id) on delete cascade,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade,
  check ((kind = 'WIFI') = (network_id is not null) and (kind = 'DEVICE') = (camera_id is not null)
         and (kind = 'HUB') = (hub_id is not null) and (kind = 'ACCOUNT') = (account_of is not null)),
  check (account_of is distinct from resident_id),
  check ((ended_on is null) = (ended_by is null) and (ended_on is null) = (ended_how is null))
);
create unique index known_once on known (household_id, resident_id, kind, coalesce(network_id, camera_id, hub_id, account_of))
  where ended_on is null;

-- Kit without invitations is shared by telling its password: whoever was given it so far was told it.
insert into known (household_id, resident_id, kind, camera_id, since, how, noted_by)
select g.household_id, g.resident_id, 'DEVICE', g.camera_id, current_date, 'given before what was told was noted', 'Roof Nest'
from access_grant g
join camera c on c.id = g.camera_id
where c.model_key in ('tarrowby-turn', 'tarrowby-turn-air', 'vellin-ridge', 'vellin-dome')
   or exists (select 1 from firm_model m join household h on h.firm_id = m.firm_id
              where h.id = c.household_id and m.model_key = c.model_key and m.document::jsonb ->> 'sharing' = 'told-secret');

-- A display, a voice assistant or a television that shows cameras to whoever stands before it.
create table screen (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  name         text not null check (length(name) between 1 and 60),
  room         text not null check (length(room) between 1 and 60),
  linked_by    bigint not null,
  since        date not null,
  noted_by     text not null,
  foreign key (household_id, linked_by) references resident (household_id, id) on delete cascade
);
create index screen_household on screen (household_id);
create table screen_camera (
  household_id bigint not null references household on delete cascade,
  screen_id    bigint not null references screen on delete cascade,
  camera_id    bigint not null,
  primary key (household_id, screen_id, camera_id),
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);

-- Somebody is being shut out: what was done, what that made necessary, and what their tries to look have shown.
create table leaving (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  resident_id  bigint not null,
  on_stand_ins boolean not null,
  they_help    boolean not null,
  out_of_wifi  boolean not null,
  camera_ids   bigint[] not null,
  begun_at     timestamptz not null,
  begun_by     text not null,
  over_at      timestamptz,
  over_by      text,
  foreign key (household_id, resident_id) references resident (household_id, id) on delete cascade,
  check ((over_at is null) = (over_by is null))
);
create unique index leaving_once on leaving (household_id, resident_id, on_stand_ins) where over_at is null;
create table leaving_step (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  leaving_id   bigint not null references leaving on delete cascade,
  follows      boolean not null,
  kind         text not null check (length(kind) between 1 and 20),
  person_id    bigint not null,
  target_id    bigint not null,
  role         text check (role in ('OWNER', 'MANAGER', 'VIEWER', 'GUEST')),
  words        text not null check (length(words) between 1 and 400),
  done_at      timestamptz,
  done_by      text,
  unique (leaving_id, follows, kind, person_id, target_id),
  check ((done_at is null) = (done_by is null))
);
create index leaving_step_household on leaving_step (household_id, leaving_id);
create table look (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  leaving_id   bigint not null references leaving on delete cascade,
  resident_id  bigint not null,
  camera_id    bigint not null,
  refused      boolean not null,
  said         text not null check (length(said) <= 200),
  on_stand_ins boolean not null,
  at           timestamptz not null,
  by_name      text not null,
  foreign key (household_id, resident_id) references resident (household_id, id) on delete cascade,
  foreign key (household_id, camera_id) references camera (household_id, id) on delete cascade
);
create index look_household on look (household_id, resident_id, camera_id);

-- How far an invitation is, as the household's own phone tells it.
alter table invitation add column opened_at timestamptz;
alter table invitation add column declined_at timestamptz;
alter table invitation add column called_back_at timestamptz;
alter table invitation add column hindrance text check (hindrance in ('WRONG_ACCOUNT', 'NO_ACCOUNT', 'FULL'));
alter table invitation add column hindrance_said text check (length(hindrance_said) <= 300);
alter table invitation add constraint accepted_or_declined check (accepted_at is null or declined_at is null);
update invitation i set called_back_at = sent_at
where accepted_at is null and exists (select 1 from invitation j where j.resident_id = i.resident_id and j.id > i.id);

-- What somebody of the household was shown, did alone on their own phone, and could still do a week later.
create table lesson (
  household_id bigint not null references household on delete cascade,
  resident_id  bigint not null,
  item         text not null check (length(item) between 1 and 20),
  shown_at     timestamptz,
  shown_by     text,
  alone_at     timestamptz,
  alone_by     text,
  again_at     timestamptz,
  again_by     text,
  again        boolean,
  primary key (household_id, resident_id, item),
  foreign key (household_id, resident_id) references resident (household_id, id) on delete cascade,
  check ((shown_at is null) = (shown_by is null) and (alone_at is null) = (alone_by is null)),
  check ((again_at is null) = (again_by is null) and (again_at is null) = (again is null))
);

-- Tests of what is never to be shown, and of how long footage is kept, which is counted a week later.
alter table trial drop constraint trial_kind_check;
alter table trial add constraint trial_kind_check
  check (kind in ('LIVE_HOME', 'LIVE_AWAY', 'WALK', 'ALERT', 'PRIVATE', 'FOOTAGE'));
