-- What stands in the log is said once; stored JSON tells the version of its form.

create view standing_set with (security_invoker = true) as
select s.* from training_set s
where not s.withdrawn and not exists (
  select from training_set newer where newer.club_id = s.club_id and newer.replaces = s.set_id);
grant select on standing_set to pavrik_app;

alter table plan add column json_version smallint not null default 1
  constraint plan_json_version check (json_version > 0);
alter table settled_setup add column json_version smallint not null default 1
  constraint settled_json_version check (json_version > 0);
alter table fit add column json_version smallint not null default 1
  constraint fit_json_version check (json_version > 0);
alter table prescription add column json_version smallint not null default 1
  constraint prescription_json_version check (json_version > 0);
alter table idempotent_write add column json_version smallint not null default 1
  constraint write_json_version check (json_version > 0);

-- Rows from now on say their version themselves.
alter table plan alter column json_version drop default;
alter table settled_setup alter column json_version drop default;
alter table fit alter column json_version drop default;
alter table prescription alter column json_version drop default;
alter table idempotent_write alter column json_version drop default;

alter table fit drop constraint fit_once, add constraint fit_once
  unique (club_id, lifter_id, lift, inputs_digest, model_version, json_version);
