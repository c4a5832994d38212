-- name: list_people
-- Everybody who signs in to the club or did.
select coach_id, name, email, role::text, created_at, left_at from coach order by left_at nulls first, created_at, name;

-- name: lock_people!
-- Let two changes of who owns the club happen one after the other.
select pg_advisory_xact_lock(hashtextextended(current_club()::text || ' people', 0));

-- name: bring_back!
-- Somebody who left signs in again, with a name, role and password of now.
update coach set left_at = null, name = :name, role = :role::coach_role, password_hash = :password_hash
where coach_id = :coach_id and left_at is not null;

-- name: set_role!
-- Give somebody another role.
update coach set role = :role::coach_role where coach_id = :coach_id and left_at is null;

-- name: leave_club!
-- Somebody signs in no more.
update coach set left_at = now() where coach_id = :coach_id and left_at is null;

-- name: set_coach_name!
-- Somebody is called otherwise.
update coach set name = :name where coach_id = :coach_id;

-- name: set_password!
-- Somebody signs in with another password.
update coach set password_hash = :password_hash where coach_id = :coach_id and left_at is null;

-- name: list_sessions
-- Signed-in browsers of somebody, newest first.
select token_digest, created_at, expires_at from session
where coach_id = :coach_id and expires_at > now() order by created_at desc;

-- name: end_sessions!
-- Sign somebody's browsers out, but for one.
delete from session where coach_id = :coach_id and token_digest <> :but;

-- name: add_coach_link!
-- Keep a one-time link by its token's digest.
insert into coach_link (club_id, link_id, token_digest, kind, email, role, coach_id, expires_at, made_by)
values (:club_id, :link_id, :digest, :kind, :email, :role::coach_role, :coach_id,
  now() + make_interval(days => :days), :made_by);

-- name: list_coach_links
-- Links that are open, newest first.
select link_id, club_id, kind, email, role::text, coach_id, expires_at from coach_link
where used_at is null and closed_at is null and expires_at > now() order by made_at desc;

-- name: find_coach_link
-- The open link of a token's digest; the transaction must name the digest.
select link_id, club_id, kind, email, role::text, coach_id, expires_at from coach_link
where token_digest = :digest and used_at is null and closed_at is null and expires_at > now();

-- name: use_coach_link!
-- Mark an open link as used.
update coach_link set used_at = now()
where link_id = :link_id and used_at is null and closed_at is null and expires_at > now();

-- name: close_coach_link!
-- Close an open link.
update coach_link set closed_at = now() where link_id = :link_id and used_at is null and closed_at is null;

-- name: list_audit
-- Who did what to whom, newest first; a lifter or coach by name while there is one.
select a.at, coalesce(c.name, '') as who, a.action, coalesce(l.name, other.name, '') as subject
from audit a
left join coach c using (club_id, coach_id)
left join coach other on other.coach_id::text = a.subject
left join lateral (
  select name from lifter_profile p where p.lifter_id::text = a.subject
  order by number desc limit 1) l on true
order by a.at desc, a.audit_id desc limit :most;
