-- What a job costs: what was agreed for it, the quotations that went out, and the bills that follow them.
alter table firm_money add column valid_days int not null default 30 check (valid_days between 1 and 365);
alter table firm_money add column pay_days int not null default 14 check (pay_days between 0 and 365);
alter table firm_money add column terms text not null default '' check (length(terms) <= 1000);

create table job_price (
  household_id     bigint primary key references household on delete cascade,
  travel_km        int not null check (travel_km between 0 and 5000),
  discount_percent numeric(5, 2) not null check (discount_percent between 0 and 100),
  version          int not null
);

create table own_line (
  id           bigint generated always as identity primary key,
  household_id bigint not null references household on delete cascade,
  what         text not null check (length(what) between 1 and 120),
  quantity     int not null check (quantity between 1 and 10000),
  each_cents   bigint not null check (each_cents between 0 and 100000000),
  added_at     timestamptz not null,
  added_by     text not null
);
create index own_line_household on own_line (household_id, id);

-- One row a firm, kind and year: numbers follow one another and none is used twice, even after a household was removed.
create table paper_number (
  firm_id bigint not null references firm,
  kind    text not null check (kind in ('QUOTATION', 'BILL')),
  year    int not null,
  last    int not null check (last > 0),
  primary key (firm_id, kind, year)
);

create table quotation (
  id               bigint generated always as identity primary key,
  firm_id          bigint not null references firm,
  household_id     bigint not null references household on delete cascade,
  year             int not null,
  number           int not null,
  issued_at        timestamptz not null,
  issued_by        text not null,
  valid_until      date not null,
  addressed_to     text not null check (length(addressed_to) between 1 and 300),
  currency         text not null check (currency ~ '^[A-Z]{3}$'),
  lines            jsonb not null,
  discount_percent numeric(5, 2) not null,
  tax_percent      numeric(5, 2) not null,
  net_cents        bigint not null,
  tax_cents        bigint not null,
  terms            text not null check (length(terms) <= 1000),
  answer           text check (answer in ('ACCEPTED', 'DECLINED', 'REPLACED')),
  answered_on      date,
  answered_by      text check (length(answered_by) between 1 and 80),
  unique (firm_id, year, number),
  check ((answer is null) = (answered_on is null) and (answer is null) = (answered_by is null))
);
create index quotation_household on quotation (household_id, id);
create unique index quotation_open_once on quotation (household_id) where answer is null;

-- A bill stays in the firm's books when its household is removed.
create table bill (
  id               bigint generated always as identity primary key,
  firm_id          bigint not null references firm,
  household_id     bigint references household on delete set null,
  quotation_id     bigint references quotation on delete set null,
  cancels_id       bigint unique references bill,
  year             int not null,
  number           int not null,
  issued_at        timestamptz not null,
  issued_by        text not null,
  due_on           date not null,
  addressed_to     text not null check (length(addressed_to) between 1 and 300),
  currency         text not null check (currency ~ '^[A-Z]{3}$'),
  lines            jsonb not null,
  discount_percent numeric(5, 2) not null,
  tax_percent      numeric(5, 2) not null,
  net_cents        bigint not null,
  tax_cents        bigint not null,
  terms            text not null check (length(terms) <= 1000),
  paid_on          date,
  paid_noted_by    text,
  unique (firm_id, year, number),
  check ((paid_on is null) = (paid_noted_by is null))
);
create index bill_household on bill (household_id, id);
create index bill_firm on bill (firm_id, year, number);

create function paper_stays() returns trigger language plpgsql as $$
begin
  if (new.number, new.year, new.lines, new.net_cents, new.tax_cents, new.issued_at, new.addressed_to, new.terms, new.currency)
     is distinct from
     (old.number, old.year, old.lines, old.net_cents, old.tax_cents, old.issued_at, old.addressed_to, old.terms, old.currency) then
    raise exception 'an issued paper is never changed';
  end if;
  return new;
end $$;
create trigger quotation_stays before update on quotation for each row execute function paper_stays();
create trigger bill_stays before update on bill for each row execute function paper_stays();
