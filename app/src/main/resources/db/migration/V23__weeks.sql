-- What goes on about a house, by which its ordinary weeks are drawn. Rates are events on a weekday, by kind of source, of those of which
-- somebody knows better than the ordinary ones.
create table house_comings (
  household_id bigint primary key references household on delete cascade,
  house_kind   text not null check (house_kind in ('TERRACE', 'LANE', 'SUBURB', 'VILLAGE', 'FARM')),
  rates        jsonb not null default '{}' check (jsonb_typeof(rates) = 'object'),
  version      int not null default 1
);

-- How a camera's sensor and its kinds are set; both empty for as it comes.
alter table camera
  add column sensitivity int check (sensitivity between 0 and 99),
  add column kinds text[] check (cardinality(kinds) between 1 and 6),
  -- How it was set before other settings were taken for it, to take them back.
  add column set_before jsonb check (jsonb_typeof(set_before) = 'object'),
  add constraint camera_watching_whole check ((sensitivity is null) = (kinds is null));
