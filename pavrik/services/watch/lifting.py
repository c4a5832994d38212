"""The lifter of a clip: the set-up in force, its linkage, its computed way at the load."""

from dataclasses import dataclass
from datetime import UTC, date, datetime, time
from typing import Any
from uuid import UUID

from pavrik.core.competition_lifts import LIFTS, LiftId
from pavrik.core.fitting.explorer import ExactSetup, exact_setup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.lift import Lift
from pavrik.core.tracking.expected import Expected, expected_way
from pavrik.core.tracking.linkage import SideLinkage, side_linkage
from pavrik.errors import InvalidError
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import (
    LifterInputs,
    SettledThen,
    load_inputs,
    settled_then,
    setup_at,
)
from pavrik.services.setups.fits import model_of, point_fit
from pavrik.services.setups.sureness import FITTINGS
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database
from pavrik.words import say


@dataclass(frozen=True)
class Lifting:
    """One lifter in the set-up in force at a load, as a film is compared with it."""

    lift: Lift[Any]
    lifter: Lifter
    setup: Any
    load_kg: float
    exact: ExactSetup[Any]
    linkage: SideLinkage
    expected: Expected


@dataclass(frozen=True)
class LiftingFacts:
    """What the record says of a lifter for a lift: nothing is computed of it yet."""

    lift: Lift[Any]
    inputs: LifterInputs
    setup: Any
    style: str = ""
    """Another style than the set-up's, in which the lift was done; nobody settled on one in it."""

    def at_load(self, load_kg: float) -> Lifting:
        """The lifter at a load. Raises InvalidError where the set-up in force does not hold."""
        return lifting_from(self.lift, model_of(self.inputs)[0], self._done_in(), load_kg)

    def _done_in(self) -> Any:
        """The set-up in force, or the one that fits this lifter best in the other style."""
        if not self.style:
            return self.setup
        leaders = point_fit(FITTINGS[self.lift.id], self.inputs).leaders
        best = next((one.setup for one in leaders if one.setup.style == self.style), None)
        return self.lift.restyled(self.setup, self.style) if best is None else best


def lifting_from(lift: Lift[Any], lifter: Lifter, setup: Any, load_kg: float) -> Lifting:
    """A lifter in a set-up at a load. Raises InvalidError where the set-up does not hold."""
    exact = exact_setup(lift, lifter, setup, load_kg)
    if exact.reasons:
        raise InvalidError(say("watch.set_up_does_not", name=lift.name, reasons=exact.reasons[0]))
    linkage = side_linkage(lifter.body, exact.setup.toe_out, exact.path)
    way = expected_way(exact.progress, exact.path)
    return Lifting(lift, lifter, setup, load_kg, exact, linkage, way)


def read_lifting(
    connection: Connection, lifter_id: UUID, lift_id: LiftId, on: date, style: str = ""
) -> LiftingFacts:
    """Facts of a lifter, in the set-up that stood on a day, or in another ``style`` that was done
    then. Raises NotFoundError, InvalidError."""
    inputs, lift = load_inputs(connection, lifter_id), LIFTS[lift_id]
    if style and style not in lift.styles:
        raise InvalidError(
            say("watch.no_style", name=lift.name, style=style, styles=", ".join(lift.styles)),
            "style",
        )
    settled = settled_then(connection, lifter_id)
    in_force = _setup_on(lift, inputs.profile.stature_m, settled, on)
    other = style if style not in ("", in_force.style) else ""
    return LiftingFacts(lift, inputs, in_force, other)


def _setup_on(lift: Lift[Any], stature_m: float, settled: list[SettledThen], on: date) -> Any:
    """The set-up settled by the end of a day, else the first one that was settled later."""
    at = datetime.combine(on, time.max, UTC)
    first = min((s.at for s in settled if s.lift == lift.id), default=at)
    return setup_at(lift, stature_m, settled, max(at, first))


def lifting_of(
    database: Database, who: Who, lifter_id: UUID, lift_id: LiftId, load_kg: float, style: str = ""
) -> Lifting:  # fmt: skip
    """One lifter in today's set-up, or in another style, at a load. Raises NotFoundError,
    InvalidError."""
    with database.reading(who.club_id) as connection:
        facts = read_lifting(connection, lifter_id, lift_id, today(connection), style)
    return facts.at_load(load_kg)
