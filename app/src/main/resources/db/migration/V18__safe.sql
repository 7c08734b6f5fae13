-- Wrong log-ins are counted by account, address and device, each in a bucket that fills again; the names of buckets are hashes.
drop table login_attempt;
create table rate_limit (
  id         text primary key,
  state      bytea,
  expires_at bigint
);
create index rate_limit_expires on rate_limit (expires_at);

-- Browsers in which somebody signed in before, by the hash of what each keeps.
create table known_device (
  id         bigint generated always as identity primary key,
  person_id  bigint not null references person on delete cascade,
  token_hash bytea not null unique,
  since      timestamptz not null,
  last_used  timestamptz not null
);
create index known_device_person on known_device (person_id, last_used);

-- What somebody asked for who may not do it; what they typed is sealed, for it may be a password.
create table wish (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  asked_by     bigint not null references person on delete cascade,
  asked_at     timestamptz not null,
  act          text not null,
  permission   text not null,
  path         text not null,
  fields       bytea not null,
  settled_at   timestamptz,
  settled_by   text,
  granted      boolean,
  check ((settled_at is null) = (settled_by is null) and (settled_at is null) = (granted is null))
);
create index wish_household on wish (household_id, id);
create index wish_asked_by on wish (asked_by, id);
create unique index wish_asked_once on wish (asked_by, path, act) where settled_at is null;

-- What a mail's link opens is a secret: sealed. Links of older mails are sealed as the application starts, and then stand here no more.
alter table mail add column link_sealed bytea;

-- One known text, sealed by the key of this installation: by it a lost, swapped or foreign key is told at the start.
create table seal_key (
  id     int primary key check (id = 1),
  sealed bytea not null,
  since  timestamptz not null
);

-- Passkeys, in the form that Spring Security expects; the name of an entity is the e-mail address of a person.
create table user_entities (
  id           varchar(1000) primary key,
  name         varchar(254) not null unique references person (email) on update cascade on delete cascade,
  display_name varchar(200)
);
create table user_credentials (
  credential_id                varchar(1000) primary key,
  user_entity_user_id          varchar(1000) not null references user_entities on delete cascade,
  public_key                   bytea not null,
  signature_count              bigint,
  uv_initialized               boolean,
  backup_eligible              boolean not null,
  authenticator_transports     varchar(1000),
  public_key_credential_type   varchar(100),
  backup_state                 boolean not null,
  attestation_object           bytea,
  attestation_client_data_json bytea,
  created                      timestamp,
  last_used                    timestamp,
  label                        varchar(1000) not null
);
create index user_credentials_entity on user_credentials (user_entity_user_id);

-- Acts that were kept on a phone without a line and sent later: each is done once, however often it is sent.
create table act (
  id          uuid primary key,
  person_id   bigint not null references person on delete cascade,
  path        text not null,
  acted_at    timestamptz not null,
  received_at timestamptz not null
);
create index act_received on act (received_at);
create index act_person on act (person_id);
