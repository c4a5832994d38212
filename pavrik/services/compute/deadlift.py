"""The public computations of a deadlift: ``pavrik fit`` and ``path``."""

from pavrik.core import MODEL_VERSION
from pavrik.core.deadlift.advice import coach_rule
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import COMPETING
from pavrik.core.equipment.gear import gear_advice
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.formats.model.deadlift_answers import (
    DeadliftAtLoadRequest,
    DeadliftCandidateOut,
    DeadliftFitAnswer,
    DeadliftRejectedOut,
    StartAnswer,
)
from pavrik.formats.model.requests import DeadliftFitRequest
from pavrik.formats.model.setup_codec import deadlift_from_wire, deadlift_to_wire
from pavrik.services.compute.model import check_budget, grid_from
from pavrik.services.lifters.model_lifter import ask_of, lifter_from, with_own_strengths
from pavrik.services.setups.analysis import lifter_at_load
from pavrik.services.setups.deadlift import candidates_out, leaders_out, start_answer
from pavrik.services.setups.verdict_out import choice_out
from pavrik.words import say

PLAIN_BARS = (
    (say("compute.n_28_mm_bar"), 20.0, 28.0),
    (say("compute.n_27_mm_pulling_bar"), 20.0, 27.0),
    ("axle", 16.0, 50.0),
)


def path(request: DeadliftAtLoadRequest) -> StartAnswer:
    """The ``pavrik path`` computation for a pull: the start in full with its way to lockout."""
    setup = deadlift_from_wire(request.setup)
    return start_answer(lifter_at_load(request), setup, request.load_kg, PLAIN_BARS)


def fit(request: DeadliftFitRequest) -> DeadliftFitAnswer:
    """The whole pull fit, in the public form of ``pavrik fit``."""
    lifter = lifter_from(request.body, request.screens, request.schools, gear=request.gear)
    lifter, inferred = with_own_strengths(lifter, request)
    grid = grid_from(DEADLIFT, lifter, request.grid)
    check_budget(len(grid))
    found = fit_lift(DEADLIFT, lifter, grid, ask_of(request))
    leaders = leaders_out(lifter, found)
    by_style: dict[str, DeadliftCandidateOut] = {leader.setup.style: leader for leader in leaders}
    return DeadliftFitAnswer(
        candidates=leaders + candidates_out(lifter, found.rest[:200]),
        best_of_style={style: by_style.get(style) for style in grid.styles or COMPETING},
        rejected=[
            DeadliftRejectedOut(setup=deadlift_to_wire(r.setup), reasons=r.reasons)
            for r in found.rejected
        ],
        **choice_out(found),
        coach_rule=coach_rule(found.rivals()),
        strengths=inferred.firmness if inferred else "nothing",
        residual_log=inferred.residual if inferred else [],
        lifts_told=list(inferred.told) if inferred else [],
        assumed_screens=sorted(lifter.screens.assumed),
        advice=gear_advice(request.gear),
        model_version=MODEL_VERSION,
    )
