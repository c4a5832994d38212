"""The model's computations from request to answer; raises ValueError with one line per problem."""

from collections.abc import Mapping
from dataclasses import asdict, replace
from typing import Any

from pydantic import BaseModel

from pavrik.core import MODEL_VERSION
from pavrik.core.assumptions import DEFAULT
from pavrik.core.body.segments import make_body
from pavrik.core.competition_lifts import LIFTS, lift_of
from pavrik.core.equipment.gear import gear_advice
from pavrik.core.equipment.plates import PlatePair, load_bar
from pavrik.core.faults.schools import check_choice, deadlift_schools, squat_schools
from pavrik.core.fitting.fit import Fit
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.report import pose_report
from pavrik.core.fitting.sampling import PredictionInterval
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import ANGLE_SCREENS, BAR_POSITIONS, Screens, make_screens
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.lift import Lift
from pavrik.core.squat.depth import hip_above_knee_m, hip_above_knee_on_box
from pavrik.core.squat.natural_bottom import deepest_hip_above_knee_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.capacities import assumed_capacities
from pavrik.core.strength.estimated_max import estimate_max
from pavrik.core.strength.inverse import Inferred
from pavrik.core.units import degrees, dorsiflexion_from_knee_to_wall, radians
from pavrik.formats.model_answers import (
    CandidateOut,
    FitAnswer,
    PlatesAnswer,
    PoseAnswer,
    RejectedOut,
    SquatSetupOut,
)
from pavrik.formats.model_requests import (
    BodyIn,
    DeadliftPoseRequest,
    FitRequest,
    PlatesRequest,
    ScreensIn,
    SquatFitRequest,
    SquatPoseRequest,
    SquatSetupIn,
)
from pavrik.formats.setup_codec import degrees_of, from_wire, squat_from_wire


def screens_from(request: ScreensIn) -> Screens:
    """Screens of a request; degrees win over the knee-to-wall distance."""
    taken = {screen.key: getattr(request, screen.key) for screen in ANGLE_SCREENS}
    if request.ankle_dorsiflexion_deg is None and request.knee_to_wall_cm is not None:
        ankle = dorsiflexion_from_knee_to_wall(request.knee_to_wall_cm)
        taken["ankle_dorsiflexion_deg"] = float(degrees(ankle))
    grips = {str(name): value for name, value in request.narrowest_grip_m.items()}
    return make_screens(narrowest_grip_m=grips, **taken)


def _with_balance(schools: Mapping[str, str], balance: str | None) -> dict[str, str]:
    """Schools with the balance that a set-up names. Raises ValueError where they contradict."""
    school = schools.get("squat_balance", balance)
    if balance is not None and school != balance:
        raise ValueError(
            f"setup.balance is “{balance}” and schools.squat_balance is “{school}”: they mean the "
            "same thing, give one of them"
        )
    return {**schools, "squat_balance": balance} if balance is not None else dict(schools)


def lifter_from(
    body: BodyIn, screens: ScreensIn, schools: Mapping[str, str] | None = None,
    balance: str | None = None,
) -> Lifter:  # fmt: skip
    """A lifter with assumed strengths; ``balance`` where a set-up names it."""
    chosen = _with_balance(schools or {}, balance)
    for question, position in chosen.items():
        check_choice(question, position)
    made = make_body(body.sex, body.mass_kg, body.stature_m, body.segments.measured())
    lifter = Lifter(
        body=made,
        capacities=assumed_capacities(made, DEFAULT),
        screens=screens_from(screens),
        schools=squat_schools(chosen),
        pull=deadlift_schools(chosen),
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
            raise ValueError(
                "the depth school is a box but no box height is recorded: measure the box, or "
                "choose another depth"
            )
        depth = hip_above_knee_on_box(lifter.body, box_height_m, lifter.assumed)
        return replace(lifter, own_depth_m=depth)
    return lifter


def setup_for(lifter: Lifter, request: SquatSetupIn) -> SquatSetup:
    """A set-up for a lifter of known schools. Raises ValueError where it contradicts them."""
    _with_balance({"squat_balance": lifter.schools.balance}, request.balance)
    return squat_from_wire(request)


def pose(request: SquatPoseRequest | DeadliftPoseRequest) -> PoseAnswer:
    """One fully specified posture of either lift."""
    setup = from_wire(request.setup)
    balance = request.setup.balance if isinstance(request.setup, SquatSetupIn) else None
    lifter = lifter_from(request.body, request.screens, None, balance)
    shank = float(radians(request.shank_deg)) if isinstance(request, SquatPoseRequest) else None
    report = pose_report(LIFTS[request.lift], lifter, setup, request.load_kg, shank)
    return PoseAnswer.model_validate(asdict(report))


MOST_SETUPS = 6000


def check_budget(setups: int) -> None:
    """Raise ValueError where a grid is larger than one request may ask for, before it is made."""
    if setups > MOST_SETUPS:
        raise ValueError(
            f"the grid has {setups:,} set-ups, more than the {MOST_SETUPS:,} that one fit takes: "
            "list fewer values, or ask in parts"
        )


def grid_from(lift: Lift[Any], lifter: Lifter, request: BaseModel) -> SetupGrid[Any]:
    """The grid of a request: what it lists, then what the lifter's schools fix."""
    listed = {name: tuple(v) for name, v in request.model_dump().items() if v is not None}
    styles = listed.pop(lift.style_field, ())
    return SetupGrid(lift, styles, {**lift.chosen_by(lifter), **listed})


def with_own_strengths(lifter: Lifter, request: FitRequest) -> tuple[Lifter, Inferred | None]:
    """The lifter with strengths inferred from the known bests, if there are any."""
    if not request.known_bests:
        return lifter, None
    bests = []
    for best in request.known_bests:
        estimate = estimate_max(best.load_kg, best.reps, best.rpe)
        setup = from_wire(best.setup)
        bests.append(KnownBest(lift_of(setup), setup, estimate.kg, estimate.log_error))
    inferred = strengths_from(lifter, bests)
    return replace(lifter, capacities=inferred.capacities), inferred


def setup_out(lifter: Lifter, setup: SquatSetup) -> SquatSetupOut:
    """A set-up in the answer's terms."""
    return SquatSetupOut(
        bar_position=setup.bar_position,
        stance_m=setup.stance_m,
        toe_out_deg=degrees_of(setup.toe_out),
        heel_lift_m=setup.heel_lift_m,
        hip_above_knee_m=hip_above_knee_m(lifter, setup),
        balance=lifter.schools.balance,
    )


def candidate_out(
    lifter: Lifter, candidate: Candidate[SquatSetup], sure: PredictionInterval | None = None
) -> CandidateOut:
    """A candidate in the answer's terms."""
    return CandidateOut(
        setup=setup_out(lifter, candidate.setup),
        shank_deg=float(degrees(candidate.shank)),
        trunk_lean_deg=float(degrees(candidate.lean)),
        hip_closing_deg=float(degrees(candidate.hip_flexion)),
        predicted_max_kg=candidate.predicted_max_kg,
        band_kg=list(sure.band_kg) if sure else None,
        median_kg=sure.median_kg if sure else None,
        chance_best=sure.chance_best if sure else None,
        limiter=candidate.limiter,
        use=candidate.utilization,
    )


def fit_out(lifter: Lifter, fit: Fit[SquatSetup], inferred: Inferred | None) -> FitAnswer:
    """A fit in the answer's terms."""
    intervals: list[PredictionInterval | None] = [*fit.intervals] or [None] * len(fit.leaders)
    leaders = [
        candidate_out(lifter, candidate, sure)
        for candidate, sure in zip(fit.leaders, intervals, strict=True)
    ]
    by_style = {leader.setup.bar_position: leader for leader in leaders}
    return FitAnswer(
        candidates=leaders + [candidate_out(lifter, candidate) for candidate in fit.rest],
        best_of_style={position: by_style.get(position) for position in BAR_POSITIONS},
        rejected=[
            RejectedOut(setup=setup_out(lifter, r.setup), reasons=r.reasons) for r in fit.rejected
        ],
        toss_up=fit.toss_up,
        verdict=fit.verdict,
        strengths=inferred.firmness if inferred else "nothing",
        residual_log=inferred.residual if inferred else [],
        lifts_told=list(inferred.told) if inferred else [],
        assumed_screens=sorted(lifter.screens.assumed),
        model_version=MODEL_VERSION,
    )


def fit(request: SquatFitRequest) -> FitAnswer:
    """The whole squat fit."""
    lifter = lifter_from(request.body, request.screens, request.schools)
    lifter, inferred = with_own_strengths(lifter, request)
    samples = request.uncertainty.samples if request.uncertainty else 0
    seed = request.uncertainty.seed if request.uncertainty else 1
    grid = grid_from(SQUAT, lifter, request.grid)
    check_budget(len(grid))
    found = fit_lift(SQUAT, lifter, grid, samples, seed)
    answer = fit_out(lifter, found, inferred)
    return answer.model_copy(update={"advice": gear_advice(request.gear)})


def plates(request: PlatesRequest) -> PlatesAnswer:
    """Plates for a target."""
    stock = tuple(PlatePair(plate.kg, plate.pairs) for plate in request.plates)
    loading = load_bar(request.target_kg, request.bar_kg, request.collars_kg, stock)
    return PlatesAnswer(
        per_side=list(loading.per_side), total_kg=loading.total_kg, error_kg=loading.error_kg
    )
