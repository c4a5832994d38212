-- Answers are kept until what they rest on changes. What changed is counted by the database itself, for
-- each lifter and, under nobody's id, for the club: no write can forget it.

create table lifter_change (
  club_id   uuid not null,
  lifter_id uuid not null,
  number    bigint not null,
  primary key (club_id, lifter_id)
);
call protect('lifter_change');
grant update on lifter_change to pavrik_app;

create table kept_answer (
  club_id       uuid not null,
  lifter_id     uuid not null,
  kind          text not null constraint kept_kind check (length(kind) between 1 and 40),
  asked         text not null constraint kept_asked check (length(asked) <= 100),
  number        bigint not null,
  on_day        date not null,
  computed_by   text not null,
  answer        text not null,
  primary key (club_id, lifter_id, kind, asked)
);
call protect('kept_answer');
grant update on kept_answer to pavrik_app;

create function note_change() returns trigger language plpgsql as $$
declare
  whose jsonb := to_jsonb(case when tg_op = 'DELETE' then old else new end);
begin
  if current_setting('pavrik.erasing', true) = 'on' then
    return null;
  end if;
  insert into lifter_change (club_id, lifter_id, number)
  values ((whose ->> 'club_id')::uuid,
    coalesce((whose ->> 'lifter_id')::uuid, '00000000-0000-0000-0000-000000000000'), nextval('fact_number'))
  on conflict (club_id, lifter_id) do update set number = excluded.number;
  return null;
end $$;

do $$
declare
  one record;
begin
  for one in
    select c.relname::text as name from pg_class c join pg_attribute a on a.attrelid = c.oid
    where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and a.attname = 'club_id'
      and not a.attisdropped
      and c.relname not in ('session', 'idempotent_write', 'job', 'fit', 'audit', 'card_link', 'coach_link',
        'lifter_change', 'kept_answer', 'fault_observation', 'set_measure')
  loop
    execute format(
      'create trigger note_change after insert or update on %I for each row execute function note_change()',
      one.name);
  end loop;
  for one in select unnest(array['bar', 'rack', 'plate_stock']) as name loop
    execute format(
      'create trigger note_end after delete on %I for each row execute function note_change()', one.name);
  end loop;
end $$;

-- What only this installation keeps is no fact of a lifter.
create or replace function lifter_facts(wanted uuid) returns jsonb language plpgsql stable as $$
declare
  found jsonb := '{}';
  one record;
  facts jsonb;
begin
  for one in
    select name from tables_of_lifter()
    where name not in ('job', 'fit', 'card_link', 'lift_summary', 'lifter_change', 'kept_answer')
  loop
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

-- What is erased whole leaves no trace of having changed.
create or replace function erase_demo_club() returns void language plpgsql
security definer set search_path = public as $$
declare
  waiting text[];
  later text[];
  one text;
begin
  if exists (select from club where club_id = current_club() and not is_demo) then
    raise exception 'only the demo club can be erased whole';
  end if;
  perform set_config('pavrik.erasing', 'on', true);
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

-- Answers about the whole club name this lifter too: they go, and are computed again.
create or replace function erase_lifter(wanted uuid) returns void language plpgsql
security definer set search_path = public as $$
declare
  one record;
  told text[] := ids_of_lifter(wanted);
begin
  delete from kept_answer where club_id = current_club()
    and lifter_id in (wanted, '00000000-0000-0000-0000-000000000000');
  delete from idempotent_write
  where club_id = current_club() and exists (
    select from unnest(told) id where position(id in answer::text) > 0 or key::text = id);
  for one in select * from hangers_of_lifter() loop
    execute format(
      'delete from %I where club_id = current_club() and %I in (
         select %I from %I where lifter_id = $1 and club_id = current_club())',
      one.name, one.by_column, one.by_column, one.owner) using wanted;
  end loop;
  for one in select name from tables_of_lifter() where name <> 'lifter' loop
    execute format('delete from %I where lifter_id = $1 and club_id = current_club()', one.name) using wanted;
  end loop;
  delete from lifter where lifter_id = wanted and club_id = current_club();
end $$;
