"""The loads at which technique breaks, from the newest sets: kept until a fact changes."""

from collections.abc import Iterable
from functools import partial
from uuid import UUID

from pydantic import BaseModel

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.faults.findings import technique_cap
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.kept import kept_parts
from pavrik.services.lifters.profile import get_profile
from pavrik.services.training.history import history
from pavrik.store.database import Connection

SUMMED_SETS = 400
"""The newest sets of a lift that its cap rests on."""


class LiftCap(BaseModel):
    """The load above which a lift is not loaded for now, and why."""

    load_kg: float
    words: str


class Caps(BaseModel):
    """A lifter's caps by lift; a lift without one is not there."""

    lifter_id: UUID
    by_lift: dict[str, LiftCap]


def _caps(connection: Connection, lifter_id: UUID) -> Caps:
    age, catalogue = get_profile(connection, lifter_id).training_age, catalogue_of(connection)
    by_lift = {}
    for lift in LIFT_IDS:
        sets = history(connection, lifter_id, lift, most=SUMMED_SETS)
        cap = technique_cap(sets, catalogue, age)
        if cap is not None:
            by_lift[lift] = LiftCap(load_kg=cap.load_kg, words=cap.words)
    return Caps(lifter_id=lifter_id, by_lift=by_lift)


def caps_of(connection: Connection, who: Who, lifter_ids: Iterable[UUID]) -> dict[UUID, Caps]:
    """Of lifters who are there. Raises NotFoundError."""
    return kept_parts(
        connection, who, "caps", Caps, {i: partial(_caps, connection, i) for i in lifter_ids}
    )
