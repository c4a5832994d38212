-- Pulls are fitted through the same mechanism as squats.

alter table job drop constraint job_kind;
alter table job add constraint job_kind check (kind in ('squat sureness', 'deadlift sureness'));
