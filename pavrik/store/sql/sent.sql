-- name: add_sent_item!
-- What a lifter sends, or a film that is kept; one that is known stays as it is.
insert into sent_item (club_id, item_id, lifter_id, kind, lift, load_kg, reps, missed_reps, rpe, view,
  consent, kept_until, note, performed_at, link_id, sent_by)
values (:club_id, :item_id, :lifter_id, :kind, :lift, :load_kg, :reps, :missed_reps, :rpe, :view,
  :consent, :kept_until, :note, :performed_at, :link_id, :sent_by)
on conflict (club_id, item_id) do nothing;

-- name: list_sent_items
-- What a lifter sent and what is kept of him, with the newest word to each, newest first.
select i.item_id, i.lifter_id, i.kind, i.lift, i.load_kg, i.reps, i.missed_reps, i.rpe, i.view, i.consent,
  i.kept_until, i.note, i.performed_at, i.link_id, i.sent_by, i.sent_at,
  (select word from sent_word w where w.club_id = i.club_id and w.item_id = i.item_id
   order by w.number desc limit 1) as word,
  (select clip_id from film_clip c where c.club_id = i.club_id
     and c.request ->> 'film_id' = i.item_id::text and c.lifter_id = i.lifter_id limit 1) as clip_id
from sent_item i where i.lifter_id = :lifter_id order by i.number desc limit :most;

-- name: count_waiting
-- How much of what lifters sent waits for a coach, by lifter and kind.
select lifter_id, kind, count(*) as waiting from sent_item i
where kind <> 'kept film' and (kept_until is null or kept_until > now()) and not exists (
    select from sent_word w where w.club_id = i.club_id and w.item_id = i.item_id)
  and not exists (select from film_clip c where c.club_id = i.club_id
    and c.lifter_id = i.lifter_id and c.request ->> 'film_id' = i.item_id::text)
group by lifter_id, kind;

-- name: add_sent_word!
-- A word to what was sent; one that is known stays as it is.
insert into sent_word (club_id, word_id, item_id, word, said_by)
values (:club_id, :word_id, :item_id, :word, :said_by)
on conflict (club_id, word_id) do nothing;
