-- name: look_up_answer
-- What an answer of a club would rest on now, and the one that stands.
select * from look_up_answer(:club_id, :whose, :kind, :asked, :computed_by);

-- name: keep_answer!
-- Keep an answer in the place of the one before; renewed, it was not asked now.
insert into kept_answer (club_id, whose, kind, asked, rests_on, on_day, computed_by, answer, question)
values (:club_id, :whose, :kind, :asked, :rests_on, :on_day, :computed_by, :answer, :question::jsonb)
on conflict (club_id, whose, kind, asked) do update set rests_on = excluded.rests_on,
  on_day = excluded.on_day, computed_by = excluded.computed_by, answer = excluded.answer,
  question = excluded.question,
  asked_at = case when :renewed then kept_answer.asked_at else excluded.asked_at end;

-- name: list_questions_to_renew
-- What somebody asked lately and is answered by facts of before: the club's first, which most ask.
select k.whose, k.kind, k.question from kept_answer k
where k.question is not null and k.asked_at > now() - make_interval(mins => :minutes)
  and (k.computed_by <> :computed_by or k.on_day <> current_date or k.rests_on <> (
    select coalesce(string_agg(c.number::text, ' ' order by c.whose), '') from lifter_change c
    where k.whose = :nobody or c.whose in (k.whose, :nobody)))
order by k.whose = :nobody desc, k.asked_at desc limit :most;

-- name: list_stamps
-- The counts of facts of each of several lifters and the club.
select wanted.whose, coalesce(string_agg(c.number::text, ' ' order by c.whose), ''), current_date
from unnest(:lifter_ids::uuid[]) as wanted (whose)
left join lifter_change c on c.whose in (wanted.whose, :nobody)
group by wanted.whose;

-- name: list_kept
-- Answers of one kind and question about everybody.
select whose, rests_on, on_day, answer from kept_answer
where kind = :kind and asked = :asked and computed_by = :computed_by;
