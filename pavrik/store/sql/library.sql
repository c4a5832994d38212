-- name: list_entries
-- The newest word on every shipped or own entry.
select kind, ident, body, hidden from (
  select distinct on (kind, ident) kind, ident, body, hidden, entry_id
  from library_entry order by kind, ident, number desc) newest
order by kind, ident;

-- name: add_entry!
-- Say something new about an entry.
insert into library_entry (club_id, entry_id, kind, ident, body, hidden, said_by)
values (:club_id, :entry_id, :kind, :ident, :body, :hidden, :said_by);

-- name: add_cue_choice!
-- Try a cue from now on, or end the trial with an empty one.
insert into cue_choice (club_id, choice_id, lifter_id, lift, cue, chosen_at, chosen_by)
values (:club_id, :choice_id, :lifter_id, :lift, :cue, :chosen_at, :chosen_by);

-- name: list_cue_choices
-- Cues tried, newest first.
select lift, cue, chosen_at from cue_choice where lifter_id = :lifter_id
order by number desc;

-- name: add_cause_test!
-- Record what a test of a cause said.
insert into cause_test (club_id, test_id, lifter_id, fault_id, cause_id, result, note, tested_at,
  tested_by)
values (:club_id, :test_id, :lifter_id, :fault_id, :cause_id, :result, :note, :tested_at,
  :tested_by);

-- name: list_cause_tests
-- Results of tests, newest first.
select test_id, fault_id, cause_id, result, note, tested_at from cause_test
where lifter_id = :lifter_id order by number desc;

-- name: add_drill_result!
-- Whether a stage of a drill was passed.
insert into drill_result (club_id, result_id, lifter_id, lift, stage, passed, said_by)
values (:club_id, :result_id, :lifter_id, :lift, :stage, :passed, :said_by);

-- name: passed_stages
-- Stages of drills that were passed since a moment, by lift, by their newest result.
select lift, stage from (
  select distinct on (lift, stage) lift, stage, passed from drill_result
  where lifter_id = :lifter_id and said_at >= :since order by lift, stage, number desc) newest
where passed;
