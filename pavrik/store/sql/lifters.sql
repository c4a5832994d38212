-- name: list_profiles
-- Lifters of the club with the newest profile, by name; those who left only where everyone is asked for.
select lifter_id, name, sex, born_year, mass_kg, stature_m, goal, training_age, walks_out, gear,
  history, said_at
from (
  select distinct on (club_id, lifter_id) * from lifter_profile
  order by club_id, lifter_id, number desc) newest
where :everyone or not exists (select from lifter_away a where a.lifter_id = newest.lifter_id)
order by name;

-- name: list_masses
-- Body mass of a lifter, the last word of every day, oldest first.
select distinct on (said_at::date) said_at::date as on, mass_kg from lifter_profile
where lifter_id = :lifter_id order by said_at::date, number desc;

-- name: list_away
-- Who left the club, by name, and when.
select a.lifter_id, p.name, a.said_at as since from lifter_away a
cross join lateral (
  select name from lifter_profile p where p.lifter_id = a.lifter_id order by number desc limit 1) p
order by p.name;

-- name: away_since
-- Since when a lifter is away; nothing for one who is here.
select said_at from lifter_away where lifter_id = :lifter_id;

-- name: add_presence!
-- A lifter left the club, or is back.
insert into lifter_presence (club_id, presence_id, lifter_id, here, said_by)
values (:club_id, :presence_id, :lifter_id, :here, :said_by);

-- name: get_profile
-- The newest profile of one lifter.
select lifter_id, name, sex, born_year, mass_kg, stature_m, goal, training_age, walks_out, gear,
  history, said_at
from lifter_profile where lifter_id = :lifter_id
order by number desc limit 1;

-- name: add_lifter!
-- A new lifter, still without a profile.
insert into lifter (club_id, lifter_id) values (:club_id, :lifter_id);

-- name: add_profile!
-- A new fact about a lifter; it supersedes the one before.
insert into lifter_profile (club_id, profile_id, lifter_id, name, sex, born_year, mass_kg, stature_m,
  goal, training_age, walks_out, gear, history, said_at, said_by)
values (:club_id, :profile_id, :lifter_id, :name, :sex, :born_year, :mass_kg, :stature_m,
  :goal, :training_age, :walks_out, :gear, :history, :said_at, :said_by);

-- name: list_measurements
-- Newest readings of every landmark that was measured.
select distinct on (landmark) landmark, readings_m, kept_because, taken_at
from measurement where lifter_id = :lifter_id
order by landmark, number desc;

-- name: add_measurement!
-- New readings of a landmark.
insert into measurement (club_id, measurement_id, lifter_id, landmark, readings_m, kept_because,
  taken_at, taken_by)
values (:club_id, :measurement_id, :lifter_id, :landmark, :readings_m, :kept_because,
  :taken_at, :taken_by);

-- name: list_screens
-- Newest result of every screen that was taken.
select distinct on (kind) kind, value, taken_at, readings from screen
where lifter_id = :lifter_id order by kind, number desc;

-- name: add_screen!
-- A new screen result.
insert into screen (club_id, screen_id, lifter_id, kind, value, taken_at, readings, taken_by)
values (:club_id, :screen_id, :lifter_id, :kind, :value, :taken_at, :readings, :taken_by);

-- name: list_open_flags
-- Pain flags that stand, of one lifter or of the whole club.
select flag_id, lifter_id, region, note, raised_at from pain_flag f
where not exists (
    select from pain_clearance c where c.club_id = f.club_id and c.flag_id = f.flag_id)
  and (:lifter_id::uuid is null or lifter_id = :lifter_id)
order by raised_at;

-- name: list_clearances
-- Flags of a lifter that were cleared since a moment, oldest first.
select f.flag_id, f.region, f.raised_at, c.cleared_at from pain_flag f
join pain_clearance c on c.club_id = f.club_id and c.flag_id = f.flag_id
where f.lifter_id = :lifter_id and c.cleared_at >= :since
order by c.cleared_at;

-- name: add_flag!
-- Raise a pain flag.
insert into pain_flag (club_id, flag_id, lifter_id, region, note, raised_at, raised_by)
values (:club_id, :flag_id, :lifter_id, :region, :note, :raised_at, :raised_by);

-- name: clear_flag!
-- Clear a pain flag, with the reason on record.
insert into pain_clearance (club_id, flag_id, reason, cleared_by)
values (:club_id, :flag_id, :reason, :cleared_by);

-- name: list_school_choices
-- Newest choice per question: the club's where no lifter is named, else the lifter's own.
select distinct on (question) question, position from school_choice
where lifter_id is not distinct from :lifter_id
order by question, number desc;

-- name: add_school_choice!
-- Choose a school, for the club or for one lifter.
insert into school_choice (club_id, choice_id, lifter_id, question, position, chosen_by)
values (:club_id, :choice_id, :lifter_id, :question, :position, :chosen_by);

-- name: list_known_lifts
-- What stands of a lifter's told bests and tests: the newest fact of each exercise with a load.
select known_id, exercise, load_kg, reps, rpe, done_on from (
  select distinct on (exercise) * from known_lift where lifter_id = :lifter_id
  order by exercise, number desc) newest
where load_kg is not null order by exercise;

-- name: add_known_lift!
-- A new fact of what was lifted; without a load it takes the one before back.
insert into known_lift (club_id, known_id, lifter_id, exercise, load_kg, reps, rpe, done_on,
  said_at, said_by)
values (:club_id, :known_id, :lifter_id, :exercise, :load_kg, :reps, :rpe, :done_on,
  :said_at, :said_by);

-- name: lifter_facts
-- Everything of a lifter as JSON, by table.
select lifter_facts(:lifter_id);

-- name: erase_lifter
-- Everything of a lifter gone for good.
select erase_lifter(:lifter_id);
