"""A lifter's read-only link: card and next day of the plan, until it expires or is closed."""

import hashlib
import secrets
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from uuid import UUID

from pydantic import BaseModel

from pavrik.errors import InvalidError, NotFoundError
from pavrik.formats.wire.plans import ClosedLink, LinkAnswer, SharedAnswer
from pavrik.services.afar.sent import sent_in
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.plans.planning import warm_ups
from pavrik.services.plans.prescribing import recorded_gym
from pavrik.services.plans.standing import next_day_in
from pavrik.services.setups.card import card_of, read_card_facts
from pavrik.services.watch.shown import shown_clips
from pavrik.services.writes import write_once
from pavrik.store import plans
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database
from pavrik.words import say

LONGEST_DAYS = 180
KEPT_DAYS = 21
CONSENT = say("plans.my_coach_whoever_coaches", kept_days=KEPT_DAYS)
"""What a lifter says yes to before a film is sent by his link."""


@dataclass(frozen=True)
class MadeLink:
    """A fresh link; the token is shown once and not kept."""

    link_id: UUID
    token: str
    expires_at: datetime


class _KeptLink(BaseModel):
    """What is remembered of a link's making."""

    digest: str


def _digest(token: str) -> str:
    return hashlib.sha256(f"card:{token}".encode()).hexdigest()


def make_link(
    database: Database, who: Who, key: UUID, link_id: UUID, lifter_id: UUID, days: int
) -> MadeLink:
    """Make a link. Sending the same request twice makes one link, but shows the token once only.

    Raises InvalidError where it would last too long or was already made.
    """
    if not 1 <= days <= LONGEST_DAYS:
        raise InvalidError(
            say("plans.days_link_lasts_1", days=days, longest_days=LONGEST_DAYS), "days"
        )
    token, now = secrets.token_urlsafe(24), datetime.now(UTC)
    expires = now + timedelta(days=days)

    def action(connection: Connection) -> _KeptLink:
        get_profile(connection, lifter_id)
        link = plans.CardLink(link_id, who.club_id, lifter_id, expires, now, who.coach_id, None)
        plans.add_link(connection, link, _digest(token))
        return _KeptLink(digest=_digest(token))

    request = {"lifter": str(lifter_id), "link": str(link_id), "days": days}
    answer = write_once(
        database, who, key, "make link", request, _KeptLink, action, subject=str(lifter_id)
    )
    if answer.digest != _digest(token):
        raise InvalidError(say("club.link_already_made_shown"), "link_id")
    return MadeLink(link_id, token, expires)


def list_links(database: Database, who: Who, lifter_id: UUID) -> list[LinkAnswer]:
    """Links of a lifter with their state."""
    now = datetime.now(UTC)
    with database.reading(who.club_id) as connection:
        get_profile(connection, lifter_id)
        found = plans.list_links(connection, lifter_id)
    return [
        LinkAnswer(
            link_id=link.link_id,
            made_at=link.made_at,
            expires_at=link.expires_at,
            state="closed" if link.revoked_at else "expired" if link.expires_at < now else "open",
        )
        for link in found
    ]


def revoke(database: Database, who: Who, key: UUID, lifter_id: UUID, link_id: UUID) -> ClosedLink:
    """Close a link for good; closing it twice changes nothing."""

    def action(connection: Connection) -> ClosedLink:
        if link_id not in {link.link_id for link in plans.list_links(connection, lifter_id)}:
            raise NotFoundError(say("plans.link_not_lifters"))
        plans.revoke_link(connection, link_id, datetime.now(UTC))
        return ClosedLink(link_id=link_id)

    request = {"lifter": str(lifter_id), "link": str(link_id)}
    return write_once(
        database, who, key, "close link", request, ClosedLink, action, subject=str(lifter_id)
    )


def open_link(database: Database, token: str) -> plans.CardLink:
    """The link of a token. Raises NotFoundError for a wrong, old or closed one."""
    digest = _digest(token)
    with database.signing_in(digest) as connection:
        link = plans.find_link(connection, digest)
    if link is None or link.revoked_at is not None or link.expires_at < datetime.now(UTC):
        raise NotFoundError(say("plans.link_closed_expired_ask"))
    return link


def shared(database: Database, token: str) -> SharedAnswer:
    """What the holder of a token sees. Raises NotFoundError for a wrong, old or closed one."""
    link = open_link(database, token)
    with database.club(link.club_id) as connection:
        day = next_day_in(connection, link.lifter_id, today(connection))
        facts, gym = read_card_facts(connection, link.lifter_id), recorded_gym(connection)
        clips = shown_clips(connection, link.lifter_id)
        sent = [one for one in sent_in(connection, link.lifter_id) if one.kind != "kept film"]
    ways = warm_ups(gym, day) if day and gym else {}
    return SharedAnswer(
        card=card_of(facts), day=day, warm_ups=ways, expires_at=link.expires_at, clips=clips,
        sent=sent, consent=CONSENT,
    )  # fmt: skip
