-- Whether a stage of a drill was passed: the newest fact of a stage counts.

create table drill_result (
  club_id   uuid not null,
  result_id uuid not null,
  lifter_id uuid not null,
  lift      text not null references lift (lift),
  stage     text not null constraint drill_stage check (length(stage) between 1 and 80),
  passed    boolean not null,
  said_at   timestamptz not null default now(),
  said_by   uuid,
  primary key (club_id, result_id),
  foreign key (club_id, lifter_id) references lifter
);
create index drill_result_newest on drill_result (club_id, lifter_id, lift, stage, said_at desc);
call protect('drill_result');
