-- Plans and their versions, a coach's word on a line or on a variation, what the gym owns beside
-- bars and plates, and links by which a lifter reads the card.

create table plan (
  club_id       uuid not null,
  plan_id       uuid not null,
  lifter_id     uuid not null,
  series_id     uuid not null,
  replaces      uuid,
  withdrawn     boolean not null default false,
  ask           jsonb not null,
  answer        jsonb not null,
  changes       jsonb not null default '[]',
  model_version text not null,
  made_at       timestamptz not null default now(),
  made_by       uuid,
  primary key (club_id, plan_id),
  foreign key (club_id, lifter_id) references lifter,
  foreign key (club_id, replaces) references plan,
  constraint plan_replaced_once unique (club_id, replaces)
);
create index plan_newest on plan (club_id, lifter_id, made_at desc, plan_id desc);

-- The newest word on a line counts; one with neither load nor drop takes the earlier word back.
create table plan_overrule (
  club_id     uuid not null,
  overrule_id uuid not null,
  series_id   uuid not null,
  line_id     text not null constraint overrule_line check (length(line_id) between 1 and 60),
  load_kg     double precision constraint overrule_load check (load_kg > 0 and load_kg <= 600),
  dropped     boolean not null default false,
  reason      text not null constraint overrule_reason check (length(reason) between 3 and 1000),
  said_at     timestamptz not null default now(),
  said_by     uuid not null,
  primary key (club_id, overrule_id),
  foreign key (club_id, said_by) references coach
);
create index plan_overrule_newest on plan_overrule (club_id, series_id, line_id, said_at desc);

create table variation_word (
  club_id   uuid not null,
  word_id   uuid not null,
  lifter_id uuid not null,
  variation text not null constraint word_variation check (length(variation) between 1 and 60),
  word      text not null constraint word_kind check (word in ('use', 'leave out', 'as computed')),
  reason    text not null constraint word_reason check (length(reason) between 3 and 1000),
  said_at   timestamptz not null default now(),
  said_by   uuid not null,
  primary key (club_id, word_id),
  foreign key (club_id, lifter_id) references lifter,
  foreign key (club_id, said_by) references coach
);
create index variation_word_newest on variation_word (club_id, lifter_id, variation, said_at desc);

create table gym_kit (
  club_id uuid not null references club,
  kit_id  uuid not null,
  items   text[] not null,
  said_at timestamptz not null default now(),
  said_by uuid,
  primary key (club_id, kit_id)
);

-- A lifter's read-only link: only the token's digest is kept.
create table card_link (
  club_id      uuid not null,
  link_id      uuid not null,
  lifter_id    uuid not null,
  token_digest text not null,
  expires_at   timestamptz not null,
  made_at      timestamptz not null default now(),
  made_by      uuid,
  revoked_at   timestamptz,
  primary key (club_id, link_id),
  foreign key (club_id, lifter_id) references lifter,
  constraint card_link_token_taken unique (token_digest)
);
create index card_link_of_lifter on card_link (club_id, lifter_id, made_at desc);

create index training_set_of_lifter
  on training_set (club_id, lifter_id, performed_at desc, set_id desc);

do $$
declare
  name text;
begin
  foreach name in array array['plan', 'plan_overrule', 'variation_word', 'gym_kit', 'card_link'] loop
    call protect(name);
  end loop;
end $$;

create policy read_by_link on card_link for select using (token_digest = named_by_sign_in());
grant update (revoked_at) on card_link to pavrik_app;

alter table job drop constraint job_kind;
alter table job add constraint job_kind check (kind in
  ('squat sureness', 'deadlift sureness', 'club plans'));

-- A training day is a day where the club trains, not where the server stands.
alter table club add column time_zone text not null default 'UTC'
  constraint club_time_zone check (length(time_zone) between 1 and 60);
grant update (time_zone) on club to pavrik_app;
