-- Counts the committed changes of a firm's households, so that every instance knows whether the sums that it keeps are still so.
-- It is counted as a transaction commits: nobody waits for a firm's row while holding others, and many changed houses count once.
create table firm_change (
  firm_id bigint primary key references firm on delete cascade,
  changes bigint not null
);

create function count_firm_change() returns trigger language plpgsql as $$
declare
  whose  bigint := case when tg_op = 'DELETE' then old.firm_id else new.firm_id end;
  counts text := pg_current_xact_id() || ' ' || whose;
begin
  if current_setting('roofnest.counted', true) is distinct from counts then
    insert into firm_change as c (firm_id, changes) select id, 1 from firm where id = whose
      on conflict (firm_id) do update set changes = c.changes + 1;
    perform set_config('roofnest.counted', counts, true);
  end if;
  return null;
end
$$;

create constraint trigger household_counts
  after insert or delete or update of stage, archived_at, due_on, broken on household
  deferrable initially deferred for each row execute function count_firm_change();
