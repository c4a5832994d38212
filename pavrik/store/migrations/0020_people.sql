-- People of a club: invited by a one-time link, with a role that may change, and one day gone; their
-- facts stay under their name. A forgotten password is chosen anew by a link of the same kind.

alter table coach add column left_at timestamptz;
grant update (role, left_at, name, password_hash) on coach to pavrik_app;

create table coach_link (
  club_id      uuid not null,
  link_id      uuid not null,
  token_digest text not null,
  kind         text not null constraint coach_link_kind check (kind in ('invitation', 'password')),
  email        text not null constraint coach_link_email check (email ~ '^[^@\s]+@[^@\s]+$' and email = lower(email)),
  role         coach_role not null,
  coach_id     uuid,
  expires_at   timestamptz not null,
  made_at      timestamptz not null default now(),
  made_by      uuid,
  used_at      timestamptz,
  closed_at    timestamptz,
  primary key (club_id, link_id),
  constraint coach_link_token_taken unique (token_digest),
  constraint coach_link_whose check ((kind = 'password') = (coach_id is not null)),
  foreign key (club_id) references club,
  foreign key (club_id, coach_id) references coach
);
call protect('coach_link');
create policy read_by_link on coach_link for select using (token_digest = named_by_sign_in());
grant update (used_at, closed_at) on coach_link to pavrik_app;
create policy named_by_its_link on club for select
  using (exists (select from coach_link l where l.club_id = club.club_id and l.token_digest = named_by_sign_in()));
