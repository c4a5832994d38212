-- The platform log, whole: what was measured and worn, the cue tried, the coach's own library,
-- results of tests; and an index by time for the club's floor.

alter table training_set add column cue text not null default ''
  constraint set_cue check (length(cue) <= 60);
alter table training_set add column gear jsonb not null default '{}';
create index training_set_of_club on training_set (club_id, performed_at desc);

create table set_measure (
  club_id uuid not null,
  set_id  uuid not null,
  kind    text not null constraint measure_kind check (kind in
    ('hands_to_pull_s', 'walkout_steps', 'foot_offset_m', 'stance_m', 'start_hip_m')),
  value   double precision not null constraint measure_value check (
    case when kind = 'hands_to_pull_s' then value between 0 and 120
         when kind = 'walkout_steps' then value between 0 and 20
         when kind = 'foot_offset_m' then value between -0.15 and 0.15
         when kind = 'stance_m' then value between 0.1 and 1.4
         else value between 0.1 and 1.2 end),
  primary key (club_id, set_id, kind),
  foreign key (club_id, set_id) references training_set
);

-- The coach's own faults, causes and remedies, and which shipped ones are hidden: the newest entry
-- of an id counts.
create table library_entry (
  club_id  uuid not null references club,
  entry_id uuid not null,
  kind     text not null constraint entry_kind check (kind in ('fault', 'cause', 'remedy', 'variation')),
  ident    text not null constraint entry_ident check (ident ~ '^[a-z][a-z0-9-]{1,59}$'),
  body     jsonb,
  hidden   boolean not null default false,
  said_at  timestamptz not null default now(),
  said_by  uuid,
  primary key (club_id, entry_id),
  constraint entry_own_or_hidden check (body is null or ident like 'own-%')
);
create index library_entry_newest on library_entry (club_id, kind, ident, said_at desc, entry_id desc);

-- The one cue that is being tried; an empty cue ends the trial.
create table cue_choice (
  club_id   uuid not null,
  choice_id uuid not null,
  lifter_id uuid not null,
  lift      text not null constraint cue_lift check (lift in ('squat', 'deadlift')),
  cue       text not null default '',
  chosen_at timestamptz not null default now(),
  chosen_by uuid,
  primary key (club_id, choice_id),
  foreign key (club_id, lifter_id) references lifter
);
create index cue_choice_newest on cue_choice (club_id, lifter_id, lift, chosen_at desc, choice_id desc);

create table cause_test (
  club_id   uuid not null,
  test_id   uuid not null,
  lifter_id uuid not null,
  fault_id  text not null,
  cause_id  text not null,
  result    text not null constraint test_result check (result in ('for', 'against', 'unclear')),
  note      text not null default '' constraint test_note check (length(note) <= 1000),
  tested_at timestamptz not null default now(),
  tested_by uuid,
  primary key (club_id, test_id),
  foreign key (club_id, lifter_id) references lifter
);
create index cause_test_newest on cause_test (club_id, lifter_id, fault_id, tested_at desc);

do $$
declare
  name text;
begin
  foreach name in array array['set_measure', 'library_entry', 'cue_choice', 'cause_test'] loop
    call protect(name);
  end loop;
end $$;

-- What the log says of a lift today, kept so that the floor need not read whole logs. Not a fact:
-- computed anew after every write to the log.
create table lift_summary (
  club_id     uuid not null,
  lifter_id   uuid not null,
  lift        text not null constraint summary_lift check (lift in ('squat', 'deadlift')),
  max_kg      double precision,
  cap_kg      double precision,
  cap_words   text not null default '',
  computed_at timestamptz not null default now(),
  primary key (club_id, lifter_id, lift),
  foreign key (club_id, lifter_id) references lifter
);
call protect('lift_summary');
grant update on lift_summary to pavrik_app;
