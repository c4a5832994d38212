"""From a lifter's facts to the model's input: body, screens, schools, bests, in the public JSON."""

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from typing import Any
from uuid import UUID

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.measurement import segments_from_readings
from pavrik.core.competition_lifts import LIFTS
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import ANGLE_SCREENS, hard_limits
from pavrik.core.lifts.lift import Lift
from pavrik.core.log.training_set import COMPETITION, TrainingSet, best_sets
from pavrik.core.strength.estimated_max import TRUSTED_REPS, counted_in_full, estimate_max
from pavrik.core.strength.inverse import Inferred
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.formats.model.requests import (
    BodyIn,
    FitRequest,
    KnownBestIn,
    ScreensIn,
    SegmentsIn,
)
from pavrik.formats.model.setup_codec import WIRE, from_wire, read_setup, to_wire
from pavrik.services import stored
from pavrik.services.lifters.known_lifts import known_bests, known_tests
from pavrik.services.lifters.model_lifter import lifter_from, with_own_strengths
from pavrik.services.lifters.profile import get_profile
from pavrik.services.training.history import logged_sets, schools_in_force
from pavrik.store import lifters, training
from pavrik.store.database import Connection

Style = tuple[str, str]
"""A lift and its style."""
_SCREEN_FIELD = {screen.kind: screen.key for screen in ANGLE_SCREENS} | {"box": "box_height_m"}


@dataclass(frozen=True)
class LifterInputs:
    """A lifter's profile and the fit request that today's facts make."""

    profile: lifters.Profile
    request: FitRequest

    @staticmethod
    def model_of(request: FitRequest, walks_out: bool) -> tuple[Lifter, Inferred | None]:
        """The lifter for the model, with strengths from the own lifts."""
        lifter, inferred = with_own_strengths(
            lifter_from(request.body, request.screens, request.schools, gear=request.gear), request
        )
        limit = DEFAULT.stance_limit_walkout_m if walks_out else DEFAULT.stance_limit_monolift_m
        return replace(lifter, stance_limit_m=limit), inferred


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


TURNS_UNDER = "butt-wink"


def _hard(connection: Connection, profile: lifters.Profile) -> list[str]:
    """Limits that this lifter keeps to the degree."""
    lifter_id = profile.lifter_id
    return sorted(
        hard_limits(
            [flag.region for flag in lifters.list_open_flags(connection, lifter_id)],
            training.has_shown(connection, lifter_id, TURNS_UNDER),
            profile.years_in(datetime.now(UTC).year),
        )
    )


def _screens(connection: Connection, profile: lifters.Profile) -> ScreensIn:
    angles: dict[str, float | None] = {}
    grips: dict[str, float | None] = {}
    shelf = "not_screened" if profile.novice else "holds"
    for result in lifters.list_screens(connection, profile.lifter_id):
        if result.kind in _SCREEN_FIELD:
            angles[_SCREEN_FIELD[result.kind]] = result.value
        elif result.kind.startswith("grip_"):
            grips[result.kind.removeprefix("grip_")] = result.value
        elif result.kind == "shelf":
            shelf = "holds" if result.value else "fails"
    hard = _hard(connection, profile)
    return ScreensIn.model_validate(
        {**angles, "narrowest_grip_m": grips, "hard": hard, "shelf": shelf}
    )


def _fitted(lift: Lift[Any], variation: str) -> str | None:
    """The style that a variation is, where the fit ranks it; None where it is the competition lift
    with something else changed."""
    known = shipped_variations().by_name.get(variation)
    if known is None or known.lift != lift.id or known.knob is None:
        return None
    style = known.knob.bar or known.knob.style
    return style if style in lift.searched and lift.styles[style].tells_strength else None


@dataclass(frozen=True)
class SettledThen:
    """A set-up that was settled, and when."""

    lift: str
    at: datetime
    setup: Any


def settled_then(connection: Connection, lifter_id: UUID) -> list[SettledThen]:
    """Every set-up that was settled for a lifter, newest first."""
    return [
        SettledThen(s.lift, s.settled_at, from_wire(read_setup(WIRE[s.lift], s.setup)))
        for s in stored.list_settled(connection, lifter_id)
    ]


def setup_at(
    lift: Lift[Any], stature_m: float, history: list[SettledThen], at: datetime,
    variation: str = COMPETITION,
) -> Any:  # fmt: skip
    """The set-up at a time: settled then, else a usual one, in the variation's style."""
    settled = next((s for s in history if s.lift == lift.id and s.at <= at), None)
    setup = settled.setup if settled is not None else lift.usual(stature_m)
    style = _fitted(lift, variation)
    return setup if style is None else lift.restyled(setup, style)


def setups_in_force(connection: Connection, inputs: LifterInputs) -> dict[str, Any]:
    """The set-ups that a lifter lifts in today, by lift: settled ones, else the usual."""
    profile, now = inputs.profile, datetime.now(UTC)
    settled = settled_then(connection, profile.lifter_id)
    return {lift.id: setup_at(lift, profile.stature_m, settled, now) for lift in LIFTS.values()}


LOOKED_AT = 8
"""Sets of a style that are looked at first: one of them counts, as a rule."""


def _promise_kg(kept: training.StoredSet) -> float:
    """What a set says of the max, if it counts."""
    full = counted_in_full(kept.load_kg, kept.reps, kept.rpe) if kept.reps else None
    if full is not None:
        return full.kg
    return estimate_max(kept.load_kg, min(max(kept.reps, 1), TRUSTED_REPS), 10.0).kg


def _most_promising(
    connection: Connection, lifter_id: UUID, of_style: Mapping[Style, list[training.StoredSet]]
) -> list[tuple[Style, TrainingSet]]:
    """Of every style its sets from the most promising on, at least to the first that counts: no
    other can be its best."""
    style_of = {kept.set_id: style for style, of in of_style.items() for kept in of}
    found: list[tuple[Style, TrainingSet]] = []
    left = {style: sorted(of, key=_promise_kg, reverse=True) for style, of in of_style.items()}
    while left:
        looked = [kept for of in left.values() for kept in of[:LOOKED_AT]]
        sets = logged_sets(connection, lifter_id, looked)
        now = [(style_of[UUID(one.set_id)], one) for one in sets]
        found += now
        known = {style for style, one in now if one.counts_for_max}
        left = {style: of[LOOKED_AT:] for style, of in left.items() if style not in known}
        left = {style: of for style, of in left.items() if of}
    return found


def _known_bests(connection: Connection, profile: lifters.Profile) -> list[KnownBestIn]:
    """The best counting set of every bar position and pulling style, logged or told."""
    settled = settled_then(connection, profile.lifter_id)
    setup_of: dict[str, Any] = {}
    of_style: dict[Style, list[training.StoredSet]] = defaultdict(list)
    for kept in training.list_sets(connection, profile.lifter_id):
        if kept.variation == COMPETITION or _fitted(LIFTS[kept.lift], kept.variation):
            setup = setup_at(
                LIFTS[kept.lift], profile.stature_m, settled, kept.performed_at, kept.variation
            )
            setup_of[str(kept.set_id)] = setup
            of_style[kept.lift, setup.style].append(kept)
    told = known_bests(connection, profile.lifter_id)
    for lift, style, one in told:
        own = setup_at(LIFTS[lift], profile.stature_m, settled, datetime.now(UTC))
        same = own.style == style
        setup_of[one.set_id] = own if same else LIFTS[lift].restyled(own, style)
    logged = _most_promising(connection, profile.lifter_id, of_style)
    best = best_sets([*logged, *(((lift, style), one) for lift, style, one in told)])
    return [
        KnownBestIn(
            setup=to_wire(setup_of[says.logged.set_id]),
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
        screens=_screens(connection, profile),
        schools=schools_in_force(connection, profile.lifter_id),
        gear=profile.gear,
    )
    return LifterInputs(profile, request)


def load_inputs(connection: Connection, lifter_id: UUID) -> LifterInputs:
    """Everything the model needs about a lifter. Raises NotFoundError."""
    facts = facts_of(connection, get_profile(connection, lifter_id))
    bests = _known_bests(connection, facts.profile)
    known = {"known_bests": bests, "known_tests": known_tests(connection, lifter_id)}
    return LifterInputs(facts.profile, facts.request.model_copy(update=known))
