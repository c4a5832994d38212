-- What coaches do to a plan by hand: lines changed, left out, moved, added, days moved, and undos.
-- Edits stand in the order of their number, whatever a clock says.

alter table plan_overrule rename to plan_edit;
alter table plan_edit rename column overrule_id to edit_id;
alter table plan_edit rename constraint overrule_load to edit_load;
alter table plan_edit drop constraint overrule_line;
alter table plan_edit drop constraint overrule_reason;
alter index plan_overrule_newest rename to plan_edit_newest;

create sequence plan_edit_number;
alter table plan_edit
  add column number   bigint,
  add column kind     text not null default 'line',
  add column day_id   text not null default '',
  add column to_date  date,
  add column lift     text references lift (lift),
  add column name     text not null default '',
  add column sets     smallint constraint edit_sets check (sets between 1 and 20),
  add column reps     smallint constraint edit_reps check (reps between 1 and 50),
  add column rpe      double precision constraint edit_rpe check (rpe between 5 and 10),
  add column rest_s   smallint constraint edit_rest check (rest_s between 0 and 1800),
  add column note     text not null default '' constraint edit_note check (length(note) <= 200),
  add column weekly   boolean not null default false,
  add column undoes   uuid;
update plan_edit set number = ordered.number from (
  select club_id, edit_id, row_number() over (order by said_at, edit_id) as number from plan_edit
) ordered where plan_edit.club_id = ordered.club_id and plan_edit.edit_id = ordered.edit_id;
select setval('plan_edit_number', coalesce((select max(number) from plan_edit), 0) + 1, false);
alter table plan_edit
  alter column number set default nextval('plan_edit_number'),
  alter column number set not null,
  alter column line_id set default '',
  alter column reason set default '',
  add constraint edit_reason check (length(reason) <= 1000),
  add constraint edit_kind check (kind in ('line', 'add', 'day', 'undo')),
  add constraint edit_line check (
    length(line_id) <= 60 and (kind not in ('line', 'add') or line_id <> '')),
  add constraint edit_day check (length(day_id) <= 20 and (kind not in ('add', 'day') or day_id <> '')),
  add constraint edit_to_date check ((to_date is not null) = (kind = 'day')),
  add constraint edit_name check (length(name) <= 60 and (kind <> 'add' or name <> '')),
  add constraint edit_work check (kind <> 'add' or (sets is not null and reps is not null)),
  add constraint edit_undoes check ((undoes is not null) = (kind = 'undo')),
  add foreign key (club_id, undoes) references plan_edit;
drop index plan_edit_newest;
create index plan_edit_of_series on plan_edit (club_id, series_id, number);
grant usage on sequence plan_edit_number to pavrik_app;
