-- name: find_coach_by_email
-- The coach who signs in with an e-mail.
select club_id, coach_id, email, name, role::text, password_hash, mass_unit, length_unit
from coach where email = :email and left_at is null;

-- name: find_demo_owner
-- The owner of the demo club; row security leaves no other.
select club_id, coach_id, email, name, role::text, password_hash, mass_unit, length_unit
from coach where left_at is null limit 1;

-- name: get_coach
-- One coach of the club.
select club_id, coach_id, email, name, role::text, password_hash, mass_unit, length_unit
from coach where coach_id = :coach_id and left_at is null;

-- name: add_coach!
-- Somebody who signs in.
insert into coach (club_id, coach_id, email, name, role, password_hash, mass_unit, length_unit)
values (:club_id, :coach_id, :email, :name, :role, :password_hash, :mass_unit, :length_unit);

-- name: set_units!
-- Change what a coach reads numbers in.
update coach set mass_unit = :mass_unit, length_unit = :length_unit where coach_id = :coach_id;

-- name: add_club_link!
-- Remember a one-time link for some days.
insert into club_link (token_digest, club_name, owner_email, expires_at)
values (:digest, :club_name, :owner_email, now() + make_interval(days => :days));

-- name: find_club_link
-- A link that is open.
select club_name, owner_email from club_link
where token_digest = :digest and used_at is null and expires_at > now();

-- name: use_club_link!
-- Mark an open link as used.
update club_link set used_at = now()
where token_digest = :digest and used_at is null and expires_at > now();

-- name: own_club_exists
-- Whether there is a club besides the demo.
select exists (select from club where not is_demo);

-- name: lock_first_club
-- Let two who start the first club at once do so one after the other.
select pg_advisory_xact_lock(hashtextextended('first club', 0));

-- name: add_club!
-- A club without anybody in it.
insert into club (club_id, name, is_demo) values (:club_id, :name, :is_demo);

-- name: get_club
-- Name of the club and whether it is the demo.
select name, is_demo from club where club_id = :club_id;

-- name: erase_demo_club
-- Take the demo club away.
select erase_demo_club();

-- name: set_demo_removed!
-- Remember whether the demo club stays away.
update installation set demo_removed_at = case when :removed then now() end;

-- name: demo_is_removed
-- Whether the demo club was taken away.
select demo_removed_at is not null from installation;

-- name: get_today
-- The day it is on the club's clock.
select current_date;

-- name: get_time_zone
-- Name of the zone that the club trains in.
select time_zone from club where club_id = :club_id;

-- name: set_time_zone!
-- Train in another zone that PostgreSQL knows.
update club set time_zone = :name
where club_id = :club_id and exists (select from pg_timezone_names where name = :name);

-- name: delete_expired_sessions!
-- Forget a coach's sessions that are over.
delete from session where coach_id = :coach_id and expires_at < now();

-- name: add_session!
-- Remember a signed-in browser.
insert into session (club_id, token_digest, coach_id, csrf_token, expires_at)
values (:club_id, :token_digest, :coach_id, :csrf_token, :expires_at);

-- name: find_account
-- Coach and club of a session's token, while it lasts.
select * from account_of_session(:token_digest);

-- name: delete_session!
-- Sign a browser out.
delete from session where token_digest = :token_digest;

-- name: delete_old_attempts!
-- Forget a subject's sign-in attempts of long ago.
delete from sign_in_attempt
where subject_digest = :subject and attempted_at < now() - make_interval(mins => :minutes);

-- name: count_attempts
-- Sign-in attempts of a subject that are remembered.
select count(*) from sign_in_attempt where subject_digest = :subject;

-- name: add_attempt!
-- Remember a sign-in attempt.
insert into sign_in_attempt (subject_digest) values (:subject);

-- name: forget_attempts!
-- A successful sign-in clears the slate.
delete from sign_in_attempt where subject_digest = :subject;

-- name: add_audit!
-- Note who did what to which record; no personal data.
insert into audit (club_id, audit_id, coach_id, action, subject)
values (:club_id, :audit_id, :coach_id, :action, :subject);

-- name: lock_key
-- Make two writes with one key wait for each other until the transaction ends.
select pg_advisory_xact_lock(hashtextextended(:key, 0));

-- name: find_write
-- What an idempotency key was used for and what it answered.
select route, request_digest, answer, json_version from idempotent_write where key = :key;

-- name: add_write!
-- Remember what a write answered.
insert into idempotent_write (club_id, key, route, request_digest, answer, json_version)
values (:club_id, :key, :route, :digest, :answer, :json_version);
