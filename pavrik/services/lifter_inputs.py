"""From a lifter's facts to the model's input: body, screens, schools, bests, in the public JSON."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime
from typing import Any
from uuid import UUID

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.measurement import segments_from_readings
from pavrik.core.deadlift.styles import DeadliftSetup, usual_setup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS
from pavrik.core.log.training_set import COMPETITION, best_sets
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.estimated_max import TRUSTED_REPS
from pavrik.core.strength.inverse import Inferred
from pavrik.core.units import degrees
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.formats.model_requests import (
    BodyIn,
    DeadliftSetupIn,
    FitRequest,
    KnownBestIn,
    ScreensIn,
    SegmentsIn,
    SquatSetupIn,
)
from pavrik.formats.setup_codec import deadlift_from_wire, squat_from_wire
from pavrik.services.log_history import logged_sets, schools_in_force
from pavrik.services.model import lifter_from, with_own_strengths
from pavrik.store import lifters, setups, training
from pavrik.store.database import Connection
from pavrik.store.errors import NotFoundError

STRAIGHT_BAR = ("conventional", "sumo")
USUAL_STANCE_SHARE = 0.24
"""Stance assumed for a best whose set-up nobody recorded, as a share of stature: assumption."""
_SCREEN_FIELD = {
    "ankle": "ankle_dorsiflexion_deg",
    "neutral_depth": "neutral_closing_deg",
    "hip": "hip_abduction_deg",
    "hip_rotation": "hip_rotation_deg",
    "box": "box_height_m",
}


@dataclass(frozen=True)
class LifterInputs:
    """A lifter's profile and the fit request that today's facts make."""

    profile: lifters.Profile
    request: FitRequest

    @staticmethod
    def model_of(request: FitRequest, walks_out: bool) -> tuple[Lifter, Inferred | None]:
        """The lifter for the model, with strengths from the own lifts."""
        lifter, inferred = with_own_strengths(
            lifter_from(request.body, request.screens, request.schools), request
        )
        limit = DEFAULT.stance_limit_walkout_m if walks_out else DEFAULT.stance_limit_monolift_m
        return replace(lifter, stance_limit_m=limit), inferred


def get_profile(connection: Connection, lifter_id: UUID) -> lifters.Profile:
    """The newest profile. Raises NotFoundError."""
    profile = lifters.get_profile(connection, lifter_id)
    if profile is None:
        raise NotFoundError("this lifter is not in your club")
    return profile


def _body(connection: Connection, profile: lifters.Profile) -> BodyIn:
    readings = {
        m.landmark: m.readings_m for m in lifters.list_measurements(connection, profile.lifter_id)
    }
    return BodyIn(
        sex=profile.sex,
        mass_kg=profile.mass_kg,
        stature_m=profile.stature_m,
        segments=SegmentsIn(**segments_from_readings(readings)),
    )


def _screens(connection: Connection, lifter_id: UUID) -> ScreensIn:
    angles: dict[str, float | None] = {}
    grips: dict[str, float | None] = {}
    for result in lifters.list_screens(connection, lifter_id):
        if result.kind in _SCREEN_FIELD:
            angles[_SCREEN_FIELD[result.kind]] = result.value
        elif result.kind.startswith("grip_"):
            grips[result.kind.removeprefix("grip_")] = result.value
    return ScreensIn.model_validate({**angles, "narrowest_grip_m": grips})


def _setup_in_force(
    history: list[setups.Settled], lift: str, usual: dict[str, Any], at: datetime
) -> dict[str, Any]:
    """What the lifter was settled on at a time, else a usual set-up."""
    for settled in history:
        if settled.lift == lift and settled.settled_at <= at:
            return settled.setup
    return usual


def _fitted(lift: str, variation: str) -> str | None:
    """Bar position or straight-bar style of a variation that the fit knows as such; None where
    it is the competition lift with something else changed."""
    known = shipped_variations().by_name.get(variation)
    knob = known.knob if known and known.lift == lift else None
    if knob is None:
        return None
    if lift == "squat":
        return knob.bar if knob.bar in BAR_POSITIONS else None
    return knob.style if knob.style in STRAIGHT_BAR else None


def squat_setup_at(profile: lifters.Profile, history: list[setups.Settled], at: datetime,
                 variation: str) -> SquatSetupIn:  # fmt: skip
    """The squat's set-up at a time: settled then, else a usual one."""
    usual: dict[str, Any] = {
        "bar_position": "low",
        "stance_m": round(USUAL_STANCE_SHARE * profile.stature_m, 2),
        "toe_out_deg": 20,
    }
    fields = _setup_in_force(history, "squat", usual, at)
    known = {k: v for k, v in fields.items() if k in SquatSetupIn.model_fields}
    bar = _fitted("squat", variation)
    if bar is not None:
        known |= {"bar_position": bar, "specialty": None}
    return SquatSetupIn(**known)


def deadlift_setup_at(
    history: list[setups.Settled], at: datetime, variation: str
) -> DeadliftSetupIn:
    """The deadlift's set-up at a time: settled then, else a usual one."""
    style = _fitted("deadlift", variation) or "conventional"
    usual = usual_setup(style)
    fields: dict[str, Any] = {
        "style": style,
        "stance_m": usual.stance_m,
        "toe_out_deg": round(float(degrees(usual.toe_out)), 1),
        "grip_m": usual.grip_m,
        "bar_offset_m": usual.bar_offset_m,
    }
    if variation == COMPETITION:
        fields = _setup_in_force(history, "deadlift", fields, at)
    return DeadliftSetupIn(**{k: v for k, v in fields.items() if k in DeadliftSetupIn.model_fields})


@dataclass(frozen=True)
class InForce:
    """The set-ups that a lifter lifts in today."""

    squat: SquatSetup
    deadlift: DeadliftSetup


def setups_in_force(connection: Connection, inputs: LifterInputs) -> InForce:
    """Settled set-ups of both lifts, else the usual ones."""
    settled, now = setups.list_settled(connection, inputs.profile.lifter_id), datetime.now(UTC)
    return InForce(
        squat_from_wire(squat_setup_at(inputs.profile, settled, now, COMPETITION)),
        deadlift_from_wire(deadlift_setup_at(settled, now, COMPETITION)),
    )


def _setup_at(
    profile: lifters.Profile, settled: list[setups.Settled], kept: training.TrainingSet
) -> SquatSetupIn | DeadliftSetupIn:
    if kept.lift == "squat":
        return squat_setup_at(profile, settled, kept.performed_at, kept.variation)
    return deadlift_setup_at(settled, kept.performed_at, kept.variation)


def _known_bests(connection: Connection, profile: lifters.Profile) -> list[KnownBestIn]:
    """The best counting set of every bar position and pulling style in the log."""
    settled = setups.list_settled(connection, profile.lifter_id)
    stored = {
        str(kept.set_id): kept
        for kept in training.list_sets(connection, profile.lifter_id)
        if kept.variation == COMPETITION or _fitted(kept.lift, kept.variation)
    }
    setup_of = {set_id: _setup_at(profile, settled, kept) for set_id, kept in stored.items()}

    def style(set_id: str) -> tuple[str, str]:
        setup = setup_of[set_id]
        name = setup.bar_position if isinstance(setup, SquatSetupIn) else setup.style
        return stored[set_id].lift, name

    sets = logged_sets(connection, profile.lifter_id, list(stored.values()))
    best = best_sets((style(s.set_id), s) for s in sets)
    return [
        KnownBestIn(
            setup=setup_of[says.logged.set_id],
            load_kg=says.logged.load_kg,
            reps=min(says.logged.reps, TRUSTED_REPS),
            rpe=None if says.at_least else says.logged.rpe,
        )
        for says in sorted(best.values(), key=lambda says: -says.kg)
    ]


def facts_of(connection: Connection, profile: lifters.Profile) -> LifterInputs:
    """Body, screens and schools of a lifter, without the log."""
    request = FitRequest(
        body=_body(connection, profile),
        screens=_screens(connection, profile.lifter_id),
        schools=schools_in_force(connection, profile.lifter_id),
    )
    return LifterInputs(profile, request)


def load_inputs(connection: Connection, lifter_id: UUID) -> LifterInputs:
    """Everything the model needs about a lifter. Raises NotFoundError."""
    facts = facts_of(connection, get_profile(connection, lifter_id))
    bests = _known_bests(connection, facts.profile)
    return LifterInputs(facts.profile, facts.request.model_copy(update={"known_bests": bests}))
