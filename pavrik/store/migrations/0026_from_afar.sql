-- What a lifter sends by his own link, sets and films, and films that a coach keeps with his consent. The
-- films themselves lie in a folder of the server; here stands what they are and until when.

create table sent_item (
  club_id      uuid not null,
  item_id      uuid not null,
  lifter_id    uuid not null,
  kind         text not null constraint sent_kind check (kind in ('set', 'film', 'kept film')),
  lift         text not null references lift (lift),
  load_kg      double precision not null constraint sent_load check (load_kg > 0 and load_kg <= 600),
  reps         smallint constraint sent_reps check (reps between 0 and 30),
  missed_reps  smallint constraint sent_missed check (missed_reps between 0 and 30),
  rpe          double precision constraint sent_rpe check (rpe between 1 and 10),
  view         text constraint sent_view check (view in ('side', 'front', 'rear')),
  consent      text constraint sent_consent check (length(consent) between 1 and 500),
  kept_until   timestamptz,
  note         text not null default '' constraint sent_note check (length(note) <= 1000),
  performed_at timestamptz not null,
  link_id      uuid,
  sent_by      uuid,
  sent_at      timestamptz not null default now(),
  number       bigint not null default nextval('fact_number'),
  primary key (club_id, item_id),
  foreign key (club_id, lifter_id) references lifter,
  constraint a_set_has_reps check ((kind = 'set') = (reps is not null and missed_reps is not null)),
  constraint a_film_is_agreed_to check (
    (kind <> 'set') = (kept_until is not null and consent is not null and view is not null))
);
create index sent_item_of_lifter on sent_item (club_id, lifter_id, number desc);
call protect('sent_item');

create table sent_word (
  club_id uuid not null,
  word_id uuid not null,
  item_id uuid not null,
  word    text not null constraint sent_word_word
    check (word in ('accepted', 'declined', 'taken back', 'deleted')),
  said_by uuid,
  said_at timestamptz not null default now(),
  number  bigint not null default nextval('fact_number'),
  primary key (club_id, word_id),
  foreign key (club_id, item_id) references sent_item
);
create index sent_word_of_item on sent_word (club_id, item_id, number desc);
call protect('sent_word');

-- With the newest word to each and the clip that was made of it.
create view sent_standing with (security_invoker = true) as
select i.*,
  (select word from sent_word w where w.club_id = i.club_id and w.item_id = i.item_id
   order by w.number desc limit 1) as word,
  (select clip_id from film_clip c where c.club_id = i.club_id and c.lifter_id = i.lifter_id
     and c.request ->> 'film_id' = i.item_id::text limit 1) as clip_id
from sent_item i;
grant select on sent_standing to pavrik_app;

create trigger note_change after insert or update on sent_item for each row execute function note_change();
create trigger note_change after insert or update on sent_word for each row execute function note_change();

create or replace function hangers_of_lifter() returns table (name text, owner text, by_column text)
language sql immutable as $$
  values ('fault_observation', 'training_set', 'set_id'), ('set_measure', 'training_set', 'set_id'),
    ('pain_clearance', 'pain_flag', 'flag_id'), ('setup_trial_end', 'setup_trial', 'trial_id'),
    ('plan_edit', 'plan', 'series_id'), ('clip_word', 'film_clip', 'clip_id'),
    ('sent_word', 'sent_item', 'item_id')
$$;

-- A coach's own words in the place of a line of the review.
alter table clip_word drop constraint clip_word_word;
alter table clip_word add constraint clip_word_word check (word in
  ('confirmed', 'dismissed', 'undecided', 'shown', 'hidden', 'withdrawn', 'logged', 'said', 'tapped'));
