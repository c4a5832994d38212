"""From a request to the model's lifter; raises ValueError with one line per problem."""

from collections.abc import Mapping
from dataclasses import replace

from pydantic import BaseModel

from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.segments import make_body
from pavrik.core.competition_lifts import lift_of
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.faults.schools import check_choice, deadlift_schools, squat_schools
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.sampling import Ask
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import ANGLE_SCREENS, Screens, make_screens
from pavrik.core.squat.depth import hip_above_knee_on_box
from pavrik.core.squat.natural_bottom import deepest_hip_above_knee_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.capacities import assumed_capacities
from pavrik.core.strength.estimated_max import estimate_max
from pavrik.core.strength.inverse import Inferred
from pavrik.core.strength.isolated_tests import ISOLATED_TESTS, KnownTest
from pavrik.core.strength.suit import CLOSING_DEG, suit_nm
from pavrik.core.units import degrees, dorsiflexion_from_knee_to_wall, radians
from pavrik.formats.model.requests import (
    BodyIn,
    DeadliftFitRequest,
    FitRequest,
    ScreensIn,
    SquatFitRequest,
    SquatSetupIn,
)
from pavrik.formats.model.setup_codec import from_wire, squat_from_wire
from pavrik.words import say


def screens_from(request: ScreensIn) -> Screens:
    """Screens of a request; degrees win over the knee-to-wall distance."""
    taken = {screen.key: getattr(request, screen.key) for screen in ANGLE_SCREENS}
    if request.ankle_dorsiflexion_deg is None and request.knee_to_wall_cm is not None:
        ankle = dorsiflexion_from_knee_to_wall(request.knee_to_wall_cm)
        taken["ankle_dorsiflexion_deg"] = float(degrees(ankle))
    grips = {str(name): value for name, value in request.narrowest_grip_m.items()}
    screens = make_screens(narrowest_grip_m=grips, **taken)
    return replace(screens, hard=frozenset(request.hard), shelf=request.shelf)


def in_a_suit(screens: Screens) -> Screens:
    """The screens of a suited lifter: the hips close less."""
    return replace(screens, hip_flexion=screens.hip_flexion - radians(CLOSING_DEG))


def _with_balance(schools: Mapping[str, str], balance: str | None) -> dict[str, str]:
    """Schools with the balance that a set-up names. Raises ValueError where they contradict."""
    school = schools.get("squat_balance", balance)
    if balance is not None and school != balance:
        raise ValueError(say("lifters.setup_balance_schools_squat", balance=balance, school=school))
    return {**schools, "squat_balance": balance} if balance is not None else dict(schools)


def lifter_from(
    body: BodyIn, screens: ScreensIn, schools: Mapping[str, str] | None = None,
    balance: str | None = None, gear: str = "raw",
) -> Lifter:  # fmt: skip
    """A lifter with assumed strengths; ``balance`` where a set-up names it."""
    chosen = _with_balance(schools or {}, balance)
    for question, position in chosen.items():
        check_choice(question, position)
    made = make_body(body.sex, body.mass_kg, body.stature_m, body.segments.measured())
    suited = gear == "suit"
    screens_now = screens_from(screens)
    lifter = Lifter(
        body=made,
        capacities=assumed_capacities(made, DEFAULT),
        screens=in_a_suit(screens_now) if suited else screens_now,
        suit_nm=suit_nm(made, DEFAULT) if suited else 0.0,
        schools=squat_schools(chosen),
        deadlift_schools=deadlift_schools(chosen),
        measured=frozenset(body.segments.measured()),
    )
    return _with_own_depth(lifter, screens.box_height_m)


USUAL = SquatSetup("high", 0.44, float(radians(22.0)))
"""Where the deepest neutral squat is looked for: *assumption*."""


def _with_own_depth(lifter: Lifter, box_height_m: float | None) -> Lifter:
    """The depth target where it is this lifter's own: deepest neutral, or the recorded box."""
    target = lifter.schools.depth
    if target == "deepest":
        return replace(lifter, own_depth_m=deepest_hip_above_knee_m(lifter, USUAL)[0])
    if target == "box":
        if box_height_m is None:
            raise ValueError(say("lifters.depth_school_box_but"))
        depth = hip_above_knee_on_box(lifter.body, box_height_m, lifter.assumed)
        return replace(lifter, own_depth_m=depth)
    return lifter


def setup_for(lifter: Lifter, setup: BaseModel) -> SquatSetup | DeadliftSetup:
    """A set-up of either lift for a lifter of known schools. Raises ValueError where it contradicts
    them."""
    return squat_for(lifter, setup) if isinstance(setup, SquatSetupIn) else from_wire(setup)


def squat_for(lifter: Lifter, request: SquatSetupIn) -> SquatSetup:
    """A squat's set-up for a lifter of known schools. Raises ValueError where it contradicts
    them."""
    _with_balance({"squat_balance": lifter.schools.balance}, request.balance)
    return squat_from_wire(request)


def known_bests_of(request: FitRequest) -> list[KnownBest]:
    """The known bests of a request, each with the error of its rep formula."""
    found = []
    for best in request.known_bests:
        estimate = estimate_max(best.load_kg, best.reps, best.rpe)
        setup = from_wire(best.setup)
        found.append(KnownBest(lift_of(setup), setup, estimate.kg, estimate.log_error))
    return found


def known_tests_of(request: FitRequest) -> list[KnownTest]:
    """The isolated tests of a request, each with the error of its rep formula."""
    found = []
    for known in request.known_tests:
        estimate = estimate_max(known.load_kg, known.reps, known.rpe)
        test = ISOLATED_TESTS[known.test]
        found.append(KnownTest(test, estimate.kg, estimate.log_error))
    return found


def with_own_strengths(lifter: Lifter, request: FitRequest) -> tuple[Lifter, Inferred | None]:
    """The lifter with strengths inferred from known bests and tests, if there are any."""
    if not request.known_bests and not request.known_tests:
        return lifter, None
    inferred = strengths_from(lifter, known_bests_of(request), known_tests_of(request))
    return replace(lifter, capacities=inferred.capacities), inferred


def ask_of(request: SquatFitRequest | DeadliftFitRequest) -> Ask | None:
    """The bodies that a public request wants drawn."""
    wanted = request.uncertainty
    if wanted is None:
        return None
    known = tuple(known_bests_of(request)), tuple(known_tests_of(request))
    return Ask(wanted.samples, wanted.seed, *known)
