-- name: get_stamp
-- Every count of facts of a lifter and the club, or of everybody: one that ends late may be the lower.
select coalesce(string_agg(number::text, ' ' order by whose), '') as rests_on, current_date as on_day
from lifter_change where :whose = :nobody or whose in (:whose, :nobody);

-- name: find_kept
-- An answer that still stands.
select answer from kept_answer
where whose = :whose and kind = :kind and asked = :asked and rests_on = :rests_on
  and on_day = :on_day and computed_by = :computed_by;

-- name: keep_answer!
-- Keep an answer in the place of the one before.
insert into kept_answer (club_id, whose, kind, asked, rests_on, on_day, computed_by, answer)
values (:club_id, :whose, :kind, :asked, :rests_on, :on_day, :computed_by, :answer)
on conflict (club_id, whose, kind, asked) do update set rests_on = excluded.rests_on,
  on_day = excluded.on_day, computed_by = excluded.computed_by, answer = excluded.answer;

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
