-- Row-level security on every table, forced on its owner too. The application's role can read and
-- add facts; it can change only what is not a fact, and it can bypass nothing.

do $$
begin
  if not exists (select from pg_roles where rolname = 'pavrik_app') then
    create role pavrik_app nologin;
  end if;
end $$;

create procedure protect(name text) language plpgsql as $$
begin
  execute format('alter table %I enable row level security', name);
  execute format('alter table %I force row level security', name);
  execute format(
    'create policy own_club on %I using (club_id = current_club()) with check (club_id = current_club())',
    name);
  execute format('grant select, insert on %I to pavrik_app', name);
end $$;

do $$
declare
  name text;
begin
  for name in select tablename from pg_tables where schemaname = current_schema()
    and tablename not in ('migration', 'sign_in_attempt')
  loop
    call protect(name);
  end loop;
end $$;

create policy signing_in on coach for select using (email = named_by_sign_in());
create policy signed_in on session for select using (token_digest = named_by_sign_in());
create policy demo_door on club for select using (is_demo and named_by_sign_in() = 'demo');
create policy demo_coach on coach for select using (
  named_by_sign_in() = 'demo' and role = 'owner'
  and exists (select from club where club.club_id = coach.club_id and club.is_demo));

alter table sign_in_attempt enable row level security;
alter table sign_in_attempt force row level security;
create policy own_attempts on sign_in_attempt
  using (subject_digest = named_by_sign_in()) with check (subject_digest = named_by_sign_in());
grant select, insert, delete on sign_in_attempt to pavrik_app;

grant update (mass_unit, length_unit) on coach to pavrik_app;
grant delete on session to pavrik_app;
grant update, delete on plate_stock, bar, rack to pavrik_app;
grant usage on schema public to pavrik_app;
