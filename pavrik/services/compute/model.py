"""The model's computations from request to answer; raises ValueError with one line per problem."""

from dataclasses import asdict
from typing import Any

from pydantic import BaseModel

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.equipment.gear import gear_advice
from pavrik.core.equipment.plates import PlatePair, load_bar
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.report import pose_report
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.lifts.lift import Lift
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import radians
from pavrik.formats.model.answers import (
    FitAnswer,
    PlatesAnswer,
    PoseAnswer,
)
from pavrik.formats.model.requests import (
    DeadliftPoseRequest,
    PlatesRequest,
    SquatFitRequest,
    SquatPoseRequest,
    SquatSetupIn,
)
from pavrik.formats.model.setup_codec import from_wire
from pavrik.services.lifters.model_lifter import ask_of, lifter_from, with_own_strengths
from pavrik.services.setups.squat_answers import fit_out
from pavrik.words import say


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
        raise ValueError(say("compute.grid_set_ups_more", setups=setups, most_setups=MOST_SETUPS))


def grid_from(lift: Lift[Any], lifter: Lifter, request: BaseModel) -> SetupGrid[Any]:
    """The grid of a request: what it lists, then what the lifter's schools fix."""
    listed = {name: tuple(v) for name, v in request.model_dump().items() if v is not None}
    styles = listed.pop(lift.style_field, ())
    return SetupGrid(lift, styles, {**lift.chosen_by(lifter), **listed})


def fit(request: SquatFitRequest) -> FitAnswer:
    """The whole squat fit."""
    lifter = lifter_from(request.body, request.screens, request.schools, gear=request.gear)
    lifter, inferred = with_own_strengths(lifter, request)
    grid = grid_from(SQUAT, lifter, request.grid)
    check_budget(len(grid))
    found = fit_lift(SQUAT, lifter, grid, ask_of(request))
    answer = fit_out(lifter, found, inferred)
    return answer.model_copy(update={"advice": gear_advice(request.gear)})


def plates(request: PlatesRequest) -> PlatesAnswer:
    """Plates for a target."""
    stock = tuple(PlatePair(plate.kg, plate.pairs) for plate in request.plates)
    loading = load_bar(request.target_kg, request.bar_kg, request.collars_kg, stock)
    return PlatesAnswer(
        per_side=list(loading.per_side), total_kg=loading.total_kg, error_kg=loading.error_kg
    )
