-- A house may have more than one network; cameras join the marked one.
alter table network drop constraint network_pkey;
alter table network add column id bigint generated always as identity primary key;
alter table network add column isolated boolean not null default false;
alter table network add column for_cameras boolean not null default true;
create unique index network_for_cameras on network (household_id) where for_cameras;
create unique index network_by_name on network (household_id, name);

alter table secret add column network_id bigint references network on delete cascade;
update secret set network_id = network.id from network
where secret.kind = 'WIFI_PASSWORD' and network.household_id = secret.household_id;
delete from secret where kind = 'WIFI_PASSWORD' and network_id is null;
drop index secret_of_what;
create unique index secret_of_what on secret (household_id, kind, coalesce(camera_id, 0), coalesce(network_id, 0));
alter table secret add constraint wifi_password_of_a_network check ((kind = 'WIFI_PASSWORD') = (network_id is not null));

-- The box that makes the networks, and the line behind it. Addresses as written on its page.
create table router (
  household_id bigint primary key references household,
  model        text not null check (length(model) <= 60),
  push_button  boolean not null,
  makes_names  boolean not null,
  address      text check (length(address) <= 50),
  pool_from    text check (length(pool_from) <= 50),
  pool_to      text check (length(pool_to) <= 50),
  leases       int check (leases between 0 and 65536),
  up_mbps      double precision check (up_mbps between 0.1 and 10000),
  sim_gb       double precision check (sim_gb between 0.1 and 100000),
  version      int not null,
  check ((address is null) = (pool_from is null) and (address is null) = (pool_to is null) and (address is null) = (leases is null))
);

-- The newest scan of the air about the house, as the scanner printed it.
create table air_scan (
  household_id bigint primary key references household,
  printed      text not null check (length(printed) <= 1000000),
  taken_by     text not null,
  taken_at     timestamptz not null
);

-- Links by which householders get ready, without a log-in. Only hashes of them are kept.
create table preparation (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  to_address   text not null check (length(to_address) <= 254),
  token_hash   bytea not null unique,
  sent_at      timestamptz not null,
  sent_by      text not null,
  expires_at   timestamptz not null,
  revoked_at   timestamptz
);
create index preparation_by_household on preparation (household_id);

create table prepared_item (
  household_id bigint not null references household,
  item         text not null check (length(item) between 1 and 40),
  ticked_at    timestamptz not null,
  primary key (household_id, item)
);

-- Pictures from the household, drawn anew: nothing of the file as it was sent is kept.
create table household_photo (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  what         text not null check (length(what) between 1 and 80),
  jpeg         bytea not null check (length(jpeg) <= 2000000),
  taken_in_at  timestamptz not null
);
create index household_photo_by_household on household_photo (household_id);

-- Who the household says lives there or has left, until the office takes it over.
create table told_person (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household,
  name         text not null check (length(name) between 1 and 80),
  lives_here   boolean not null,
  told_at      timestamptz not null
);
create index told_person_by_household on told_person (household_id);

-- Device models that a firm added, as checked documents.
create table firm_model (
  firm_id   bigint not null references firm,
  model_key text not null check (model_key ~ '^[a-z0-9]+(-[a-z0-9]+)*$' and length(model_key) <= 40),
  document  text not null check (length(document) <= 60000),
  added_by  text not null,
  added_at  timestamptz not null,
  primary key (firm_id, model_key)
);

-- A firm's prices, in hundredths of its currency, and what of a household's kit lies in the van.
create table firm_money (
  firm_id     bigint primary key references firm,
  currency    text not null check (currency ~ '^[A-Z]{3}$'),
  tax_percent numeric(5, 2) not null check (tax_percent between 0 and 100)
);

create table price (
  firm_id  bigint not null references firm,
  item_key text not null check (length(item_key) between 1 and 200),
  cents    bigint not null check (cents between 0 and 100000000),
  primary key (firm_id, item_key)
);

create table kit_check (
  household_id bigint not null references household,
  item_key     text not null check (length(item_key) between 1 and 200),
  checked_by   text not null,
  checked_at   timestamptz not null,
  primary key (household_id, item_key)
);
