-- Tests by more protocols, and on whose phones each was made.
alter table trial drop constraint trial_kind_check;
alter table trial add constraint trial_kind_check check (kind in
  ('LIVE_HOME', 'LIVE_AWAY', 'WALK', 'ALERT', 'CLOCK', 'SOUND', 'SIREN', 'POWER_CUT', 'PRIVATE', 'FOOTAGE', 'FROST'));
alter table trial add column phones_did bigint[] not null default '{}';
alter table trial add column phones_did_not bigint[] not null default '{}';
alter table trial add constraint trial_phone_once check (not phones_did && phones_did_not);

alter table proof add column phones_did bigint[] not null default '{}';
alter table proof add column phones_did_not bigint[] not null default '{}';
alter table proof add constraint proof_phone_once check (not phones_did && phones_did_not);
alter table proof add constraint proof_passes_on_every_phone check (not passed or phones_did_not = '{}');
alter table proof drop constraint proof_said_check;
alter table proof add constraint proof_said_check check (length(said) between 1 and 400);

alter table promise drop constraint promise_kind_check;
alter table promise add constraint promise_kind_check check (kind in
  ('MAKE_OUT', 'RECORDED_BEFORE', 'KEEPS_DAYS', 'NEVER_SHOWS', 'ONLY_THESE', 'ALERT_WITHIN', 'LIVE_AWAY'));
alter table promise add constraint promise_away_in_seconds check (kind <> 'LIVE_AWAY' or seconds is not null);

-- A try that came with the household from another firm belongs to no leaving here.
alter table look alter column leaving_id drop not null;
