"""What a lifter is known to have lifted, told and not logged: bests by style, isolated tests."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from typing import Any
from uuid import UUID

from uuid6 import uuid7

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.lifts.lift import Lift
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.strength.isolated_tests import ISOLATED_TESTS
from pavrik.core.units import told_kg
from pavrik.core.variations.catalogue import shares_of_max, shipped_variations
from pavrik.errors import InvalidError
from pavrik.formats.model.requests import KnownTestIn
from pavrik.formats.wire.lifters import (
    Acknowledged,
    ExerciseOut,
    KnownLiftAnswer,
    KnownLiftRequest,
)
from pavrik.services.context import Who
from pavrik.services.lifters.profile import get_profile
from pavrik.services.writes import write_once
from pavrik.store import lifters as store
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database
from pavrik.words import say

TEST = "test"
ALL_OUT = 10.0
"""RPE of a best that was told without one: a best is what was all that was there."""


@dataclass(frozen=True)
class _Best:
    """A lift and a style of it that a best may be told of."""

    lift: Lift[Any]
    style: str


def _bests() -> dict[str, _Best]:
    return {
        f"{lift.id}:{style}": _Best(lift, style)
        for lift in LIFTS.values()
        for style in lift.searched
    }


def exercises() -> list[ExerciseOut]:
    """Everything that can be told: the styles of every lift, then the isolated tests."""
    styles = [
        ExerciseOut(
            exercise=exercise,
            name=f"{best.lift.styles[best.style].name} {best.lift.name}",
            how=say("lifters.heaviest_clean_lift_competition"),
        )
        for exercise, best in _bests().items()
    ]
    tests = [
        ExerciseOut(exercise=f"{TEST}:{test.id}", name=test.name, how=test.how)
        for test in ISOLATED_TESTS.values()
    ]
    return styles + tests


def known_lifts(connection: Connection, lifter_id: UUID) -> list[KnownLiftAnswer]:
    """What stands, with the names of the exercises."""
    names = {one.exercise: one.name for one in exercises()}
    return [
        KnownLiftAnswer(name=names[known.exercise], **vars(known))
        for known in store.list_known_lifts(connection, lifter_id)
        if known.exercise in names
    ]


def known_tests(connection: Connection, lifter_id: UUID) -> list[KnownTestIn]:
    """The isolated tests that stand, for the model."""
    return [
        KnownTestIn(test=known.exercise.partition(":")[2], load_kg=known.load_kg, reps=known.reps,
                    rpe=known.rpe)
        for known in store.list_known_lifts(connection, lifter_id)
        if known.exercise.startswith(f"{TEST}:")
    ]  # fmt: skip


def known_bests(connection: Connection, lifter_id: UUID) -> list[tuple[str, str, TrainingSet]]:
    """The bests that stand as sets that were done, each with its lift and style; one told without
    an RPE was all-out."""
    bests = _bests()
    return [
        (
            bests[known.exercise].lift.id,
            bests[known.exercise].style,
            TrainingSet(
                str(known.known_id), known.done_on.isoformat(), known.load_kg, known.reps,
                known.rpe or ALL_OUT, told=True,
            ),
        )
        for known in store.list_known_lifts(connection, lifter_id)
        if known.exercise in bests and known.load_kg is not None
    ]  # fmt: skip


def _variation(lift: str, style: str) -> str | None:
    """The variation that another style of a lift is."""
    for variation in shipped_variations().of(lift):
        knob = variation.knob
        if knob is not None and style in (knob.bar, knob.style):
            return variation.name
    return None


def with_known_bests(
    sets: Sequence[TrainingSet],
    bests: Sequence[tuple[str, str, TrainingSet]],
    lift: str,
    style: str,
) -> list[TrainingSet]:
    """A lift's sets, oldest first, with the told bests among them: in the lifter's own style as the
    competition lift, in another as the variation that it is."""
    told, shares = [], shares_of_max()
    for of_lift, of_style, best in bests:
        variation = COMPETITION if of_style == style else _variation(lift, of_style)
        if of_lift == lift and variation is not None:
            told.append(replace(best, variation=variation, of_max=shares.get(variation)))
    return sorted([*told, *sets], key=lambda one: one.day)


def tell(
    database: Database, who: Who, key: UUID, lifter_id: UUID, request: KnownLiftRequest
) -> Acknowledged:
    """A best or a test that was told; without a load the one before is taken back. Raises
    InvalidError where it cannot have been."""
    if request.exercise not in {one.exercise for one in exercises()}:
        raise InvalidError(
            say("lifters.there_no_exercise_here", exercise=request.exercise), "exercise"
        )

    def action(connection: Connection) -> Acknowledged:
        profile = get_profile(connection, lifter_id)
        check_known_lift(request, profile.mass_kg, today(connection))
        known = store.KnownLift(
            uuid7(), request.exercise, request.load_kg, request.reps, request.rpe, request.done_on
        )  # fmt: skip
        store.add_known_lift(
            connection, who.club_id, lifter_id, who.coach_id, datetime.now(UTC), known
        )
        return Acknowledged()

    told = {"lifter": str(lifter_id), **request.model_dump(mode="json")}
    return write_once(
        database, who, key, "known lift", told, Acknowledged, action, subject=str(lifter_id)
    )


MOST_BODY_MASSES = 6.5
"""More than anyone has lifted in any of these; pounds typed as kilograms come out above it."""


def check_known_lift(request: KnownLiftRequest, mass_kg: float, on: date) -> None:
    """Raise InvalidError for a day to come and for a load that nobody lifts."""
    if request.done_on > on:
        raise InvalidError(
            say("lifters.still_come_when_lifted", done_on=request.done_on), "done_on"
        )
    if request.load_kg is not None and request.load_kg > MOST_BODY_MASSES * mass_kg:
        times = request.load_kg / mass_kg
        raise InvalidError(
            say(
                "lifters.would_times_body_mass",
                best=told_kg(request.load_kg),
                times=times,
                mass=told_kg(mass_kg),
            ),
            "load_kg",
        )
