-- name: add_clip!
-- Keep what a film says.
insert into film_clip (club_id, clip_id, lifter_id, lift, load_kg, filmed_on, way, note, film_sha256,
  request, track, answer, json_version, model_version, made_by)
values (:club_id, :clip_id, :lifter_id, :lift, :load_kg, :filmed_on, :way, :note, :film_sha256,
  :request, :track, :answer, :json_version, :model_version, :made_by)
on conflict (club_id, clip_id) do nothing;

-- name: list_clips
-- Clips of a lifter that stand, newest first, without their columns over the pictures.
select clip_id, lifter_id, lift, load_kg, filmed_on, way, note, film_sha256,
  answer - 'frames' - 'phases' as answer, json_version,
  model_version, made_at
from film_clip c where lifter_id = :lifter_id and not exists (
  select from clip_word w where w.club_id = c.club_id and w.clip_id = c.clip_id and word = 'withdrawn')
order by number desc;

-- name: list_shown_clip_ids
-- Clips of a lifter that the newest word shows to the lifter, newest first.
select clip_id from film_clip c where lifter_id = :lifter_id and 'shown' = (
  select word from clip_word w where w.club_id = c.club_id and w.clip_id = c.clip_id and subject = 'clip'
  order by number desc limit 1)
order by number desc limit :most;

-- name: newest_clip_day
-- When the newest clip of a lifter that stands was filmed.
select max(filmed_on) from film_clip c where lifter_id = :lifter_id and not exists (
  select from clip_word w where w.club_id = c.club_id and w.clip_id = c.clip_id and word = 'withdrawn');

-- name: get_clip
-- One clip of the club.
select clip_id, lifter_id, lift, load_kg, filmed_on, way, note, film_sha256, answer, json_version,
  model_version, made_at
from film_clip where clip_id = :clip_id;

-- name: get_clip_track
-- What a clip came from.
select request, track from film_clip where clip_id = :clip_id;

-- name: add_clip_word!
-- What a coach says to a finding, or to the clip.
insert into clip_word (club_id, word_id, clip_id, subject, word, words, said_by)
values (:club_id, :word_id, :clip_id, :subject, :word, :words, :said_by);

-- name: list_clip_words
-- The newest word to every subject of a clip.
select distinct on (subject) subject, word, words from clip_word
where clip_id = :clip_id order by subject, number desc;
