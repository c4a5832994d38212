-- After much came in at once PostgreSQL is told what is there now: until it looks by itself, a minute
-- later, it plans as if the tables were what they were. Only those are looked through that it never
-- saw, or that have more than doubled. The application may ask for it, and for nothing else that is
-- the owner's.

create function look_through_tables() returns void language plpgsql
security definer set search_path = public as $$
declare
  name text;
begin
  for name in
    select c.relname from pg_class c
    where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and (c.reltuples < 0
      or pg_relation_size(c.oid) > 2 * current_setting('block_size')::bigint * greatest(c.relpages, 1))
    order by c.relname
  loop
    execute format('analyze public.%I', name);
  end loop;
end $$;

revoke all on function look_through_tables() from public;
grant execute on function look_through_tables() to pavrik_app;
