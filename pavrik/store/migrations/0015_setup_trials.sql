-- Trials of two set-ups: begun with everything fixed, ended by a fact of its own.

create table setup_trial (
  club_id       uuid not null,
  trial_id      uuid not null,
  lifter_id     uuid not null,
  lift          text not null references lift (lift),
  setup_a       jsonb not null,
  setup_b       jsonb not null,
  sessions_each smallint not null constraint trial_sessions check (sessions_each between 4 and 8),
  sets          smallint not null constraint trial_sets check (sets between 1 and 6),
  reps          smallint not null constraint trial_reps check (reps between 1 and 8),
  load_kg       double precision not null constraint trial_load check (load_kg > 0 and load_kg <= 600),
  started_on    date not null,
  json_version  smallint not null constraint trial_json_version check (json_version > 0),
  said_at       timestamptz not null,
  said_by       uuid,
  primary key (club_id, trial_id),
  foreign key (club_id, lifter_id) references lifter
);
create index setup_trial_of on setup_trial (club_id, lifter_id, said_at desc);
call protect('setup_trial');

create table setup_trial_end (
  club_id  uuid not null,
  trial_id uuid not null,
  outcome  text not null constraint trial_outcome check (outcome in ('a', 'b', 'none', 'stopped')),
  reason   text not null default '' constraint trial_reason check (length(reason) <= 1000),
  ended_at timestamptz not null,
  ended_by uuid,
  primary key (club_id, trial_id),
  foreign key (club_id, trial_id) references setup_trial
);
call protect('setup_trial_end');
