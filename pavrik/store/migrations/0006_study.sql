-- More screens with their readings, gear, racks with safeties of their own, bars with a centre of
-- their own, and computations that run in the background.

alter table lifter_profile add column gear text not null default 'raw'
  constraint lifter_gear check (gear in ('raw', 'sleeves', 'suit'));

alter table screen add column readings double precision[] not null default '{}'
  constraint screen_readings check (cardinality(readings) <= 3);
alter table screen drop constraint screen_kind;
alter table screen add constraint screen_kind check (kind in
  ('ankle', 'neutral_depth', 'hip', 'hip_rotation', 'hop', 'box',
   'grip_front', 'grip_high', 'grip_middle', 'grip_low'));
alter table screen drop constraint screen_angle_range;
alter table screen add constraint screen_angle_range check (
  case when kind = 'ankle' then value between 0 and 60
       when kind = 'neutral_depth' then value between 60 and 180
       when kind = 'hip' then value between 5 and 90
       when kind = 'hip_rotation' then value between 0 and 90
       when kind = 'hop' then value between 0.1 and 1.0
       when kind = 'box' then value between 0.15 and 0.7
       else value is null or value between 0.2 and 1.31 end);

alter table rack add column first_safety_m double precision
  constraint rack_first_safety check (first_safety_m between 0 and 1.5);
alter table rack add column safety_pitch_m double precision
  constraint rack_safety_pitch check (safety_pitch_m between 0.01 and 0.3);

alter table bar add column beyond_shoulder_m double precision
  constraint bar_beyond check (beyond_shoulder_m between -0.3 and 0.3);
alter table bar add column forward_m double precision
  constraint bar_forward check (forward_m between -0.3 and 0.3);
alter table bar add column holds_lean_deg double precision
  constraint bar_lean check (holds_lean_deg between 5 and 70);
alter table bar add column handles boolean not null default false;
alter table bar add constraint bar_centre_whole check (
  num_nulls(beyond_shoulder_m, forward_m, holds_lean_deg) in (0, 3));

create table job (
  club_id    uuid not null references club,
  job_id     uuid not null,
  lifter_id  uuid not null,
  kind       text not null constraint job_kind check (kind in ('squat sureness')),
  digest     text not null,
  state      text not null default 'running'
    constraint job_state check (state in ('running', 'done', 'cancelled', 'failed')),
  progress   double precision not null default 0 constraint job_progress check (progress between 0 and 1),
  started_at timestamptz not null default now(),
  beat_at    timestamptz not null default now(),
  primary key (club_id, job_id),
  foreign key (club_id, lifter_id) references lifter
);
create unique index job_running_once on job (club_id, kind, digest) where state = 'running';

call protect('job');
grant update (state, progress, beat_at) on job to pavrik_app;
