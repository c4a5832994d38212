-- Clubs, coaches, sessions. Every table's key starts with club_id; row-level security is forced, and
-- the club is set per transaction in pavrik.club_id. Signing in knows no club yet: it sees the one
-- coach whose e-mail, or the one session whose token digest, it names.

create function current_club() returns uuid language sql stable as
$$ select nullif(current_setting('pavrik.club_id', true), '')::uuid $$;

create function named_by_sign_in() returns text language sql stable as
$$ select nullif(current_setting('pavrik.sign_in', true), '') $$;

create type coach_role as enum ('owner', 'coach', 'read_only');

create table club (
  club_id    uuid primary key,
  name       text not null constraint club_name_length check (length(name) between 1 and 80),
  is_demo    boolean not null default false,
  created_at timestamptz not null default now()
);

create table coach (
  club_id       uuid not null references club,
  coach_id      uuid not null,
  email         text not null constraint coach_email_shape check (email ~ '^[^@\s]+@[^@\s]+$' and email = lower(email)),
  name          text not null constraint coach_name_length check (length(name) between 1 and 80),
  role          coach_role not null,
  password_hash text not null,
  mass_unit     text not null default 'kg' constraint coach_mass_unit check (mass_unit in ('kg', 'lb')),
  length_unit   text not null default 'cm' constraint coach_length_unit check (length_unit in ('cm', 'in')),
  created_at    timestamptz not null default now(),
  primary key (club_id, coach_id),
  constraint coach_email_taken unique (email)
);

create table session (
  club_id      uuid not null,
  token_digest text not null,
  coach_id     uuid not null,
  csrf_token   text not null,
  expires_at   timestamptz not null,
  created_at   timestamptz not null default now(),
  primary key (club_id, token_digest),
  constraint session_token_taken unique (token_digest),
  foreign key (club_id, coach_id) references coach
);

-- Not a club's data: a digest of who tried to sign in, to slow guessing down.
create table sign_in_attempt (
  subject_digest text not null,
  attempted_at   timestamptz not null default now()
);
create index sign_in_attempt_recent on sign_in_attempt (subject_digest, attempted_at);

create table idempotent_write (
  club_id        uuid not null references club,
  key            uuid not null,
  route          text not null,
  request_digest text not null,
  answer         jsonb not null,
  written_at     timestamptz not null default now(),
  primary key (club_id, key)
);

create table audit (
  club_id  uuid not null references club,
  audit_id uuid not null,
  coach_id uuid,
  action   text not null,
  subject  text not null default '',
  at       timestamptz not null default now(),
  primary key (club_id, audit_id)
);
