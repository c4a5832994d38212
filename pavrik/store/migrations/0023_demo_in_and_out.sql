-- The demo club can be taken away whole, and stays away until it is asked for again.

create table installation (
  only_row        boolean primary key default true constraint installation_once check (only_row),
  demo_removed_at timestamptz
);
insert into installation default values;
grant select, update on installation to pavrik_app;

-- Every row of the demo club that the transaction names. Tables that others still refer to wait for the
-- next round.
create function erase_demo_club() returns void language plpgsql
security definer set search_path = public as $$
declare
  waiting text[];
  later text[];
  one text;
begin
  if exists (select from club where club_id = current_club() and not is_demo) then
    raise exception 'only the demo club can be erased whole';
  end if;
  select array_agg(c.relname::text) into waiting
  from pg_class c join pg_attribute a on a.attrelid = c.oid
  where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and a.attname = 'club_id'
    and not a.attisdropped;
  while cardinality(waiting) > 0 loop
    later := '{}';
    foreach one in array waiting loop
      begin
        execute format('delete from %I where club_id = current_club()', one);
      exception when foreign_key_violation then
        later := later || one;
      end;
    end loop;
    if later = waiting then
      raise exception 'these tables refer to each other: %', later;
    end if;
    waiting := later;
  end loop;
end $$;
revoke all on function erase_demo_club() from public;
grant execute on function erase_demo_club() to pavrik_app;
