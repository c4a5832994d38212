-- name: give_up_silent_jobs!
-- A running job whose worker fell silent has failed.
update job set state = 'failed'
where kind = :kind and digest = :digest and state = 'running'
  and beat_at < now() - make_interval(secs => :silent_s);

-- name: add_job!
-- A new job, where none of the same content runs.
insert into job (club_id, job_id, lifter_id, kind, digest)
values (:club_id, :job_id, :lifter_id, :kind, :digest)
on conflict (club_id, kind, digest) where state = 'running' do nothing;

-- name: find_newest_job
-- The newest job of a content, whatever became of it.
select job_id, lifter_id, state, progress, told from job
where kind = :kind and digest = :digest order by started_at desc, job_id desc limit 1;

-- name: get_job
-- One job of the club.
select job_id, lifter_id, state, progress, told from job where job_id = :job_id;

-- name: beat_job!
-- Note a running job's progress.
update job set progress = :progress, beat_at = now() where job_id = :job_id and state = 'running';

-- name: keep_job_alive!
-- Note that a running job's worker lives.
update job set beat_at = now() where job_id = :job_id and state = 'running';

-- name: end_job!
-- A running job becomes done, cancelled or failed.
update job set state = :state, told = :told where job_id = :job_id and state = 'running';
