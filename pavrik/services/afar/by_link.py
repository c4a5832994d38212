"""What the holder of a lifter's own link sends: sets and films, and what he takes back."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta
from uuid import UUID, uuid5

from uuid6 import uuid7

from pavrik.core.faults.schools import sent_sets_count
from pavrik.errors import InvalidError
from pavrik.formats.wire.afar import SendSetRequest, SentFilmFacts, SentRef
from pavrik.services.afar.sent import into_log, item_in, state_of
from pavrik.services.context import Who
from pavrik.services.plans.card_link import CONSENT, KEPT_DAYS, open_link
from pavrik.services.training.history import schools_in_force
from pavrik.services.watch.films import Films
from pavrik.store import accounts
from pavrik.store import sent as store
from pavrik.store.database import Connection, Database
from pavrik.store.plans import CardLink
from pavrik.words import say

MOST_WAITING = {"set": 30, "film": 3}
MOST_FILM_BYTES = 100_000_000


def send_set(database: Database, token: str, request: SendSetRequest) -> SentRef:
    """A set done from afar; it waits for a coach, or counts at once where the club says so. Raises
    NotFoundError, InvalidError."""
    link = open_link(database, token)
    item = store.NewItem(
        lifter_id=link.lifter_id, kind="set", link_id=link.link_id, **request.model_dump()
    )
    answer = _add(database, link, item)
    return answer.model_copy(update={"counts": _count_at_once(database, link, item.item_id)})


def _count_at_once(database: Database, link: CardLink, item_id: UUID) -> bool:
    """Log a set without a word of a coach where the club or the lifter has it so, under the name of
    the coach who gave the link."""
    with database.club(link.club_id) as connection:
        chosen = schools_in_force(connection, link.lifter_id)
        at_once = sent_sets_count(chosen) and not _sent_many(connection, link.lifter_id)
        item = item_in(connection, link.lifter_id, item_id)
        if at_once and item.word is None and link.made_by is not None:
            word_id = uuid5(item_id, "counts at once")
            store.say(connection, link.club_id, item_id, word_id, "accepted")
            _note(connection, link, say("afar.set_lifter_counts_once"))
            item = replace(item, word="accepted")
    if item.word != "accepted" or link.made_by is None:
        return False
    into_log(database, Who(link.club_id, link.made_by, "coach"), item)
    return True


def _sent_many(connection: Connection, lifter_id: UUID) -> bool:
    """Whether more sets came within a day than anybody does: then a coach looks at them first."""
    since = datetime.now(UTC) - timedelta(days=1)
    newest = store.list_items(connection, lifter_id, 2 * MOST_WAITING["set"])
    came = [one for one in newest if one.kind == "set" and one.sent_at and one.sent_at > since]
    return len(came) > MOST_WAITING["set"]


@dataclass(frozen=True)
class FilmToCome:
    """A film that may be sent now: by which link, what will be kept of it, and until when."""

    link: CardLink
    item: store.NewItem
    until: datetime


def expect_film(database: Database, token: str, item_id: UUID, facts: SentFilmFacts) -> FilmToCome:
    """Whether a film may be sent by this link now. Raises NotFoundError, InvalidError."""
    if not facts.agreed:
        raise InvalidError(say("afar.say_yes_before_film", consent=CONSENT), "agreed")
    link = open_link(database, token)
    until = datetime.now(UTC) + timedelta(days=KEPT_DAYS)
    item = store.NewItem(
        item_id=item_id, lifter_id=link.lifter_id, kind="film", consent=CONSENT, kept_until=until,
        link_id=link.link_id, **facts.model_dump(exclude={"agreed"}),
    )  # fmt: skip
    with database.club(link.club_id) as connection:
        _check_waiting(connection, item)
    return FilmToCome(link, item, until)


def keep_film(database: Database, films: Films, expected: FilmToCome) -> SentRef:
    """Keep a film that has come, as long as was agreed; it waits for a coach."""
    link, item = expected.link, expected.item
    films.keep(link.club_id, item.item_id, expected.until)
    return _add(database, link, item)


def take_back(database: Database, films: Films, token: str, item_id: UUID) -> SentRef:
    """The lifter takes back what he sent; a film goes at once, a set that counts already stays.
    Raises NotFoundError, InvalidError."""
    link = open_link(database, token)
    with database.club(link.club_id) as connection:
        item = item_in(connection, link.lifter_id, item_id)
        state = state_of(item, datetime.now(UTC))
        if item.kind == "set" and state == "counts":
            raise InvalidError(say("afar.set_counts_already_ask"))
        if item.word is None:
            word_id = uuid5(item_id, "taken back")
            store.say(connection, link.club_id, item_id, word_id, "taken back")
            _note(connection, link, say("afar.taken_back_lifter"))
    if item.kind != "set":
        films.forget(link.club_id, item_id)
    return SentRef(item_id=item_id)


def _add(database: Database, link: CardLink, item: store.NewItem) -> SentRef:
    with database.club(link.club_id) as connection:
        _check_waiting(connection, item)
        store.add_item(connection, link.club_id, item)
        _note(connection, link, say("afar.sent_lifter", kind=item.kind))
    return SentRef(item_id=item.item_id)


def _note(connection: Connection, link: CardLink, deed: str) -> None:
    accounts.add_audit(connection, link.club_id, uuid7(), None, deed, str(link.lifter_id))


def _check_waiting(connection: Connection, item: store.NewItem) -> None:
    """What is sent again waits once. Raises InvalidError where too much of the kind waits already,
    NotFoundError for the id of somebody else's."""
    if store.get_item(connection, item.item_id) is not None:
        item_in(connection, item.lifter_id, item.item_id)
        return
    waiting = sum(
        one.waiting for one in store.count_waiting(connection)
        if (one.lifter_id, one.kind) == (item.lifter_id, item.kind)
    )  # fmt: skip
    most = MOST_WAITING[item.kind]
    if waiting >= most:
        raise InvalidError(
            say("afar.s_yours_wait_your", waiting=waiting, kind=item.kind, most=most)
        )
