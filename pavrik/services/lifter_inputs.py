"""From a lifter's facts to the model's input: body, screens, schools, bests, in the public JSON."""

from dataclasses import dataclass, replace
from datetime import datetime
from uuid import UUID

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.measurement import segments_from_readings
from pavrik.core.faults.schools import in_force
from pavrik.core.squat.lifter import SquatLifter
from pavrik.core.strength.estimated_max import TRUSTED_REPS, effective_reps, estimate_max
from pavrik.core.strength.inverse import Inferred
from pavrik.formats.model_requests import (
    BodyIn,
    KnownBestIn,
    ScreensIn,
    SegmentsIn,
    SquatFitRequest,
    SquatSetupIn,
)
from pavrik.services.model import squat_lifter, with_own_strengths
from pavrik.store import lifters, setups, training
from pavrik.store.database import Connection
from pavrik.store.errors import NotFoundError

BAR_OF_VARIATION = {"high-bar squat": "high", "front squat": "front", "middle-bar squat": "middle"}
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
    request: SquatFitRequest

    @staticmethod
    def model_of(request: SquatFitRequest, walks_out: bool) -> tuple[SquatLifter, Inferred | None]:
        """The lifter for the model, with strengths from the own lifts."""
        lifter, inferred = with_own_strengths(
            squat_lifter(request.body, request.screens, request.schools), request
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


def schools_in_force(connection: Connection, lifter_id: UUID) -> dict[str, str]:
    """The club's schools, overridden by the lifter's own."""
    return in_force(
        lifters.list_school_choices(connection, None),
        lifters.list_school_choices(connection, lifter_id),
    )


def settled_setup(settled: setups.Settled) -> SquatSetupIn:
    """The set-up of a settled record; fields that later versions dropped are left out."""
    known = SquatSetupIn.model_fields.keys()
    return SquatSetupIn(**{k: v for k, v in settled.setup.items() if k in known})


def _setup_in_force(
    history: list[setups.Settled], profile: lifters.Profile, at: datetime
) -> SquatSetupIn:
    """What the lifter was settled on at a time, else a usual low-bar set-up."""
    for settled in history:
        if settled.lift == "squat" and settled.settled_at <= at:
            return settled_setup(settled)
    return SquatSetupIn(
        bar_position="low",
        stance_m=round(USUAL_STANCE_SHARE * profile.stature_m, 2),
        toe_out_deg=20,
    )


def _known_bests(connection: Connection, profile: lifters.Profile) -> list[KnownBestIn]:
    """The best trusted set of every bar position in the log."""
    history = setups.list_settled(connection, profile.lifter_id)
    best: dict[str, tuple[float, KnownBestIn]] = {}
    for logged in training.list_sets(connection, profile.lifter_id, "squat"):
        if logged.variation != "competition" and logged.variation not in BAR_OF_VARIATION:
            continue
        if logged.missed_reps or not logged.reps:
            continue
        if effective_reps(logged.reps, logged.rpe) > TRUSTED_REPS:
            continue
        usual = _setup_in_force(history, profile, logged.performed_at)
        bar = BAR_OF_VARIATION.get(logged.variation, usual.bar_position)
        estimate = estimate_max(logged.load_kg, logged.reps, logged.rpe)
        if bar not in best or estimate.kg > best[bar][0]:
            setup = usual.model_copy(update={"bar_position": bar})
            best[bar] = (
                estimate.kg,
                KnownBestIn(setup=setup, load_kg=logged.load_kg, reps=logged.reps, rpe=logged.rpe),
            )
    return [known for _, known in sorted(best.values(), key=lambda pair: -pair[0])]


def load_inputs(connection: Connection, lifter_id: UUID) -> LifterInputs:
    """Everything the squat model needs about a lifter. Raises NotFoundError."""
    profile = get_profile(connection, lifter_id)
    request = SquatFitRequest(
        lift="squat",
        body=_body(connection, profile),
        screens=_screens(connection, lifter_id),
        schools={
            question: position
            for question, position in schools_in_force(connection, lifter_id).items()
            if question.startswith("squat_")
        },
        known_bests=_known_bests(connection, profile),
    )
    return LifterInputs(profile, request)
