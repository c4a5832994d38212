"""Every number opened: the formula with this lifter's values, and where the values come from."""

from typing import Any

import numpy as np

from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.posture import LoadedPosture, Posture
from pavrik.core.strength.capacities import pelvis_flexion_deg
from pavrik.core.units import Floats, degrees
from pavrik.words import say

STRENGTHS = say("fitting.strengths_assumptions_inferred_from")


def _one(value: Floats | float) -> float:
    return float(np.asarray(value).reshape(-1)[0])


def _percent(share: float) -> str:
    return f"{share * 100:.0f} %"


def explain_use(posture: Posture, loaded: LoadedPosture) -> dict[str, str]:
    """For every use, the ratio that gives it, in N m."""
    capacities, moments = posture.capacities, loaded.moments
    hips = _one(loaded.hip_share)
    knees = _one(posture.knee_share)
    glutes = _one(capacities.hip_extensors) * hips
    hamstrings = _one(capacities.hamstrings) * hips
    quads = _one(capacities.knee_extensors) * knees
    rho = capacities.hamstring_at_knee
    calves = capacities.calves_at_knee * max(_one(moments.ankle), 0.0)
    knee, sagittal, frontal = (
        _one(m) for m in (moments.knee, moments.hip_sagittal, moments.hip_frontal)
    )
    use = {name: _percent(_one(value)) for name, value in loaded.utilization._asdict().items()}
    over_thigh, joint, knee_flexion = (
        _one(degrees(loaded.hip_flexion)),
        _one(pelvis_flexion_deg(loaded.hip_flexion, posture.assumed)),
        _one(degrees(posture.legs.knee_flexion)),
    )
    weight = capacities.hips_over_adductors
    hip = float(np.hypot(max(sagittal, 0.0), weight * frontal))
    return {
        "hips": say(
            "fitting.hips_use", sagittal=sagittal, weight=weight, frontal=frontal, hip=hip,
            glutes=glutes, hamstrings=hamstrings, over_thigh=over_thigh, joint=joint,
            percent=_percent(hips), use=use["hips"], strengths=STRENGTHS,
        ),
        "legs": say(
            "fitting.legs_use", knee=knee, rho=rho, hip=hip, quads=quads, glutes=glutes,
            use=use["legs"], strengths=STRENGTHS,
        ),
        "quads": say(
            "fitting.quads_use", knee=knee, quads=quads, knee_flexion=knee_flexion,
            percent=_percent(knees), use=use["quads"], strengths=STRENGTHS,
        ),
        "knee_flexors": say(
            "fitting.knee_flexors_use", knee=knee, rho=rho * hamstrings, calves=calves,
            use=use["knee_flexors"],
        ),
        "lower_back": say(
            "fitting.lower_back_use", moment=_one(moments.lumbar),
            capacity=_one(capacities.lower_back), use=use["lower_back"], strengths=STRENGTHS,
        ),
        "hip_in_space": say(
            "fitting.hip_in_space", sagittal=sagittal, frontal=abs(frontal),
            together=np.hypot(sagittal, frontal), percent=_percent(_one(loaded.pushed)),
        ),
        "upper_back": say(
            "fitting.upper_back_use", moment=_one(moments.midback),
            capacity=_one(capacities.upper_back), use=use["upper_back"], strengths=STRENGTHS,
        ),
        "lats": say(
            "fitting.lats_use", moment=_one(moments.shoulder), capacity=_one(capacities.lats),
            use=use["lats"], strengths=STRENGTHS,
        ),
    }  # fmt: skip


def explain_max(
    lift: Lift[Any], predicted_kg: float, limiter: str, worst_progress: float, taken: float
) -> str:
    """Where the predicted max comes from; ``taken`` is the share that overstepped limits cost."""
    words = lift.sentences
    where = say("fitting.at_the", deepest=words.deepest)
    if worst_progress < 1:
        where = say("fitting.way_down", worst_progress=worst_progress)
    lost = say("fitting.what_held_taken_off", taken=taken)
    return say(
        "fitting.kg_load_reach_100", predicted_kg=predicted_kg,
        limiter=limiter.replace("_", " "), where=where, judged=words.judged,
        lost=lost if taken > 0.0005 else "", left_out=words.left_out,
    )  # fmt: skip
