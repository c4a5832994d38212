-- name: add_sent_item!
-- What a lifter sends, or a film that is kept; one that is known stays as it is.
insert into sent_item (club_id, item_id, lifter_id, kind, lift, load_kg, reps, missed_reps, rpe, view,
  consent, kept_until, note, performed_at, link_id, sent_by)
values (:club_id, :item_id, :lifter_id, :kind, :lift, :load_kg, :reps, :missed_reps, :rpe, :view,
  :consent, :kept_until, :note, :performed_at, :link_id, :sent_by)
on conflict (club_id, item_id) do nothing;

-- name: list_sent_items
-- What a lifter sent and what is kept of him, newest first.
select item_id, lifter_id, kind, lift, load_kg, reps, missed_reps, rpe, view, consent, kept_until, note,
  performed_at, link_id, sent_by, sent_at, word, clip_id
from sent_standing where lifter_id = :lifter_id order by number desc limit cast(:most as bigint);

-- name: get_sent_item
-- One thing that was sent in the club.
select item_id, lifter_id, kind, lift, load_kg, reps, missed_reps, rpe, view, consent, kept_until, note,
  performed_at, link_id, sent_by, sent_at, word, clip_id
from sent_standing where item_id = :item_id;

-- name: get_film_of_clip
-- The film that a clip was tracked from.
select item_id, lifter_id, kind, lift, load_kg, reps, missed_reps, rpe, view, consent, kept_until, note,
  performed_at, link_id, sent_by, sent_at, word, clip_id
from sent_standing where item_id::text = (select request ->> 'film_id' from film_clip where clip_id = :clip_id);

-- name: count_waiting
-- How much of what lifters sent waits for a coach, by lifter and kind.
select lifter_id, kind, count(*) as waiting from sent_standing
where kind <> 'kept film' and (kept_until is null or kept_until > now()) and word is null and clip_id is null
group by lifter_id, kind;

-- name: add_sent_word!
-- A word to what was sent; one that is known stays as it is.
insert into sent_word (club_id, word_id, item_id, word, said_by)
values (:club_id, :word_id, :item_id, :word, :said_by)
on conflict (club_id, word_id) do nothing;
