-- Answers are kept until what they rest on changes. What changed is counted by the database itself, for
-- each lifter and, under nobody's id, for the club: no write can forget it.

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

create function note_change() returns trigger language plpgsql as $$
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

-- Answers about the whole club name every lifter: those go with one who is deleted, and his own do.
create function forget_answers() returns trigger language plpgsql as $$
begin
  delete from kept_answer where club_id = old.club_id
    and whose in (old.lifter_id, '00000000-0000-0000-0000-000000000000');
  delete from lifter_change where club_id = old.club_id and whose = old.lifter_id;
  return null;
end $$;
create trigger forget_answers after delete on lifter for each row execute function forget_answers();
