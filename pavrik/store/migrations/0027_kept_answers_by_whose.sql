-- Kept answers again: they rest on the counts of all that they are computed from, and the club's own
-- belong to nobody's id. What was kept is computed anew; a database that has this form already gets it
-- again.

drop table if exists kept_answer, lifter_change;
drop trigger if exists forget_answers on lifter;

create table lifter_change (
  club_id uuid not null,
  whose   uuid not null,
  number  bigint not null,
  primary key (club_id, whose)
);
call protect('lifter_change');
grant update on lifter_change to pavrik_app;

create table kept_answer (
  club_id     uuid not null,
  whose       uuid not null,
  kind        text not null constraint kept_kind check (length(kind) between 1 and 40),
  asked       text not null constraint kept_asked check (length(asked) <= 100),
  rests_on    text not null,
  on_day      date not null,
  computed_by text not null,
  answer      text not null,
  primary key (club_id, whose, kind, asked)
);
call protect('kept_answer');
grant update on kept_answer to pavrik_app;

create or replace function note_change() returns trigger language plpgsql as $$
declare
  fact jsonb := to_jsonb(case when tg_op = 'DELETE' then old else new end);
begin
  if current_setting('pavrik.erasing', true) = 'on' then
    return null;
  end if;
  insert into lifter_change (club_id, whose, number)
  values ((fact ->> 'club_id')::uuid,
    coalesce((fact ->> 'lifter_id')::uuid, '00000000-0000-0000-0000-000000000000'), nextval('fact_number'))
  on conflict (club_id, whose) do update set number = nextval('fact_number');
  return null;
end $$;

-- Answers about the whole club name every lifter: those go with one who is deleted, and his own do.
create or replace function forget_answers() returns trigger language plpgsql as $$
begin
  delete from kept_answer where club_id = old.club_id
    and whose in (old.lifter_id, '00000000-0000-0000-0000-000000000000');
  delete from lifter_change where club_id = old.club_id and whose = old.lifter_id;
  return null;
end $$;
create trigger forget_answers after delete on lifter for each row execute function forget_answers();

create or replace function lifter_facts(wanted uuid) returns jsonb language plpgsql stable as $$
declare
  found jsonb := '{}';
  one record;
  facts jsonb;
begin
  for one in select name from tables_of_lifter() where name not in ('job', 'fit', 'card_link', 'lift_summary')
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

create or replace function erase_lifter(wanted uuid) returns void language plpgsql
security definer set search_path = public as $$
declare
  one record;
  told text[] := ids_of_lifter(wanted);
begin
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
