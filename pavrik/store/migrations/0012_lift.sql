-- The lifts that there are, in one place: a new one is a row here.

create table lift (
  lift text primary key constraint lift_name check (lift ~ '^[a-z][a-z_]{1,29}$')
);
insert into lift values ('squat'), ('deadlift');
grant select on lift to pavrik_app;

alter table fit drop constraint fit_lift,
  add constraint fit_lift foreign key (lift) references lift;
alter table settled_setup drop constraint settled_lift,
  add constraint settled_lift foreign key (lift) references lift;
alter table training_set drop constraint set_lift,
  add constraint set_lift foreign key (lift) references lift;
alter table prescription drop constraint prescription_lift,
  add constraint prescription_lift foreign key (lift) references lift;
alter table cue_choice drop constraint cue_lift,
  add constraint cue_lift foreign key (lift) references lift;
alter table lift_summary drop constraint summary_lift,
  add constraint summary_lift foreign key (lift) references lift;

alter table job drop constraint job_kind;
alter table job add constraint job_kind check (
  kind = 'club plans' or kind ~ '^[a-z][a-z_]{1,29} sureness$');
