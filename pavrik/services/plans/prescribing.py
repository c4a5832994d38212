"""The next session's load of a lift, from the log, the flags and the gym's plates."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from typing import Any
from uuid import UUID

from pavrik.core import MODEL_VERSION
from pavrik.core.equipment.light_start import LIGHT_DISCS
from pavrik.core.equipment.plates import PlatePair
from pavrik.core.equipment.warm_up import warm_up
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.findings import findings
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.ability import ability_of
from pavrik.core.prescription.caps import caps_of
from pavrik.core.prescription.next_load import Gym, NextLoad, Target, next_load
from pavrik.core.prescription.pain import (
    LONGEST_WAY_BACK_DAYS,
    Clearance,
    PainFlag,
    way_back_caps,
)
from pavrik.core.prescription.reason import Reason
from pavrik.errors import InvalidError
from pavrik.formats.stored_json import JSON_VERSION
from pavrik.formats.wire.log import PrescriptionAnswer, StoredPrescriptionAnswer, WarmUpStep
from pavrik.services import stored
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.known_lifts import known_bests, with_known_bests
from pavrik.services.lifters.model_inputs import (
    LifterInputs,
    load_inputs,
    setups_in_force,
)
from pavrik.services.lifters.profile import get_profile
from pavrik.services.setups.remembered import closed_to
from pavrik.services.training.history import history
from pavrik.services.writes import compute_and_write
from pavrik.store import equipment, lifters, training
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database
from pavrik.words import say

NEWEST = 200
"""Sets that a prescription looks back on: older ones no longer move the trend."""


def recorded_gym(connection: Connection) -> Gym | None:
    """The club's bar and plates and whether it has light full-diameter discs; None where no bar
    or no plates are recorded."""
    bars, plates = equipment.list_bars(connection), equipment.list_plates(connection)
    usable = [bar for bar in bars if bar.mass_kg <= 25] or bars
    if not usable or not plates:
        return None
    bar, stock = usable[0], tuple(PlatePair(p.kg, p.pairs) for p in plates)
    return Gym(bar.mass_kg, bar.collars_kg, stock, LIGHT_DISCS in equipment.get_kit(connection))


def required(gym: Gym | None) -> Gym:
    """A gym that is needed. Raises InvalidError where none is recorded."""
    if gym is None:
        raise InvalidError(say("plans.no_bar_no_plates"))
    return gym


def ladder_to(load_kg: float, gym: Gym) -> list[WarmUpStep]:
    """The way up to a load."""
    return [
        WarmUpStep(reps=reps, load_kg=step.total_kg, per_side=list(step.per_side))
        for reps, step in warm_up(load_kg, gym.bar_kg, gym.collars_kg, gym.stock)
    ]


def pain_flags(connection: Connection, lifter_id: UUID) -> tuple[PainFlag, ...]:
    """Where it hurts now."""
    return tuple(
        PainFlag(str(flag.flag_id), flag.region)
        for flag in lifters.list_open_flags(connection, lifter_id)
    )


def clearances(connection: Connection, lifter_id: UUID) -> tuple[Clearance, ...]:
    """Where it hurt until lately: flags of which the way back is not over."""
    since = datetime.now(UTC) - timedelta(days=LONGEST_WAY_BACK_DAYS)
    return tuple(
        Clearance(str(one.flag_id), one.region, one.raised_at.date(), one.cleared_at.date())
        for one in lifters.list_clearances(connection, lifter_id, since)
    )


@dataclass(frozen=True)
class NextLoadFacts:
    """What the next load of a lift follows from; ``sets`` of the lift, oldest first."""

    lift: str
    inputs: LifterInputs
    setup: Any
    sets: Sequence[TrainingSet]
    flags: tuple[PainFlag, ...]
    cleared: tuple[Clearance, ...]
    catalogue: Catalogue
    gym: Gym
    on: date


def read_next_load_facts(
    connection: Connection, inputs: LifterInputs, lift: str,
    sets: Sequence[TrainingSet] | None = None,
) -> NextLoadFacts:  # fmt: skip
    """Read, nothing computed yet; the logged ``sets`` where the caller has read them already.
    Raises InvalidError."""
    lifter_id, setup = inputs.profile.lifter_id, setups_in_force(connection, inputs)[lift]
    logged = history(connection, lifter_id, lift, most=NEWEST) if sets is None else sets
    told = known_bests(connection, lifter_id)
    return NextLoadFacts(
        lift,
        inputs,
        setup,
        with_known_bests(logged, told, lift, setup.style),
        pain_flags(connection, lifter_id),
        clearances(connection, lifter_id),
        catalogue_of(connection),
        required(recorded_gym(connection)),
        today(connection),
    )


def _compute(facts: NextLoadFacts, target: Target) -> NextLoad:
    closed = closed_to(facts.inputs, facts.lift, facts.setup)
    if closed:
        told = say("plans.screens_close_every_squat", closed=closed)
        told += say("plans.stand_until_screen_opens")
        return NextLoad(target, None, None, None, [Reason(told)])
    own = [logged for logged in facts.sets if logged.variation == COMPETITION]
    age = facts.inputs.profile.training_age
    ability = ability_of(own, age, facts.on)
    caps = caps_of(findings(own, facts.catalogue, facts.lift, age), facts.lift)
    caps += way_back_caps(facts.cleared, ability.kg if ability else None, facts.on)
    return next_load(
        own,
        target,
        facts.gym,
        age=age,
        today=facts.on,
        pain=facts.flags,
        caps=caps,
    )


def proposed(facts: NextLoadFacts, target: Target) -> PrescriptionAnswer:
    """The next load, its warm-up and why."""
    given, gym = _compute(facts, target), facts.gym
    loading, reasons = given.loading, [*given.reasons, *given.rounding]
    return PrescriptionAnswer(
        sets=given.target.sets,
        reps=given.target.reps,
        rpe=given.target.rpe,
        estimated_max_kg=given.estimated_max_kg,
        load_kg=loading.total_kg if loading else None,
        per_side=list(loading.per_side) if loading else [],
        bar_kg=gym.bar_kg,
        collars_kg=gym.collars_kg,
        reasons=reasons,
        warm_up=ladder_to(loading.total_kg, gym) if loading else [],
    )


def propose(
    database: Database, who: Who, lifter_id: UUID, lift: str, target: Target
) -> PrescriptionAnswer:
    """The next load as it would be prescribed; nothing is stored."""
    with database.reading(who.club_id) as connection:
        inputs = load_inputs(connection, lifter_id)
        facts = read_next_load_facts(connection, inputs, lift)
    return proposed(facts, target)


def given_so_far(database: Database, who: Who, lifter_id: UUID) -> list[StoredPrescriptionAnswer]:
    """Prescriptions, newest first. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        get_profile(connection, lifter_id)
        return [
            StoredPrescriptionAnswer.model_validate(given, from_attributes=True)
            for given in stored.list_prescriptions(connection, lifter_id)
        ]


def prescribe(
    database: Database, who: Who, key: UUID, prescription_id: UUID, lifter_id: UUID, lift: str,
    target: Target, overruled_kg: float | None, overruled_because: str,
) -> PrescriptionAnswer:  # fmt: skip
    """Store the next load; a coach may overrule it with a reason."""

    def action(connection: Connection, answer: PrescriptionAnswer) -> PrescriptionAnswer:
        given = training.Prescription(
            prescription_id, lifter_id, lift, answer.model_dump(mode="json"), overruled_kg,
            overruled_because, datetime.now(UTC), JSON_VERSION,
        )  # fmt: skip
        inputs = {"target": vars(target)}
        training.add_prescription(
            connection, who.club_id, who.coach_id, inputs, MODEL_VERSION, given
        )
        return answer

    request = {
        "lifter": str(lifter_id), "lift": lift, "target": vars(target),
        "overruled_kg": overruled_kg, "because": overruled_because,
    }  # fmt: skip
    return compute_and_write(
        database, who, key, "prescribe", request, PrescriptionAnswer,
        lambda: propose(database, who, lifter_id, lift, target), action, subject=str(lifter_id),
    )  # fmt: skip
