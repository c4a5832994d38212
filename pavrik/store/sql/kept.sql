-- name: get_stamp
-- How far a lifter's facts and the club's own are counted, and the day it is there.
select coalesce(max(number), 0) as number, current_date as on_day from lifter_change
where lifter_id in (:lifter_id, :nobody);

-- name: get_club_stamp
-- How far all facts of the club are counted, and the day it is there.
select coalesce(max(number), 0) as number, current_date as on_day from lifter_change;

-- name: find_kept
-- An answer that still stands.
select answer from kept_answer
where lifter_id = :lifter_id and kind = :kind and asked = :asked and number = :number
  and on_day = :on_day and computed_by = :computed_by;

-- name: keep_answer!
-- Keep an answer in the place of the one before.
insert into kept_answer (club_id, lifter_id, kind, asked, number, on_day, computed_by, answer)
values (:club_id, :lifter_id, :kind, :asked, :number, :on_day, :computed_by, :answer)
on conflict (club_id, lifter_id, kind, asked) do update set number = excluded.number,
  on_day = excluded.on_day, computed_by = excluded.computed_by, answer = excluded.answer;
