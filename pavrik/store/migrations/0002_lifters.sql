-- Lifters and what is known of them. Profiles, measurements and screens are facts: the newest
-- counts, the old ones stay.

create table lifter (
  club_id    uuid not null references club,
  lifter_id  uuid not null,
  created_at timestamptz not null default now(),
  primary key (club_id, lifter_id)
);

create table lifter_profile (
  club_id      uuid not null,
  profile_id   uuid not null,
  lifter_id    uuid not null,
  name         text not null constraint lifter_name_length check (length(name) between 1 and 120),
  sex          text not null constraint lifter_sex check (sex in ('male', 'female')),
  born_year    integer constraint lifter_born_year check (born_year between 1920 and 2020),
  mass_kg      double precision not null constraint lifter_mass_range check (mass_kg between 35 and 250),
  stature_m    double precision not null constraint lifter_stature_range check (stature_m between 1.40 and 2.20),
  goal         text not null constraint lifter_goal check (goal in ('competition', 'strength', 'muscle', 'sport', 'health')),
  training_age text not null constraint lifter_training_age check (training_age in ('novice', 'trained', 'advanced')),
  walks_out    boolean not null default true,
  history      text not null default '' constraint lifter_history_length check (length(history) <= 4000),
  said_at      timestamptz not null default now(),
  said_by      uuid,
  primary key (club_id, profile_id),
  foreign key (club_id, lifter_id) references lifter
);
create index lifter_profile_newest on lifter_profile (club_id, lifter_id, said_at desc, profile_id desc);

create table measurement (
  club_id        uuid not null,
  measurement_id uuid not null,
  lifter_id      uuid not null,
  landmark       text not null,
  readings_m     double precision[] not null
    constraint measurement_readings check (cardinality(readings_m) between 1 and 3
      and 0 < all (readings_m) and 1.5 > all (readings_m)),
  kept_because   text not null default '',
  taken_at       timestamptz not null default now(),
  taken_by       uuid,
  primary key (club_id, measurement_id),
  foreign key (club_id, lifter_id) references lifter
);
create index measurement_newest on measurement (club_id, lifter_id, landmark, taken_at desc);

create table screen (
  club_id   uuid not null,
  screen_id uuid not null,
  lifter_id uuid not null,
  kind      text not null constraint screen_kind check (kind in
    ('ankle', 'neutral_depth', 'hip', 'grip_front', 'grip_high', 'grip_middle', 'grip_low')),
  -- degrees for angles, metres for grips; null is "cannot be held"
  value     double precision,
  taken_at  timestamptz not null default now(),
  taken_by  uuid,
  primary key (club_id, screen_id),
  foreign key (club_id, lifter_id) references lifter,
  constraint screen_angle_range check (
    case when kind = 'ankle' then value between 0 and 60
         when kind = 'neutral_depth' then value between 60 and 180
         when kind = 'hip' then value between 5 and 90
         else value is null or value between 0.2 and 1.31 end)
);
create index screen_newest on screen (club_id, lifter_id, kind, taken_at desc);

create table pain_flag (
  club_id        uuid not null,
  flag_id        uuid not null,
  lifter_id      uuid not null,
  region         text not null constraint pain_region check (region in
    ('ankle', 'knee', 'hip', 'lower back', 'upper back', 'shoulder', 'elbow', 'wrist')),
  note           text not null default '',
  raised_at      timestamptz not null default now(),
  raised_by      uuid,
  primary key (club_id, flag_id),
  foreign key (club_id, lifter_id) references lifter
);

create table pain_clearance (
  club_id    uuid not null,
  flag_id    uuid not null,
  reason     text not null constraint clearance_reason check (length(reason) between 3 and 1000),
  cleared_at timestamptz not null default now(),
  cleared_by uuid,
  primary key (club_id, flag_id),
  foreign key (club_id, flag_id) references pain_flag
);

create table school_choice (
  club_id   uuid not null references club,
  choice_id uuid not null,
  lifter_id uuid,
  question  text not null,
  position  text not null,
  chosen_at timestamptz not null default now(),
  chosen_by uuid,
  primary key (club_id, choice_id),
  foreign key (club_id, lifter_id) references lifter
);
create index school_choice_newest on school_choice (club_id, lifter_id, question, chosen_at desc);
