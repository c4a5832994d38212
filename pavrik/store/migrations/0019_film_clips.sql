-- Films measured: what was tracked and what it says, never the film itself; what coaches say to it.

create table film_clip (
  club_id       uuid not null,
  clip_id       uuid not null,
  lifter_id     uuid not null,
  lift          text not null references lift (lift),
  load_kg       double precision not null constraint clip_load check (load_kg > 0 and load_kg <= 600),
  filmed_on     date not null,
  way           text not null constraint clip_way check (way in ('film', 'simulated', 'points', 'file')),
  note          text not null default '' constraint clip_note check (length(note) <= 1000),
  film_sha256   text not null default '',
  request       jsonb not null,
  track         jsonb not null,
  answer        jsonb not null,
  json_version  smallint not null constraint clip_json_version check (json_version > 0),
  model_version text not null,
  made_at       timestamptz not null default now(),
  made_by       uuid,
  primary key (club_id, clip_id),
  foreign key (club_id, lifter_id) references lifter
);
create index film_clip_of_lifter on film_clip (club_id, lifter_id, made_at desc);
call protect('film_clip');

create sequence clip_word_number;
create table clip_word (
  club_id  uuid not null,
  word_id  uuid not null,
  clip_id  uuid not null,
  number   bigint not null default nextval('clip_word_number'),
  subject  text not null constraint clip_word_subject check (length(subject) between 1 and 60),
  word     text not null constraint clip_word_word
    check (word in ('confirmed', 'dismissed', 'undecided', 'shown', 'hidden', 'withdrawn', 'logged')),
  words    text not null default '' constraint clip_word_words check (length(words) <= 1000),
  said_at  timestamptz not null default now(),
  said_by  uuid,
  primary key (club_id, word_id),
  foreign key (club_id, clip_id) references film_clip
);
create index clip_word_of_clip on clip_word (club_id, clip_id, number);
grant usage on sequence clip_word_number to pavrik_app;
call protect('clip_word');

alter table job drop constraint job_kind;
alter table job add constraint job_kind check (kind in
  ('squat sureness', 'deadlift sureness', 'club plans', 'film tracked', 'film simulated'));
alter table job add column told text not null default '';
grant update (told) on job to pavrik_app;

create or replace function hangers_of_lifter() returns table (name text, owner text, by_column text)
language sql immutable as $$
  values ('fault_observation', 'training_set', 'set_id'), ('set_measure', 'training_set', 'set_id'),
    ('pain_clearance', 'pain_flag', 'flag_id'), ('setup_trial_end', 'setup_trial', 'trial_id'),
    ('plan_edit', 'plan', 'series_id'), ('clip_word', 'film_clip', 'clip_id')
$$;

-- The ids of every row of a lifter's, by the primary keys of the tables that name the lifter: a new table
-- is not forgotten. Kept answers that name one of them go with the lifter.
create function ids_of_lifter(wanted uuid) returns text[] language plpgsql stable
security definer set search_path = public as $$
declare
  one record;
  more text[];
  found text[] := array[wanted::text];
begin
  for one in
    select t.name, a.attname as id from tables_of_lifter() t
    join pg_index i on i.indrelid = t.name::regclass and i.indisprimary
    join pg_attribute a on a.attrelid = i.indrelid and a.attnum = i.indkey[1]
    where a.atttypid = 'uuid'::regtype and a.attname <> 'lifter_id'
  loop
    execute format(
      'select coalesce(array_agg(%I::text), ''{}'') from %I where lifter_id = $1 and club_id = current_club()',
      one.id, one.name) into more using wanted;
    found := found || more;
  end loop;
  return found;
end $$;
revoke all on function ids_of_lifter(uuid) from public;

-- Only within the club that the transaction names, said on every line, whoever owns the tables. The audit
-- trail names ids alone.
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
