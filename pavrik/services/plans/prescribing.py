"""The next session's load of a lift, from the log, the flags and the gym's plates."""

from collections.abc import Sequence
from datetime import UTC, datetime
from uuid import UUID

from pavrik.core import MODEL_VERSION
from pavrik.core.equipment.light_start import LIGHT_DISCS
from pavrik.core.equipment.plates import PlatePair
from pavrik.core.equipment.warm_up import warm_up
from pavrik.core.faults.findings import findings
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.caps import caps_of
from pavrik.core.prescription.next_load import (
    Gym,
    NextLoad,
    PainFlag,
    Target,
    next_load,
)
from pavrik.core.prescription.reason import Reason
from pavrik.core.squat.closed import closed_because
from pavrik.core.squat.squat import SQUAT
from pavrik.errors import InvalidError
from pavrik.formats.stored_json import JSON_VERSION
from pavrik.formats.wire.log import PrescriptionAnswer, StoredPrescriptionAnswer, WarmUpStep
from pavrik.services import stored
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import get_profile, load_inputs, setups_in_force
from pavrik.services.setups.fits import model_of
from pavrik.services.training.history import history
from pavrik.services.writes import write_once
from pavrik.store import equipment, lifters, training
from pavrik.store.database import Connection, Database

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


def gym_of(connection: Connection) -> Gym:
    """The club's bar and plates. Raises InvalidError where none are recorded."""
    gym = recorded_gym(connection)
    if gym is None:
        raise InvalidError("no bar or no plates are recorded: record the club's equipment first")
    return gym


def ladder_to(load_kg: float, gym: Gym) -> list[WarmUpStep]:
    """The way up to a load."""
    return [
        WarmUpStep(reps=reps, load_kg=step.total_kg, per_side=list(step.per_side))
        for reps, step in warm_up(load_kg, gym.bar_kg, gym.collars_kg, gym.stock)
    ]


def _closed(connection: Connection, lifter_id: UUID) -> str:
    """Why the lifter's screens close every squat; empty where one is open."""
    inputs = load_inputs(connection, lifter_id)
    return closed_because(model_of(inputs)[0], setups_in_force(connection, inputs)[SQUAT.id])


def _compute(
    connection: Connection, lifter_id: UUID, lift: str, target: Target,
    sets: Sequence[TrainingSet] | None = None,
) -> NextLoad:  # fmt: skip
    profile = get_profile(connection, lifter_id)
    closed = _closed(connection, lifter_id) if lift == SQUAT.id else ""
    if closed:
        told = f"the screens close every squat of this lifter: {closed}. Goblet and split squats "
        told += "stand in until a screen opens it"
        return NextLoad(target, None, None, None, [Reason(told)])
    flags = [
        PainFlag(str(flag.flag_id), flag.region)
        for flag in lifters.list_open_flags(connection, lifter_id)
    ]
    if sets is None:
        sets = history(connection, lifter_id, lift, COMPETITION, NEWEST)
    own = [logged for logged in sets if logged.variation == COMPETITION]
    return next_load(
        own,
        target,
        gym_of(connection),
        novice=profile.training_age == "novice",
        pain=flags,
        caps=caps_of(findings(own, catalogue_of(connection), lift), lift),
    )


def _answer(given: NextLoad, gym: Gym) -> PrescriptionAnswer:
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


def propose_in(
    connection: Connection, lifter_id: UUID, lift: str, target: Target,
    sets: Sequence[TrainingSet] | None = None,
) -> PrescriptionAnswer:  # fmt: skip
    """The next load in an open transaction; ``sets`` of the lift, oldest first, where the caller
    has read them already."""
    return _answer(_compute(connection, lifter_id, lift, target, sets), gym_of(connection))


def propose(
    database: Database, who: Who, lifter_id: UUID, lift: str, target: Target
) -> PrescriptionAnswer:
    """The next load as it would be prescribed; nothing is stored."""
    with database.club(who.club_id) as connection:
        return propose_in(connection, lifter_id, lift, target)


def given_so_far(database: Database, who: Who, lifter_id: UUID) -> list[StoredPrescriptionAnswer]:
    """Prescriptions, newest first. Raises NotFoundError."""
    with database.club(who.club_id) as connection:
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

    def action(connection: Connection) -> PrescriptionAnswer:
        answer = propose_in(connection, lifter_id, lift, target)
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
    return write_once(
        database, who, key, "prescribe", request, PrescriptionAnswer, action, subject=str(lifter_id)
    )
