-- In which language the household reads its pages and papers.
alter table household add column language text not null default 'en' check (language in ('en', 'de', 'fr', 'es', 'pl'));
