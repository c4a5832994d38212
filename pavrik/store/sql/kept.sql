-- name: look_up_answer
-- What an answer of a club would rest on now, and the one that stands.
select * from look_up_answer(:club_id, :whose, :kind, :asked, :computed_by);

-- name: find_answer_for_session
-- Who asks, by the session's token, and the answer that stands.
select * from answer_for_session(:token_digest, :whose, :kind, :asked, :computed_by);

-- name: keep_answer!
-- Keep an answer in the place of the one before, where its facts are what they were.
select keep_answer(:club_id, :whose, :kind, :asked, :rests_on, :on_day, :computed_by, :answer,
  :question, :renewed);

-- name: find_question_to_renew
-- What somebody asked lately and is answered by facts of before: the club's first, which most ask.
select k.whose, k.kind, k.question from kept_answer k
where k.question is not null and k.asked_at > now() - make_interval(mins => :minutes)
  and (k.computed_by <> :computed_by or k.on_day <> current_date
    or k.rests_on <> facts_of_answer(k.whose))
order by k.whose = :nobody desc, k.asked_at desc limit 1;

-- name: give_up_question!
-- A question counts as not asked until somebody asks it again.
update kept_answer set asked_at = '-infinity' where whose = :whose and kind = :kind and asked = :asked;

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
