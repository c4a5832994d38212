-- Fits, settled set-ups, sets with their faults, prescriptions.

create table fit (
  club_id       uuid not null,
  fit_id        uuid not null,
  lifter_id     uuid not null,
  lift          text not null constraint fit_lift check (lift in ('squat', 'deadlift')),
  inputs        jsonb not null,
  inputs_digest text not null,
  answer        jsonb not null,
  model_version text not null,
  made_at       timestamptz not null default now(),
  made_by       uuid,
  primary key (club_id, fit_id),
  foreign key (club_id, lifter_id) references lifter,
  constraint fit_once unique (club_id, lifter_id, lift, inputs_digest, model_version)
);

create table settled_setup (
  club_id       uuid not null,
  setup_id      uuid not null,
  lifter_id     uuid not null,
  lift          text not null constraint settled_lift check (lift in ('squat', 'deadlift')),
  setup         jsonb not null,
  inputs        jsonb not null,
  inputs_digest text not null,
  prediction    jsonb not null,
  model_version text not null,
  seed          bigint not null,
  reason        text not null default '' constraint settled_reason check (length(reason) <= 1000),
  settled_at    timestamptz not null default now(),
  settled_by    uuid,
  primary key (club_id, setup_id),
  foreign key (club_id, lifter_id) references lifter
);
create index settled_setup_newest on settled_setup (club_id, lifter_id, lift, settled_at desc);

create table training_set (
  club_id      uuid not null,
  set_id       uuid not null,
  lifter_id    uuid not null,
  replaces     uuid,
  withdrawn    boolean not null default false,
  lift         text not null constraint set_lift check (lift in ('squat', 'deadlift')),
  variation    text not null default 'competition',
  load_kg      double precision not null constraint set_load check (load_kg > 0 and load_kg <= 600),
  reps         integer not null constraint set_reps check (reps between 0 and 30),
  missed_reps  integer not null default 0 constraint set_missed check (missed_reps between 0 and 30),
  rpe          double precision constraint set_rpe check (rpe between 1 and 10),
  aimed_rpe    double precision constraint set_aimed_rpe check (aimed_rpe between 1 and 10),
  pull_style   text constraint set_pull_style check (pull_style in ('dead_stop', 'rebound')),
  schools      jsonb not null default '{}',
  note         text not null default '' constraint set_note_length check (length(note) <= 1000),
  performed_at timestamptz not null,
  logged_at    timestamptz not null default now(),
  logged_by    uuid,
  primary key (club_id, set_id),
  foreign key (club_id, lifter_id) references lifter,
  foreign key (club_id, replaces) references training_set,
  constraint set_replaced_once unique (club_id, replaces),
  constraint set_pull_style_for_pulls check (pull_style is null or lift = 'deadlift'),
  constraint set_says_something check (reps + missed_reps > 0 or withdrawn)
);
create index training_set_newest on training_set (club_id, lifter_id, lift, performed_at desc);

create table fault_observation (
  club_id        uuid not null,
  observation_id uuid not null,
  set_id         uuid not null,
  rep            integer not null constraint fault_rep check (rep between 1 and 60),
  fault_id       text not null,
  phase          text not null,
  severity       integer not null constraint fault_severity check (severity between 1 and 3),
  side           text constraint fault_side check (side in ('left', 'right')),
  film_s         double precision constraint fault_film check (film_s >= 0),
  note           text not null default '',
  primary key (club_id, observation_id),
  foreign key (club_id, set_id) references training_set
);
create index fault_observation_of_set on fault_observation (club_id, set_id, rep);

create table prescription (
  club_id         uuid not null,
  prescription_id uuid not null,
  lifter_id       uuid not null,
  lift            text not null constraint prescription_lift check (lift in ('squat', 'deadlift')),
  inputs          jsonb not null,
  answer          jsonb not null,
  overruled_kg    double precision constraint prescription_overruled check (overruled_kg > 0 and overruled_kg <= 600),
  overruled_because text not null default '',
  model_version   text not null,
  prescribed_at   timestamptz not null default now(),
  prescribed_by   uuid,
  primary key (club_id, prescription_id),
  foreign key (club_id, lifter_id) references lifter,
  constraint prescription_overruled_with_reason check (overruled_kg is null or length(overruled_because) >= 3)
);
