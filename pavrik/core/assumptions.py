"""Pavrik's own starting values, every one an *assumption*.

Those of the model stand here and may be adjusted per lifter; they are tuned so that the sanity
bands in ``tests/core/test_sanity_bands.py`` hold. Every other one is registered where it is used,
with ``assume``; ``collected`` lists them all for the coach, with unit, meaning and source.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, fields
from importlib import import_module
from pkgutil import walk_packages
from typing import Any, TypeVar

Key = TypeVar("Key", bound=object)
OWN = "assumption"
"""Source of a value that is Pavrik's own."""


@dataclass(frozen=True)
class Assumption:
    """One starting value: what it means, in which unit, and where it is from."""

    name: str
    value: float
    unit: str
    meaning: str
    source: str = OWN


_registered: dict[str, Assumption] = {}


def assume(name: str, value: float, unit: str, meaning: str, source: str = OWN) -> float:
    """Register a starting value beside its use; the value. Raises ValueError where the name stands
    for another one already."""
    found = Assumption(name, float(value), unit, meaning, source)
    if _registered.setdefault(name, found) != found:
        raise ValueError(f"the assumption {name} is registered twice: give one of them a new name")
    return value


def assume_each(
    name: str, values: Mapping[Key, float], unit: str, meaning: str, source: str = OWN
) -> dict[Key, float]:
    """Register a table of starting values, each as the name and its key."""
    return {
        key: assume(f"{name}_{key}".replace(" ", "_"), value, unit, f"{meaning}: {key}", source)
        for key, value in values.items()
    }


def _assume(value: float, unit: str, meaning: str) -> Any:
    return field(default=value, metadata={"unit": unit, "meaning": meaning})


@dataclass(frozen=True)
class Assumptions:
    """Every tunable number of the model. Angles in degrees, lengths in metres, as named."""

    ankle_behind_midfoot: float = _assume(0.25, "foot lengths", "ankle joint behind mid-foot")
    ball_before_midfoot: float = _assume(0.22, "foot lengths", "ball of the foot before mid-foot")
    foot_centre_height: float = _assume(0.5, "ankle heights", "height of the foot's mass centre")
    competition_margin_m: float = _assume(0.015, "m", "how far below the knee a clear depth is")
    box_shank_deg: float = _assume(20.0, "deg", "lean of the shank when sitting on a box")
    seat_below_hip_m: float = _assume(0.09, "m", "seat below the hip centre, on a box")
    trunk_reference_m: float = _assume(
        0.504, "m", "trunk length that the bar offsets are given for"
    )
    lumbar_cut: float = _assume(0.18, "trunk lengths", "L5/S1 above the hip centre")
    midback_cut: float = _assume(0.60, "trunk lengths", "mid-back above the hip centre")
    head_centre: float = _assume(0.55, "head-and-neck lengths", "head centre above the shoulders")
    floor_friction: float = _assume(0.60, "share", "most sideways force per vertical force")

    hip_extensors_nm: float = _assume(585.0, "N m", "hip extensors without hamstrings, 83 kg man")
    hamstrings_nm: float = _assume(303.0, "N m", "hamstrings at the hip, 83 kg man")
    knee_extensors_nm: float = _assume(412.0, "N m", "knee extensors, 83 kg man")
    lower_back_nm: float = _assume(706.0, "N m", "back extensors at L5/S1, 83 kg man")
    upper_back_nm: float = _assume(235.0, "N m", "back extensors at mid-back, 83 kg man")
    lats_nm: float = _assume(150.0, "N m", "shoulder extensors with arms that hang, 83 kg man")
    upper_back_in_pulls: float = _assume(
        1.36, "share", "mid-back strength in pulls, where the arms hang"
    )
    reference_mass_kg: float = _assume(83.0, "kg", "body mass of the reference man")
    mass_exponent: float = _assume(0.75, "power", "strength grows with body mass to this power")
    female_legs: float = _assume(0.8, "share", "a woman's leg strength, until lifts are known")
    female_upper_back: float = _assume(0.7, "share", "a woman's mid-back strength, likewise")
    female_lower_back: float = _assume(0.8, "share", "a woman's lower-back strength, likewise")
    hamstring_at_knee: float = _assume(0.724, "share", "hamstring knee moment per hip moment")
    calves_at_knee: float = _assume(
        0.3, "share", "knee moment of the calves (gastrocnemius) per ankle moment"
    )
    hips_over_adductors: float = _assume(
        1.21, "share", "hip extensors' strength over the adductors'"
    )
    knee_best_deg: float = _assume(
        86.6, "deg", "knee flexion where the knee extensors are strongest"
    )
    knee_width: float = _assume(0.716, "rad per rad", "how fast they weaken away from it")
    passive_knee_deg: float = _assume(
        20.0, "deg", "flexion from which a knee needs its flexors; straighter it holds by itself"
    )
    hip_best_deg: float = _assume(64.3, "deg", "hip flexion where the hip extensors are strongest")
    hip_width: float = _assume(0.446, "rad per rad", "how fast they weaken away from it")
    lumbar_joins_deg: float = _assume(
        60.0, "deg", "flexion over the thigh from which the lower back gives a part"
    )
    lumbar_share: float = _assume(0.25, "share", "part of it that the lower back gives")

    neutral_best_abduction_deg: float = _assume(
        17.5, "deg", "abduction at which a hip flexes furthest with a neutral back"
    )
    neutral_lost_per_deg2: float = _assume(
        0.0128, "deg per deg2", "neutral flexion lost per squared degree of abduction away from it"
    )
    held_knee_m: float = _assume(
        0.06, "m", "most that the knee passes the ball of the foot in the held-back school"
    )
    moderate_abduction_deg: float = _assume(
        38.0, "deg", "abduction that the moderate school allows"
    )
    knee_track_deg: float = _assume(
        8.0, "deg", "how far the thigh may turn away from the toes for nothing"
    )
    knee_track_cost: float = _assume(
        0.0018, "share per deg2", "max lost per squared degree beyond it"
    )
    lean_cost: float = _assume(
        0.0061, "share per deg2", "max lost per squared degree of excess lean"
    )
    off_balance_half_m: float = _assume(
        0.05, "m", "mass centre beyond what a pull bears for nothing at which half of it is lost"
    )
    deficit_per_cm: float = _assume(
        0.006, "share per cm", "strength that a start below the floor's costs, by its longer way"
    )
    block_per_cm: float = _assume(
        0.0036, "share per cm", "strength that a start above the floor's gains, by its shorter way"
    )
    standing_shank_deg: float = _assume(7.0, "deg", "shank lean when standing with the bar")
    stance_limit_walkout_m: float = _assume(0.85, "m", "widest stance after a walk-out")
    stance_limit_monolift_m: float = _assume(1.05, "m", "widest stance in a monolift")

    length_error: float = _assume(0.035, "share", "error (sd) of a length estimated from stature")
    offset_error_m: float = _assume(
        0.005, "m", "error (sd) of crease and knee-top offsets that nobody measured"
    )
    tape_error_m: float = _assume(0.010, "m", "error (sd) of one tape reading")
    screen_error_deg: float = _assume(2.0, "deg", "error (sd) of a screen that was taken")
    screen_guess_deg: float = _assume(4.0, "deg", "error (sd) of a screen that is missing")
    capacity_error: float = _assume(0.10, "log", "one step of a capacity in what decides")
    style_error: float = _assume(
        0.03, "log", "error (sd) of the model for one style, which only lifts in it reduce"
    )
    overstep_half_deg: float = _assume(
        8.0, "deg", "degrees beyond a screen at which half of the max is lost"
    )
    hold_error_deg: float = _assume(3.0, "deg", "error (sd) of the lean a bar position holds")
    push_low: float = _assume(
        0.5, "share", "least of the frontal lever that a drawn lifter can push away"
    )
    clear_lead: float = _assume(0.01, "share", "lead that counts as better")


DEFAULT = Assumptions()


def collected(assumptions: Assumptions = DEFAULT) -> list[Assumption]:
    """Every assumption of the core, the model's first, then the registered ones by name."""
    core = import_module("pavrik.core")
    for module in walk_packages(core.__path__, f"{core.__name__}."):
        import_module(module.name)
    of_the_model = [
        Assumption(f.name, getattr(assumptions, f.name), **f.metadata) for f in fields(assumptions)
    ]
    return of_the_model + [_registered[name] for name in sorted(_registered)]
