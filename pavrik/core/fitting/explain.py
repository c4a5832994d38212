"""Every number opened: the formula with this lifter's values, and where the values come from."""

from typing import Any

import numpy as np

from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.posture import LoadedPosture, Posture
from pavrik.core.strength.capacities import pelvis_flexion_deg
from pavrik.core.units import Floats, degrees

STRENGTHS = "strengths are assumptions, or inferred from the lifter's own lifts"


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
        "hips": f"√({sagittal:.0f}² + ({weight:g} × {frontal:.0f})²) = {hip:.0f} N m over glutes "
        f"{glutes:.0f} and hamstrings {hamstrings:.0f} N m, at a closing of {over_thigh:.0f}°, of "
        f"which the hip joint gives {joint:.0f}°, with {_percent(hips)} of their best = "
        f"{use['hips']}; {STRENGTHS}",
        "legs": f"(knee {knee:.0f} + {rho:g} × hip {hip:.0f}) N m over (quads {quads:.0f} + "
        f"{rho:g} × glutes {glutes:.0f}) N m = {use['legs']}: hamstrings help the hip and burden "
        f"the knee; {STRENGTHS}",
        "quads": f"knee {knee:.0f} N m over {quads:.0f} N m, at {knee_flexion:.0f}° of flexion "
        f"with {_percent(knees)} of their best = {use['quads']}; {STRENGTHS}",
        "knee_flexors": f"a knee moment of {knee:.0f} N m over {rho * hamstrings:.0f} N m; only a "
        f"negative one needs them, and the calves hold up to {calves:.0f} N m of it = "
        f"{use['knee_flexors']}",
        "lower_back": f"{_one(moments.lumbar):.0f} N m at L5/S1 over "
        f"{_one(capacities.lower_back):.0f} N m = {use['lower_back']}; {STRENGTHS}",
        "hip_in_space": f"seen from the side {sagittal:.0f} N m, from the front "
        f"{abs(frontal):.0f} N m: {np.hypot(sagittal, frontal):.0f} N m together. Pushing the feet "
        f"apart takes {_percent(_one(loaded.pushed))} of the frontal lever: the share that asks "
        "least of hips and knees; the arm on the picture is the side view only",
        "upper_back": f"{_one(moments.midback):.0f} N m at mid-back over "
        f"{_one(capacities.upper_back):.0f} N m = {use['upper_back']}; {STRENGTHS}",
        "lats": f"{_one(moments.shoulder):.0f} N m that keep the bar from swinging forward over "
        f"{_one(capacities.lats):.0f} N m = {use['lats']}; {STRENGTHS}",
    }


def explain_max(
    lift: Lift[Any], predicted_kg: float, limiter: str, worst_progress: float, taken: float
) -> str:
    """Where the predicted max comes from; ``taken`` is the share that overstepped limits cost."""
    words = lift.sentences
    where = f"at the {words.deepest}"
    if worst_progress < 1:
        where = f"at {worst_progress:.0%} of the way down"
    lost = f"; {taken:.1%} of what is held is taken off for limits that are overstepped a little"
    return (
        f"{predicted_kg:.1f} kg is the load at which the {limiter.replace('_', ' ')} reach 100 % "
        f"{where}{words.judged}{lost if taken > 0.0005 else ''}. A static linkage: "
        f"{words.left_out}; not a diagnosis"
    )
