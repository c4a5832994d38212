-- What is said later counts, by the database's own count and whatever any clock says: a clock that was
-- set back hides no correction. Facts of before are counted in the order of their time.

create sequence fact_number;
grant usage on sequence fact_number to pavrik_app;

create procedure count_facts(name text, id text, clock text, asked_by text) language plpgsql as $$
declare
  counted bigint;
begin
  execute format('alter table %I no force row level security', name);
  execute format('alter table %I add column number bigint', name);
  execute format(
    'update %1$I set number = ordered.number from (
       select club_id, %2$I, row_number() over (order by %3$I, %2$I) as number from %1$I) ordered
     where %1$I.club_id = ordered.club_id and %1$I.%2$I = ordered.%2$I', name, id, clock);
  execute format('select coalesce(max(number), 0) from %I', name) into counted;
  perform setval('fact_number', greatest(counted, (select last_value from fact_number)) + 1);
  execute format(
    'alter table %I alter column number set default nextval(''fact_number''), alter column number set not null',
    name);
  execute format('create index %I on %I (club_id, %s, number desc)', name || '_newest_said', name, asked_by);
  execute format('alter table %I force row level security', name);
end $$;

call count_facts('lifter_profile', 'profile_id', 'said_at', 'lifter_id');
call count_facts('measurement', 'measurement_id', 'taken_at', 'lifter_id, landmark');
call count_facts('screen', 'screen_id', 'taken_at', 'lifter_id, kind');
call count_facts('school_choice', 'choice_id', 'chosen_at', 'lifter_id, question');
call count_facts('known_lift', 'known_id', 'said_at', 'lifter_id, exercise');
call count_facts('library_entry', 'entry_id', 'said_at', 'kind, ident');
call count_facts('cue_choice', 'choice_id', 'chosen_at', 'lifter_id, lift');
call count_facts('cause_test', 'test_id', 'tested_at', 'lifter_id, fault_id');
call count_facts('drill_result', 'result_id', 'said_at', 'lifter_id, lift, stage');
call count_facts('settled_setup', 'setup_id', 'settled_at', 'lifter_id, lift');
call count_facts('plan', 'plan_id', 'made_at', 'lifter_id');
call count_facts('variation_word', 'word_id', 'said_at', 'lifter_id, variation');
call count_facts('gym_kit', 'kit_id', 'said_at', 'kit_id');
call count_facts('setup_trial', 'trial_id', 'said_at', 'lifter_id');
call count_facts('prescription', 'prescription_id', 'prescribed_at', 'lifter_id');
call count_facts('film_clip', 'clip_id', 'made_at', 'lifter_id');
drop procedure count_facts;
drop index lifter_profile_newest, measurement_newest, screen_newest, school_choice_newest,
  known_lift_newest, library_entry_newest, cue_choice_newest, cause_test_newest, drill_result_newest,
  settled_setup_newest, plan_newest, variation_word_newest, gym_kit_newest_said, setup_trial_of,
  film_clip_of_lifter;
