"""The public computations for a pull: ``pavrik pose``, ``fit``, ``path`` and ``cost``."""

from dataclasses import replace
from typing import Any

import numpy as np

from pavrik.core import MODEL_VERSION
from pavrik.core.deadlift.drawing import draw_pull
from pavrik.core.deadlift.fit import fit_pull
from pavrik.core.deadlift.report import lumped_masses, one, pull_report
from pavrik.core.deadlift.styles import COMPETING
from pavrik.core.equipment.gear import gear_advice
from pavrik.core.strength.use import LIMITERS
from pavrik.core.units import degrees
from pavrik.formats.model_answers import PointMassOut, PoseAnswer
from pavrik.formats.model_requests import PullFitRequest, PullPoseRequest
from pavrik.formats.pull import (
    PullAtLoadRequest,
    PullCostAnswer,
    PullCostRequest,
    PullFitAnswer,
    PullRejectedOut,
    StartAnswer,
)
from pavrik.services.fits import SEED
from pavrik.services.model import check_budget, lifter_from, pull_setup_from, with_own_strengths
from pavrik.services.pull import (
    candidate_out,
    costs_of,
    grid_of,
    leaders_out,
    setup_out,
    start_answer,
)

PLAIN_BARS = (("28 mm bar", 20.0, 28.0), ("27 mm pulling bar", 20.0, 27.0), ("axle", 16.0, 50.0))


def pose(request: PullPoseRequest) -> PoseAnswer:
    """One fully specified start, in the public form of ``pavrik pose``."""
    lifter = lifter_from(request.body, request.screens, {})
    report = pull_report(lifter, pull_setup_from(request.setup), request.load_kg)
    held, loaded = report.pose, report.loaded
    if np.any(held.impossible):
        return PoseAnswer(
            points={}, masses=[], angles={}, moments_nm={}, arms_m={}, use={}, limiter=None,
            feasible=False, reasons=report.reasons,
        )  # fmt: skip
    drawn = draw_pull(held, loaded, request.setup.grip_m)
    moments = {name: one(value) for name, value in loaded.moments._asdict().items()}
    lean = one(degrees(held.lean))
    return PoseAnswer(
        points={
            name: (one(x), one(y), one(z))
            for name, (x, y, z) in drawn.points.items()
            if name != "head"
        },
        masses=[
            PointMassOut(name=name, kg=kg, x_m=x, z_m=z)
            for name, kg, x, z in lumped_masses(held, request.load_kg)
        ],
        angles={f"{name}_deg": one(value) for name, value in drawn.angles_deg.items()}
        | {"back_deg": 90.0 - lean},
        moments_nm={
            "ankle": one(loaded.ankle_nm),
            **moments,
            "hip": float(np.hypot(moments["hip_sagittal"], moments["hip_frontal"])),
        },
        arms_m={name: one(value) for name, value in drawn.arms_m.items()},
        use={name: one(value) for name, value in loaded.use._asdict().items()},
        limiter=LIMITERS[int(np.squeeze(loaded.use.limiter))],
        feasible=not report.reasons,
        reasons=report.reasons,
    )


def path(request: PullAtLoadRequest) -> StartAnswer:
    """The ``pavrik path`` computation for a pull: the start in full with its way to lockout."""
    lifter = lifter_from(request.body, request.screens, request.schools)
    return start_answer(lifter, pull_setup_from(request.setup), request.load_kg, PLAIN_BARS)


def cost(request: PullCostRequest) -> PullCostAnswer:
    """The ``pavrik cost`` computation for a pull."""
    lifter = lifter_from(request.body, request.screens, request.schools)
    setup = pull_setup_from(request.setup)
    return costs_of(lifter, setup, request.load_kg, request.amounts)


def fit(request: PullFitRequest) -> PullFitAnswer:
    """The whole pull fit, in the public form of ``pavrik fit``."""
    lifter = lifter_from(request.body, request.screens, request.schools)
    lifter, inferred = with_own_strengths(lifter, request)
    listed: dict[str, Any] = {
        name: tuple(values)
        for name, values in request.grid.model_dump().items()
        if values is not None
    }
    styles = listed.pop("style", COMPETING)
    grid = replace(grid_of(lifter), styles=styles, **listed)
    samples = request.uncertainty.samples if request.uncertainty else 0
    seed = request.uncertainty.seed if request.uncertainty else SEED
    check_budget(len(grid))
    found = fit_pull(lifter, grid, samples, seed)
    leaders = leaders_out(lifter, found)
    by_style = {leader.setup.style: leader for leader in leaders}
    return PullFitAnswer(
        candidates=leaders + [candidate_out(lifter, c) for c in found.rest[:200]],
        best_of_style={style: by_style.get(style) for style in styles},
        rejected=[
            PullRejectedOut(setup=setup_out(r.setup), reasons=r.reasons) for r in found.rejected
        ],
        toss_up=found.toss_up,
        verdict=found.verdict,
        coach_rule=found.coach_rule,
        strengths=inferred.firmness if inferred else "nothing",
        residual_log=inferred.residual if inferred else [],
        lifts_told=list(inferred.told) if inferred else [],
        assumed_screens=sorted(lifter.screens.assumed),
        advice=gear_advice(request.gear),
        model_version=MODEL_VERSION,
    )
