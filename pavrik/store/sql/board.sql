-- name: count_faults
-- Faulty reps, and sets, since a start by lifter and fault, split at an edge.
select s.lifter_id, s.lift, o.fault_id,
  count(*) filter (where s.performed_at >= :edge) as recent,
  count(*) filter (where s.performed_at < :edge) as before,
  count(distinct s.set_id) filter (where s.performed_at >= :edge) as recent_sets,
  count(distinct s.set_id) filter (where s.performed_at < :edge) as sets_before
from standing_set s join fault_observation o using (club_id, set_id)
where s.performed_at >= :start
group by s.lifter_id, s.lift, o.fault_id;

-- name: count_done
-- Reps and sets since a start by lifter and lift, split at an edge.
select lifter_id, lift,
  coalesce(sum(reps + missed_reps) filter (where performed_at >= :edge), 0) as reps,
  coalesce(sum(reps + missed_reps) filter (where performed_at < :edge), 0) as reps_before,
  count(*) filter (where performed_at >= :edge) as sets,
  count(*) filter (where performed_at < :edge) as sets_before
from standing_set where performed_at >= :start
group by lifter_id, lift;

-- name: list_lift_endings
-- Faults that ended a lift, newest first.
select s.lifter_id, s.lift, o.fault_id, s.load_kg, s.performed_at
from standing_set s join fault_observation o using (club_id, set_id)
where s.performed_at >= :since and o.severity = 3
order by s.performed_at desc;

-- name: last_sets
-- When each lifter last trained; one look into the index for each of the lifts.
select l.lifter_id, newest.at from lifter l cross join lateral (
  select max(last.at) as at from lift cross join lateral (
    select performed_at as at from training_set s
    where s.club_id = l.club_id and s.lifter_id = l.lifter_id and s.lift = lift.lift
    order by performed_at desc limit 1) last) newest
where newest.at is not null;

-- name: list_logged_days
-- Lifter, lift and day of everything logged since a moment, on the club's clock.
select distinct lifter_id, lift, performed_at::date from standing_set where performed_at >= :since;
