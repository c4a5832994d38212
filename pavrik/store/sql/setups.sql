-- name: find_fit
-- A fit that was already computed from the same inputs.
select answer from fit
where lifter_id = :lifter_id and lift = :lift and inputs_digest = :digest
  and model_version = :model_version and json_version = :json_version;

-- name: add_fit!
-- Keep a computed fit; the same one computed at the same time elsewhere is kept once.
insert into fit (club_id, fit_id, lifter_id, lift, inputs, inputs_digest, answer, model_version,
  json_version)
values (:club_id, :fit_id, :lifter_id, :lift, :inputs, :digest, :answer, :model_version,
  :json_version)
on conflict on constraint fit_once do nothing;

-- name: newest_settled
-- What a lifter is settled on now.
select setup_id, lifter_id, lift, setup, inputs, inputs_digest, prediction, model_version, seed,
  reason, settled_at, json_version
from settled_setup where lifter_id = :lifter_id and lift = :lift
order by number desc limit 1;

-- name: list_settled
-- Every settled set-up, newest first, of one lifter or of the club.
select setup_id, lifter_id, lift, setup, inputs, inputs_digest, prediction, model_version, seed,
  reason, settled_at, json_version
from settled_setup where :lifter_id::uuid is null or lifter_id = :lifter_id
order by number desc;

-- name: add_settled!
-- Settle on a set-up; it supersedes the one before.
insert into settled_setup (club_id, setup_id, lifter_id, lift, setup, inputs, inputs_digest,
  prediction, model_version, seed, reason, settled_at, json_version, settled_by)
values (:club_id, :setup_id, :lifter_id, :lift, :setup, :inputs, :inputs_digest,
  :prediction, :model_version, :seed, :reason, :settled_at, :json_version, :settled_by);
