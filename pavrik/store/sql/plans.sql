-- name: newest_plan
-- The newest version of a lifter's plan, withdrawn or not.
select plan_id, lifter_id, series_id, replaces, withdrawn, json_version, ask, answer, changes,
  model_version, made_at
from plan where lifter_id = :lifter_id order by number desc limit 1;

-- name: list_versions
-- Every version of a plan, newest first.
select plan_id, lifter_id, series_id, replaces, withdrawn, json_version, ask, answer, changes,
  model_version, made_at
from plan where series_id = :series_id order by number desc;

-- name: standing_plans
-- The newest plan of every lifter of the club, without withdrawn ones.
select plan_id, lifter_id, series_id, replaces, withdrawn, json_version, ask, answer, changes,
  model_version, made_at
from (
  select distinct on (lifter_id) * from plan
  order by lifter_id, number desc) newest
where not withdrawn;

-- name: add_plan!
-- Keep a version of a plan.
insert into plan (club_id, plan_id, lifter_id, series_id, replaces, withdrawn, json_version, ask,
  answer, changes, model_version, made_at, made_by)
values (:club_id, :plan_id, :lifter_id, :series_id, :replaces, :withdrawn, :json_version, :ask,
  :answer, :changes, :model_version, :made_at, :made_by);

-- name: add_edit!
-- What a coach does to a plan by hand.
insert into plan_edit (club_id, edit_id, series_id, kind, line_id, day_id, to_date, lift, name, sets,
  reps, rpe, load_kg, rest_s, note, weekly, dropped, undoes, reason, said_by)
values (:club_id, :edit_id, :series_id, :kind, :line_id, :day_id, :to_date,
  nullif(nullif(:lift, ''), 'other'), :name, :sets,
  :reps, :rpe, :load_kg, :rest_s, :note, :weekly, :dropped, :undoes, :reason, :said_by);

-- name: list_edits
-- Everything done to a plan by hand, in order.
select edit_id, kind, line_id, day_id, to_date, e.name, sets, reps, rpe, load_kg, rest_s, note,
  weekly, dropped, undoes, reason, said_at, c.name as coach,
  coalesce(lift, case kind when 'add' then 'other' else '' end) as lift
from plan_edit e join coach c on c.club_id = e.club_id and c.coach_id = e.said_by
where series_id = :series_id order by number;

-- name: add_variation_word!
-- A coach's word on a variation for a lifter.
insert into variation_word (club_id, word_id, lifter_id, variation, word, reason, said_by)
values (:club_id, :word_id, :lifter_id, :variation, :word, :reason, :said_by);

-- name: variation_words
-- The newest word on every variation, without those that were taken back.
select variation, word, reason, coach from (
  select distinct on (variation) variation, word, reason, c.name as coach
  from variation_word w join coach c on c.club_id = w.club_id and c.coach_id = w.said_by
  where lifter_id = :lifter_id order by variation, number desc) newest
where word <> 'as computed';

-- name: add_link!
-- Keep a link to a lifter's card by its token's digest.
insert into card_link (club_id, link_id, lifter_id, token_digest, expires_at, made_at, made_by)
values (:club_id, :link_id, :lifter_id, :digest, :expires_at, :made_at, :made_by);

-- name: list_links
-- Links of a lifter, newest first.
select link_id, club_id, lifter_id, expires_at, made_at, made_by, revoked_at
from card_link where lifter_id = :lifter_id order by made_at desc;

-- name: find_link
-- The link of a token's digest; the transaction must name the digest.
select link_id, club_id, lifter_id, expires_at, made_at, made_by, revoked_at
from card_link where token_digest = :digest;

-- name: revoke_link!
-- Close a link that is open.
update card_link set revoked_at = :at where link_id = :link_id and revoked_at is null;
