-- name: list_sets
-- Standing sets, newest first: amended and withdrawn ones are left out.
select set_id, lifter_id, replaces, lift, variation, load_kg, reps, missed_reps, rpe, aimed_rpe,
  pull_style, schools, note, performed_at, withdrawn, cue, gear
from standing_set
where (:lifter_id::uuid is null or lifter_id = :lifter_id)
  and (:lift::text is null or lift = :lift)
order by performed_at desc, set_id desc limit :most;

-- name: get_set
-- One set, standing or not.
select set_id, lifter_id, replaces, lift, variation, load_kg, reps, missed_reps, rpe, aimed_rpe,
  pull_style, schools, note, performed_at, withdrawn, cue, gear
from training_set where set_id = :set_id;

-- name: list_known_ids
-- Those of the ids that are on record.
select set_id from training_set where set_id = any(:set_ids);

-- name: lock_amendments!
-- Let amendments of one club's log wait for each other.
select pg_advisory_xact_lock(hashtextextended('amend ' || :club_id::text, 0));

-- name: standing_version
-- The newest version of a set, withdrawn or not.
with recursive version as (
  select s.* from training_set s where set_id = :set_id
  union all
  select newer.* from training_set newer
  join version on newer.club_id = version.club_id and newer.replaces = version.set_id)
select set_id, lifter_id, replaces, lift, variation, load_kg, reps, missed_reps, rpe, aimed_rpe,
  pull_style, schools, note, performed_at, withdrawn, cue, gear
from version where not exists (select from version newer where newer.replaces = version.set_id);

-- name: list_set_versions
-- A set and all that it replaced, newest first.
with recursive version as (
  select s.*, 0 as age from training_set s where set_id = :set_id
  union all
  select older.*, version.age + 1 from training_set older
  join version on older.club_id = version.club_id and older.set_id = version.replaces)
select set_id, lifter_id, replaces, lift, variation, load_kg, reps, missed_reps, rpe, aimed_rpe,
  pull_style, schools, note, performed_at, withdrawn, cue, gear
from version order by age;

-- name: add_set!
-- Log a set.
insert into training_set (club_id, set_id, lifter_id, replaces, lift, variation, load_kg, reps,
  missed_reps, rpe, aimed_rpe, pull_style, schools, note, performed_at, withdrawn, cue, gear,
  logged_by)
values (:club_id, :set_id, :lifter_id, :replaces, :lift, :variation, :load_kg, :reps,
  :missed_reps, :rpe, :aimed_rpe, :pull_style, :schools, :note, :performed_at, :withdrawn, :cue,
  :gear, :logged_by);

-- name: add_observation!
-- A fault seen in one phase of one rep.
insert into fault_observation (club_id, observation_id, set_id, rep, fault_id, phase, severity, side,
  film_s, note)
values (:club_id, :observation_id, :set_id, :rep, :fault_id, :phase, :severity, :side,
  :film_s, :note);

-- name: has_shown$
-- Whether a fault was seen in a standing set of a lifter.
select exists (select from fault_observation seen join standing_set s using (club_id, set_id)
  where s.lifter_id = :lifter_id and seen.fault_id = :fault_id);

-- name: list_observations
-- What was seen in each of the sets, in the order of the reps.
select set_id, observation_id, rep, fault_id, phase, severity, side, film_s, note
from fault_observation where set_id = any(:set_ids) order by rep, observation_id;

-- name: add_measure!
-- Something measured in a set.
insert into set_measure (club_id, set_id, kind, value) values (:club_id, :set_id, :kind, :value);

-- name: list_measures
-- What was measured in each of the sets.
select set_id, kind, value from set_measure where set_id = any(:set_ids) order by kind;

-- name: add_prescription!
-- Keep a prescribed load with what it rests on.
insert into prescription (club_id, prescription_id, lifter_id, lift, inputs, answer, overruled_kg,
  overruled_because, model_version, prescribed_at, json_version, prescribed_by)
values (:club_id, :prescription_id, :lifter_id, :lift, :inputs, :answer, :overruled_kg,
  :overruled_because, :model_version, :prescribed_at, :json_version, :prescribed_by);

-- name: list_prescriptions
-- Prescribed loads, newest first, of one lifter or of the club.
select prescription_id, lifter_id, lift, answer, overruled_kg, overruled_because, prescribed_at,
  json_version
from prescription where :lifter_id::uuid is null or lifter_id = :lifter_id
order by number desc limit :most;
