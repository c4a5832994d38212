"""What the answer is sensitive to: how far each input must move before another style leads.

Each measured or assumed input is moved alone, in steps of its own error, and the leaders are
fitted again; between two steps the lead is taken as a straight line. The input that flips the
answer within the least of its own errors is the most valuable next measurement.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Any

import numpy as np

from pavrik.core.body.segments import SEGMENTS
from pavrik.core.fitting.sampling import best_maxes_kg
from pavrik.core.fitting.unknowns import AXES, OFFSETS
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import ANGLE_SCREENS
from pavrik.core.lifts.lift import Lift
from pavrik.core.units import Floats, radians
from pavrik.words import say

STEPS = np.array([-3.0, -2.0, -1.5, -1.0, -0.5, 0.0, 0.5, 1.0, 1.5, 2.0, 3.0])
"""In errors (sd) of the input."""
_LENGTHS = ("foot_m", "shank_m", "thigh_m", "trunk_m", *OFFSETS)
_SCREENS = tuple(screen.field for screen in ANGLE_SCREENS)
_MUSCLES = ("hip_extensors", "knee_extensors", "upper_back", "lower_back")


@dataclass(frozen=True)
class Flip:
    """One input: ``by`` (m, deg or share) is the least move that hands the lead to the style
    ``to``; None when nothing within three errors does. ``errors`` is that move in errors of the
    input."""

    name: str
    unit: str
    measured: bool
    by: float | None
    errors: float | None
    to: str | None


@dataclass(frozen=True)
class _Input:
    name: str
    unit: str
    measured: bool
    error: float


def _inputs(lifter: Lifter) -> list[_Input]:
    assumed, body = lifter.assumed, lifter.body
    found = []
    for name in _LENGTHS:
        length, measured = float(getattr(body, name)), name in lifter.measured
        guess = assumed.offset_error_m if name in OFFSETS else assumed.length_error * length
        found.append(_Input(name, "m", measured, assumed.tape_error_m if measured else guess))
    for name in _SCREENS:
        taken = name not in lifter.screens.assumed
        error = assumed.screen_error_deg if taken else assumed.screen_guess_deg
        found.append(_Input(name, "deg", taken, error))
    return found + [_Input(name, "share", False, assumed.capacity_error) for name in _MUSCLES]


def _moved(lifter: Lifter, inputs: Sequence[_Input]) -> Lifter:
    """All lifters that differ in one input by one step, along a leading axis."""
    count = len(inputs) * len(STEPS)

    def column(name: str, value: float) -> Floats:
        moved = np.full((len(inputs), len(STEPS)), value)
        for row, item in enumerate(inputs):
            if item.name != name:
                continue
            if item.unit == "share":
                moved[row] = value * np.exp(STEPS * item.error)
            else:
                error = radians(item.error) if item.unit == "deg" else item.error
                moved[row] = value + STEPS * error
        return moved.reshape(count, *AXES)

    lengths: dict[str, Any] = {n: column(n, float(getattr(lifter.body, n))) for n in SEGMENTS}
    screens = lifter.screens.with_limits(
        **{n: column(n, float(getattr(lifter.screens, n))) for n in _SCREENS}
    )
    strengths: dict[str, Any] = {
        n: column(n, float(getattr(lifter.capacities, n))) for n in _MUSCLES
    }
    return replace(
        lifter,
        body=replace(lifter.body, **lengths),
        screens=screens,
        capacities=replace(lifter.capacities, **strengths),
    )


def _flip(item: _Input, maxes_kg: Floats, styles: Sequence[str]) -> Flip:
    """``maxes_kg`` of shape (steps, styles), the leader first."""
    middle = int(np.argmin(np.abs(STEPS)))
    rivals = maxes_kg[:, 1:].max(axis=1)
    lead = maxes_kg[:, 0] - rivals
    crossings = []
    for direction in (-1, 1):
        path = range(middle, -1, -1) if direction < 0 else range(middle, len(STEPS))
        steps = list(path)
        for here, there in pairwise(steps):
            if lead[here] >= 0 > lead[there]:
                share = lead[here] / (lead[here] - lead[there])
                at = STEPS[here] + share * (STEPS[there] - STEPS[here])
                crossings.append((abs(at), at, int(np.argmax(maxes_kg[there, 1:])) + 1))
                break
    if not crossings:
        return Flip(item.name, item.unit, item.measured, None, None, None)
    errors, at, rival = min(crossings)
    by = float(np.exp(at * item.error) - 1) if item.unit == "share" else float(at * item.error)
    return Flip(item.name, item.unit, item.measured, by, float(errors), styles[rival])


def sensitivity(lift: Lift[Any], lifter: Lifter, setups: Sequence[Any]) -> list[Flip]:
    """For the set-ups of a fit's leaders, each of another style: every input, the most decisive
    first. Empty with fewer than two."""
    if len(setups) < 2:
        return []
    inputs = _inputs(lifter)
    best = best_maxes_kg(lift, _moved(lifter, inputs), setups)
    best = best.reshape(len(inputs), len(STEPS), len(setups))
    order = np.argsort(-best[0, int(np.argmin(np.abs(STEPS)))], kind="stable")
    ranked = [setups[i].style for i in order]
    flips = [_flip(item, best[row][:, order], ranked) for row, item in enumerate(inputs)]
    return sorted(flips, key=lambda flip: np.inf if flip.errors is None else flip.errors)


_INPUT_WORDS = {
    "hip_crease_m": say("fitting.hip_crease"),
    "knee_top_m": say("fitting.top_knee"),
    "knee_extensors": "quads",
    "hip_extensors": "glutes",
}


def input_words(name: str) -> str:
    """A segment, screen or muscle as a coach calls it."""
    screened = {screen.field: screen.words for screen in ANGLE_SCREENS}
    return (screened | _INPUT_WORDS).get(name, name.removesuffix("_m").replace("_", " "))


def _move_words(flip: Flip) -> str:
    assert flip.by is not None
    if flip.unit == "m":
        return say(
            "fitting.by_cm_which",
            by=abs(flip.by) * 100,
            which="longer" if flip.by > 0 else "shorter",
        )
    if flip.unit == "deg":
        size = f"{abs(flip.by):.0f}" if abs(flip.by) >= 1 else f"{abs(flip.by):.1f}"
        return f"{size}° {'more' if flip.by > 0 else 'less'}"
    return f"{abs(flip.by):.0%} {'stronger' if flip.by > 0 else 'weaker'}"


def sensitivity_words(flips: Sequence[Flip], lead_name: str, names: Mapping[str, str]) -> str:
    """One sentence that names the next measurement, or says that none would change the answer."""
    measurable = [f for f in flips if f.errors is not None and f.unit != "share"]
    if not measurable:
        return say("fitting.no_single_measurement_within")
    first = measurable[0]
    assert first.to is not None
    again = say("fitting.take_once_more") if first.measured else say("fitting.measure_it")
    return say(
        "fitting.decides_would_lead_before",
        input_words=input_words(first.name),
        move_words=_move_words(first),
        names=names[first.to],
        lead_name=lead_name,
        again=again,
    )
