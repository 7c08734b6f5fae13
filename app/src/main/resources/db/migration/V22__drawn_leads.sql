-- Turns of a way that was drawn, as [[x, y, height], …] in metres; empty for one that was measured.
alter table said_lead add column turns jsonb not null default '[]'
  check (jsonb_typeof(turns) = 'array' and jsonb_array_length(turns) <= 12);
