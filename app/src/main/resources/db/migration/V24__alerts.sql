-- When the cameras of a household watch and whom they ring: one document, since hours, phones and rules are looked at together.
create table alert_plan (
  household_id bigint primary key references household on delete cascade,
  plan         jsonb not null check (jsonb_typeof(plan) = 'object'),
  version      int not null default 1
);
