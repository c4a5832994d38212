-- What every request asks is asked in one turn: who a session's token stands for, and the club with its
-- clock. Both run as who calls them, under the same row-level security as before.

create function enter_club(club uuid) returns void language plpgsql as $$
begin
  perform set_config('pavrik.club_id', club::text, true);
  perform set_config('TimeZone', time_zone, true) from club c where c.club_id = club;
end $$;

create function account_of_session(token_digest text)
returns table (
  club_id uuid, coach_id uuid, role text, coach_name text, email text, club_name text, is_demo boolean,
  mass_unit text, length_unit text, csrf_token text
) language plpgsql as $$
#variable_conflict use_column
declare
  signed_in session;
begin
  perform set_config('pavrik.sign_in', $1, true);
  select * into signed_in from session s where s.token_digest = $1 and s.expires_at > now();
  if not found then
    return;
  end if;
  perform set_config('pavrik.club_id', signed_in.club_id::text, true);
  return query
    select c.club_id, c.coach_id, c.role::text, c.name, c.email, b.name, b.is_demo, c.mass_unit,
      c.length_unit, signed_in.csrf_token
    from coach c join club b on b.club_id = c.club_id
    where c.coach_id = signed_in.coach_id and c.club_id = signed_in.club_id and c.left_at is null;
end $$;

-- What an answer of a lifter and the club, or of everybody for nobody's id, rests on: every count of
-- facts, as one that ends late may be the lower.
create function facts_of_answer(whose uuid) returns text language sql stable as $$
  select coalesce(string_agg(c.number::text, ' ' order by c.whose), '') from lifter_change c
  where $1 = '00000000-0000-0000-0000-000000000000'
    or c.whose in ($1, '00000000-0000-0000-0000-000000000000')
$$;

create function look_up_answer(club uuid, whose uuid, kind text, asked text, computed_by text)
returns table (rests_on text, on_day date, answer text) language plpgsql as $$
#variable_conflict use_column
begin
  perform enter_club($1);
  return query
    select at.rests_on, at.on_day, k.answer
    from (select facts_of_answer($2) as rests_on, current_date as on_day) at
    left join kept_answer k on k.whose = $2 and k.kind = $3 and k.asked = $4
      and k.rests_on = at.rests_on and k.on_day = at.on_day and k.computed_by = $5;
end $$;

grant execute on function enter_club(uuid), account_of_session(text), facts_of_answer(uuid),
  look_up_answer(uuid, uuid, text, text, text) to pavrik_app;

-- Whoever renews answers is told of every change, and finds what was asked lately and stands no more.
alter table kept_answer add column question jsonb, add column asked_at timestamptz not null default now();

-- What is kept while somebody is deleted must not come after what is forgotten then: one waits for the
-- other, and an answer whose facts are no more is not kept.
create function forgetting(club uuid) returns bigint language sql immutable as
$$ select hashtextextended('forget ' || club::text, 0) $$;

create function keep_answer(
  club uuid, whose uuid, kind text, asked text, rests_on text, on_day date, computed_by text, answer text,
  question jsonb, renewed boolean
) returns void language plpgsql as $$
#variable_conflict use_column
begin
  perform pg_advisory_xact_lock_shared(forgetting($1));
  if facts_of_answer($2) <> $5 then
    return;
  end if;
  insert into kept_answer (club_id, whose, kind, asked, rests_on, on_day, computed_by, answer, question)
  values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
  on conflict (club_id, whose, kind, asked) do update set rests_on = excluded.rests_on,
    on_day = excluded.on_day, computed_by = excluded.computed_by, answer = excluded.answer,
    question = excluded.question,
    asked_at = case when $10 then kept_answer.asked_at else excluded.asked_at end;
end $$;
grant execute on function
  keep_answer(uuid, uuid, text, text, text, date, text, text, jsonb, boolean) to pavrik_app;

create or replace function forget_answers() returns trigger language plpgsql as $$
begin
  perform pg_advisory_xact_lock(forgetting(old.club_id));
  delete from kept_answer where club_id = old.club_id
    and whose in (old.lifter_id, '00000000-0000-0000-0000-000000000000');
  delete from lifter_change where club_id = old.club_id and whose = old.lifter_id;
  return null;
end $$;

create function tell_change() returns trigger language plpgsql as $$
begin
  perform pg_notify('pavrik_changed', new.club_id::text);
  return null;
end $$;
create trigger tell_change after insert or update on lifter_change
for each row execute function tell_change();

-- What the floor says of caps is kept like every other answer: it follows every fact, not only sets.
drop table lift_summary;
