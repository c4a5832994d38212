-- A lifter's data are his own: everything of one lifter as JSON, and everything of one gone for good.
-- Both look at every table that names the lifter, so that a new table is not forgotten.

create function tables_of_lifter() returns table (name text) language sql stable as $$
  select c.relname::text from pg_class c join pg_attribute a on a.attrelid = c.oid
  where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and a.attname = 'lifter_id'
    and not a.attisdropped
  order by 1
$$;

-- Rows that hang on another row of the lifter's, by the column that both share.
create function hangers_of_lifter() returns table (name text, owner text, by_column text)
language sql immutable as $$
  values ('fault_observation', 'training_set', 'set_id'), ('set_measure', 'training_set', 'set_id'),
    ('pain_clearance', 'pain_flag', 'flag_id'), ('setup_trial_end', 'setup_trial', 'trial_id'),
    ('plan_edit', 'plan', 'series_id')
$$;

create function lifter_facts(wanted uuid) returns jsonb language plpgsql stable as $$
declare
  found jsonb := '{}';
  one record;
  facts jsonb;
begin
  for one in select name from tables_of_lifter() where name not in ('job', 'fit', 'card_link') loop
    execute format(
      'select coalesce(jsonb_agg(to_jsonb(t) - ''club_id''), ''[]'') from %I t where lifter_id = $1',
      one.name) into facts using wanted;
    found := found || jsonb_build_object(one.name, facts);
  end loop;
  for one in select * from hangers_of_lifter() loop
    execute format(
      'select coalesce(jsonb_agg(to_jsonb(t) - ''club_id''), ''[]'') from %I t
       where %I in (select %I from %I where lifter_id = $1)',
      one.name, one.by_column, one.by_column, one.owner) into facts using wanted;
    found := found || jsonb_build_object(one.name, facts);
  end loop;
  return found;
end $$;

-- Only within the club that the transaction names, said on every line, whoever owns the tables. Kept
-- answers that name the lifter, or any of his rows, go with him; the audit trail names ids alone.
create function erase_lifter(wanted uuid) returns void language plpgsql
security definer set search_path = public as $$
declare
  one record;
  left_over text[] := array(select name from tables_of_lifter() where name <> 'lifter');
  told text[];
begin
  select array_agg(distinct id::text) into told from (
    select wanted as id
    union all select set_id from training_set where lifter_id = wanted and club_id = current_club()
    union all select plan_id from plan where lifter_id = wanted and club_id = current_club()
    union all select flag_id from pain_flag where lifter_id = wanted and club_id = current_club()
    union all select link_id from card_link where lifter_id = wanted and club_id = current_club()
    union all select trial_id from setup_trial where lifter_id = wanted and club_id = current_club()
    union all select setup_id from settled_setup where lifter_id = wanted and club_id = current_club()
    union all select prescription_id from prescription where lifter_id = wanted and club_id = current_club()) ids;
  delete from idempotent_write
  where club_id = current_club() and exists (
    select from unnest(told) id where position(id in answer::text) > 0 or key::text = id);
  for one in select * from hangers_of_lifter() loop
    execute format(
      'delete from %I where club_id = current_club() and %I in (
         select %I from %I where lifter_id = $1 and club_id = current_club())',
      one.name, one.by_column, one.by_column, one.owner) using wanted;
  end loop;
  for one in select unnest(left_over) as name loop
    execute format('delete from %I where lifter_id = $1 and club_id = current_club()', one.name) using wanted;
  end loop;
  delete from lifter where lifter_id = wanted and club_id = current_club();
end $$;
revoke all on function erase_lifter(uuid) from public;
grant execute on function erase_lifter(uuid) to pavrik_app;
