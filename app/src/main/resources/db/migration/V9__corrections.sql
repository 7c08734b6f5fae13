-- Whatever is taken out is kept, with when and by whom, and can be brought back.
alter table household
  add column archived_at timestamptz,
  add column archived_by text,
  add column phone text not null default '' check (length(phone) <= 40),
  add column particulars_version int not null default 0,
  add column counted_at timestamptz;
alter table resident
  add column removed_at timestamptz,
  add column removed_by text,
  add column version int not null default 0;
alter table promise
  add column removed_at timestamptz,
  add column removed_by text;
alter table reading
  add column removed_at timestamptz,
  add column removed_by text;
alter table log_entry
  add column removed_at timestamptz,
  add column removed_by text,
  add column changed_at timestamptz,
  add column changed_by text,
  add column version int not null default 0;
alter table camera add column removed_by text;
alter table hub add column removed_by text;
alter table network
  add column removed_at timestamptz,
  add column removed_by text,
  add column five_off_since timestamptz,
  add column five_off_by text;
drop index network_by_name;
create unique index network_by_name on network (household_id, name) where removed_at is null;
drop index network_for_cameras;
create unique index network_for_cameras on network (household_id) where for_cameras and removed_at is null;
alter table other_thing
  add column removed_at timestamptz,
  add column removed_by text;
update household set counted_at = now() where exists (select from other_thing where household_id = household.id);

-- What stands on every paper and mail of the firm.
alter table firm
  add column address text not null default '' check (length(address) <= 200),
  add column phone text not null default '' check (length(phone) <= 40),
  add column email text not null default '' check (length(email) <= 254),
  add column tax_number text not null default '' check (length(tax_number) <= 40),
  add column mark bytea check (length(mark) <= 300000),
  add column version int not null default 0;

-- A household that is removed goes with all that hangs on it.
do $$
declare
  link record;
begin
  for link in
    select conrelid::regclass as holder, conname, pg_get_constraintdef(oid) as definition
    from pg_constraint
    where contype = 'f' and confdeltype = 'a' and connamespace = 'public'::regnamespace
      and confrelid in ('household'::regclass, 'resident'::regclass, 'camera'::regclass, 'hub'::regclass, 'network'::regclass,
                        'run'::regclass, 'visit'::regclass, 'rejoin'::regclass, 'rehearsal'::regclass)
  loop
    execute format('alter table %s drop constraint %I', link.holder, link.conname);
    execute format('alter table %s add constraint %I %s on delete cascade', link.holder, link.conname, link.definition);
  end loop;
end $$;
create table household_removal (
  id         bigint generated always as identity primary key,
  firm_id    bigint not null references firm,
  removed_at timestamptz not null,
  removed_by text not null
);
create index household_removal_by_firm on household_removal (firm_id, removed_at);
alter table rehearsal add column of_household bigint references household on delete cascade;
update rehearsal set of_household = household.id from household
where household.firm_id = rehearsal.firm_id and rehearsal.job = left(household.name || ' · ' || household.address, 120);
create index rehearsal_of_household on rehearsal (of_household);
-- The ends of a way are no references, for one of them may be the yard.
create function forget_ways() returns trigger language plpgsql as $$
begin
  delete from travel where from_id = old.id;
  return old;
end $$;
create trigger household_ways_go_with_it after delete on household for each row execute function forget_ways();

-- What is next at a household, and whose it is. What a person set stands until the work has moved on.
alter table household
  add column due_person_id bigint references person,
  add column due_by_hand boolean not null default false,
  add column stage_since date;
update household set due_by_hand = due_on is not null;
alter table log_entry drop constraint log_entry_kind_check;
alter table log_entry add constraint log_entry_kind_check
  check (kind in ('NOTE', 'CHARGE', 'CALL', 'RESET', 'FIRMWARE', 'REPAIR'));
alter table log_entry add column next_on date;
alter table log_entry add column closed_at timestamptz;
alter table appointment
  add column sequence int not null default 0,
  add column confirmed_at timestamptz,
  add column proposed text check (length(proposed) <= 200),
  add column cancelled_at timestamptz,
  add column agreed_at timestamptz;

-- Finding things with typing errors forgiven.
create extension if not exists pg_trgm;
alter table household
  add column kept int not null default 0,
  add column thin int not null default 0,
  add column broken int not null default 0,
  add column untried int not null default 0,
  add column area text generated always as
    (case when address like '%,%' then btrim(regexp_replace(address, '^.*,', ''))
          else btrim(regexp_replace(address, '^[0-9]+ ?[a-zA-Z]? ', '')) end) stored;
update household h
set kept = f.kept, thin = f.thin, broken = f.broken, untried = f.untried
from (select household_id, count(*) filter (where standing = 'KEPT') as kept, count(*) filter (where standing = 'THIN') as thin,
             count(*) filter (where standing = 'BROKEN') as broken, count(*) filter (where standing = 'UNTRIED') as untried
      from finding group by household_id) f
where f.household_id = h.id;
alter table finding add column wording text not null default '';
update finding set wording = case split_part(promise_key, '.', 2)
  when 'link' then 'Holds its Wi-Fi link' when 'joins' then 'Can join the house''s Wi-Fi' when 'password' then 'Has a password of its own'
  when 'clear' then 'Its own light does not blind it' when 'reach' then 'Hangs out of arm''s reach'
  when 'battery' then 'Battery lasts through the dark months' else '' end;
create index household_words on household using gin ((name || ' ' || address) gin_trgm_ops);
create index household_by_address on household (firm_id, lower(address));
create index household_by_name on household (firm_id, lower(name) text_pattern_ops);
create index household_by_area on household (firm_id, area);
alter table household add column stage_order int not null generated always as
  (array_position(array['BRIEF', 'SURVEY', 'READY', 'PAIR', 'MOUNT', 'TUNE', 'SHARE', 'PROVE', 'CARE'], stage)) stored;
create index household_open on household (firm_id, stage_order, due_on, name, id) where archived_at is null;
create index household_tally on household (firm_id, stage, due_on) include (broken) where archived_at is null;
create index household_due_person on household (due_person_id) where due_person_id is not null;
create index resident_words on resident using gin ((name || ' ' || email) gin_trgm_ops) where removed_at is null;
create index camera_serial on camera (lower(serial) text_pattern_ops) where serial is not null;
create index hub_serial on hub (lower(serial) text_pattern_ops) where serial is not null;
create index camera_by_model on camera (model_key) where removed_at is null;
create index finding_words on finding using gin (to_tsvector('english', wording));
create index finding_by_standing on finding (standing, household_id);
