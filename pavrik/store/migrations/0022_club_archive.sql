-- A club comes in with its facts as they were counted elsewhere: counting here goes on behind them.

create function count_on_behind(reached bigint) returns void language plpgsql
security definer set search_path = public as $$
declare
  counter text;
begin
  foreach counter in array array['fact_number', 'plan_edit_number', 'clip_word_number'] loop
    perform setval(counter, greatest(nextval(counter), reached));
  end loop;
end $$;
revoke all on function count_on_behind(bigint) from public;
grant execute on function count_on_behind(bigint) to pavrik_app;
