-- What stands is looked up in the turn that says who asks: it runs as who calls it, under the same
-- row-level security as its parts.

create function answer_for_session(token_digest text, whose uuid, kind text, asked text, computed_by text)
returns table (club_id uuid, coach_id uuid, role text, answer text) language plpgsql as $$
#variable_conflict use_column
declare
  who record;
begin
  select a.club_id, a.coach_id, a.role into who from account_of_session($1) a;
  if not found then
    return;
  end if;
  return query
    select who.club_id, who.coach_id, who.role, found.answer
    from look_up_answer(who.club_id, $2, $3, $4, $5) found;
end $$;

grant execute on function answer_for_session(text, uuid, text, text, text) to pavrik_app;
