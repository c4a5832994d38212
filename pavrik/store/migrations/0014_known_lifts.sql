-- What a lifter is known to have lifted, told and not logged: bests by style, isolated tests. The
-- newest fact of an exercise stands; one without a load takes it back. And whether the bar rests on
-- the back without the hands: a screen that is yes (1) or no (0).

create table known_lift (
  club_id   uuid not null,
  known_id  uuid not null,
  lifter_id uuid not null,
  exercise  text not null constraint known_lift_exercise check (exercise ~ '^[a-z]+:[a-z_]{2,30}$'),
  load_kg   double precision constraint known_lift_load check (load_kg > 0 and load_kg <= 1000),
  reps      smallint not null default 1 constraint known_lift_reps check (reps between 1 and 20),
  rpe       double precision constraint known_lift_rpe check (rpe between 1 and 10),
  done_on   date not null constraint known_lift_day check (done_on >= date '1990-01-01'),
  said_at   timestamptz not null,
  said_by   uuid,
  primary key (club_id, known_id),
  foreign key (club_id, lifter_id) references lifter
);
create index known_lift_newest on known_lift (club_id, lifter_id, exercise, said_at desc, known_id desc);
call protect('known_lift');

alter table screen drop constraint screen_kind;
alter table screen add constraint screen_kind check (
  kind in ('ankle', 'neutral_depth', 'hip', 'hip_rotation', 'hop', 'box', 'shelf')
  or kind ~ '^grip_[a-z]{2,20}$');
alter table screen drop constraint screen_angle_range;
alter table screen add constraint screen_angle_range check (
  case when kind = 'ankle' then value between 0 and 60
       when kind = 'neutral_depth' then value between 60 and 180
       when kind = 'hip' then value between 5 and 90
       when kind = 'hip_rotation' then value between 0 and 90
       when kind = 'hop' then value between 0.1 and 1.0
       when kind = 'box' then value between 0.15 and 0.7
       when kind = 'shelf' then value in (0, 1)
       else value is null or value between 0.2 and 1.31 end);
