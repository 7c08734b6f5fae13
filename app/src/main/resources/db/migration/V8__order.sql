-- Every lookup by household, run, rehearsal and due day has its index.
create index resident_by_household on resident (household_id);
create index secret_reveal_by_household on secret_reveal (household_id, at);
create index access_grant_by_household on access_grant (household_id, camera_id);
create index mail_by_household on mail (household_id);
create index invitation_by_household on invitation (household_id, resident_id);
create index run_by_household on run (household_id, id);
create index run_by_camera on run (camera_id);
create index run_by_hub on run (hub_id);
create index run_by_rehearsal on run (rehearsal_id, id);
create index visit_by_household on visit (household_id, id);
create index rejoin_by_household on rejoin (household_id);
create index household_due on household (firm_id, due_on);
create index person_by_firm on person (firm_id);
create index travel_to on travel (to_id);
create index log_entry_by_camera on log_entry (household_id, camera_id);

-- What a seal is bound to names its network from form 2 on; those of form 1 are sealed anew as the application starts.
alter table secret add column seal int not null default 1;

-- Kind and camera of a task stand in columns of their own.
alter table visit_task add column kind text;
update visit_task set kind = upper(replace(regexp_replace(task_id, '^camera [0-9]+ ', ''), ' ', '_'));
update visit_task set kind = 'OTHER' where kind not in
  ('ROUTER', 'REJOIN', 'UNPACK', 'PAIR', 'SECURE', 'TRY', 'MOUNT', 'AIM', 'PROVE', 'SHARE', 'HAND_OVER', 'CHARGE');
alter table visit_task alter column kind set not null;

-- Two who set prices at once are told apart.
alter table firm_money add column version int not null default 1;

-- A rehearsal is somebody's, whatever they are called; of those who left it keeps the name alone.
alter table rehearsal add column person_id bigint references person;
update rehearsal set person_id = person.id from person where person.firm_id = rehearsal.firm_id and person.name = rehearsal.person;
create index rehearsal_by_person on rehearsal (person_id);

-- A save of the board that is sent again, because its answer was lost, is told from somebody else's.
alter table camera add column saved_token text check (length(saved_token) <= 64);
alter table camera add column saved_version int;
alter table camera add column saved_by text;

-- What a firm's own runs and tasks come to, kept as sums: nothing ever walks over all of them again.
create table run_experience (
  firm_id   bigint not null references firm,
  model_key text not null,
  way       text not null,
  phone     text not null,
  worked    int not null check (worked >= 0),
  failed    int not null check (failed >= 0),
  timed     int not null check (timed between 0 and worked),
  minutes   double precision not null check (minutes >= 0),
  primary key (firm_id, model_key, way, phone)
);
insert into run_experience (firm_id, model_key, way, phone, worked, failed, timed, minutes)
select h.firm_id, c.model_key, r.way, r.phone, count(*) filter (where r.given_up_at is null),
       count(*) filter (where r.given_up_at is not null),
       count(*) filter (where r.given_up_at is null and r.finished_at - r.started_at <= interval '2 hours'),
       coalesce(sum(extract(epoch from r.finished_at - r.started_at) / 60)
                filter (where r.given_up_at is null and r.finished_at - r.started_at <= interval '2 hours'), 0)
from run r join camera c on c.id = r.camera_id join household h on h.id = r.household_id
where r.finished_at is not null and not r.bench
group by h.firm_id, c.model_key, r.way, r.phone;

create table task_experience (
  firm_id bigint not null references firm,
  kind    text not null,
  tasks   bigint not null check (tasks >= 0),
  ratios  double precision not null check (ratios >= 0),
  primary key (firm_id, kind)
);
insert into task_experience (firm_id, kind, tasks, ratios)
select h.firm_id, t.kind, count(*),
       sum(least(4, greatest(0.25, extract(epoch from t.hands_off_at - t.begun_at) / 60 / t.hands_on)))
from visit_task t join visit v on v.id = t.visit_id join household h on h.id = v.household_id
where v.over_at is not null and t.hands_off_at is not null and t.hands_on > 0
  and t.hands_off_at - t.begun_at >= interval '30 seconds'
group by h.firm_id, t.kind;
