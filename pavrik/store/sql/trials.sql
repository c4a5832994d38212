-- name: list_trials
-- Trials of set-ups with how they ended, newest first, of one lifter or of the club.
select t.trial_id, lifter_id, lift, setup_a, setup_b, sessions_each, sets, reps, load_kg, started_on,
  said_at, json_version, e.outcome, e.reason, e.ended_at
from setup_trial t left join setup_trial_end e using (club_id, trial_id)
where :lifter_id::uuid is null or lifter_id = :lifter_id
order by number desc;

-- name: add_trial!
-- Begin a trial.
insert into setup_trial (club_id, trial_id, lifter_id, lift, setup_a, setup_b, sessions_each, sets,
  reps, load_kg, started_on, said_at, json_version, said_by)
values (:club_id, :trial_id, :lifter_id, :lift, :setup_a, :setup_b, :sessions_each, :sets,
  :reps, :load_kg, :started_on, :said_at, :json_version, :said_by);

-- name: end_trial!
-- End a trial, once.
insert into setup_trial_end (club_id, trial_id, outcome, reason, ended_at, ended_by)
values (:club_id, :trial_id, :outcome, :reason, :ended_at, :ended_by);
