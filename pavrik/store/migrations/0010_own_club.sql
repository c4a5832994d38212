-- A club of one's own: a one-time link opens one, and on this machine the first needs none.

-- Not a club's data yet: what a link that was made on the server's command line opens.
create table club_link (
  token_digest text primary key,
  club_name    text not null constraint club_link_name check (length(club_name) between 1 and 80),
  owner_email  text not null constraint club_link_email check (owner_email ~ '^[^@\s]+@[^@\s]+$' and owner_email = lower(owner_email)),
  expires_at   timestamptz not null,
  used_at      timestamptz
);
alter table club_link enable row level security;
alter table club_link force row level security;
create policy named_link on club_link
  using (token_digest = named_by_sign_in()) with check (token_digest = named_by_sign_in());
grant select, insert on club_link to pavrik_app;
grant update (used_at) on club_link to pavrik_app;

-- Whether a club of one's own exists already: the only question that looks across clubs.
create policy counted_for_the_door on club for select
  using (not is_demo and named_by_sign_in() = 'is there a club');
