"""The verdict on a fit in words, and how wide a set-up is as good as its best."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.fitting.candidates import quick_maxes_kg
from pavrik.core.fitting.choice import Choice, VerdictKind
from pavrik.core.fitting.sensitivity import input_words
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.lifts.lift import Lift
from pavrik.words import one_of, say

AS_GOOD = assume("range_as_good", 0.02, "share of the max", "lost at the ends of a told range")
RANGE_STEPS = {"m": 0.02, "deg": 3.0}


@dataclass(frozen=True)
class Verdict:
    """What to do about a choice of set-up, and why."""

    kind: VerdictKind
    sentence: str


@dataclass(frozen=True)
class Ranges:
    """Stance in m and toes in degrees between which a set-up keeps 98 % of its predicted max."""

    stance_m: tuple[float, float]
    toe_out_deg: tuple[float, float]


def _lost(kg: float, best_kg: float) -> str:
    return say("fitting.kg_and_share", kg=kg, share=kg / best_kg)


def _styles(lift: Lift[Any], styles: Sequence[str]) -> str:
    return one_of(lift.styles[style].name for style in styles)


def verdict_on(
    lift: Lift[Any], lifter: Lifter, rivals: Sequence[Candidate[Any]], choice: Choice | None
) -> Verdict:
    """The verdict once bodies were drawn; before that only what is open is told. A school that
    puts another one first than the model says so."""
    if not rivals:
        return Verdict("none_open", lift.sentences.none_open)
    name = lift.in_words(rivals[0].setup)
    if len(rivals) == 1:
        return Verdict("only_one", f"{name} {lift.sentences.only}")
    if choice is None:
        best = max(rivals, key=lambda rival: rival.predicted_max_kg)
        told = say("fitting.leads_bodies_drawn_see", in_words=lift.in_words(best.setup))
        return Verdict("undecided", _by_school(lift, lifter, rivals[0], best) + told)
    leading = choice.families[0].styles
    best = next(rival for rival in rivals if rival.setup.style in leading)
    told = _sentence(lift, lift.in_words(best.setup), choice)
    return Verdict(choice.kind, _by_school(lift, lifter, rivals[0], best) + told)


def _by_school(lift: Lift[Any], lifter: Lifter, first: Candidate[Any], best: Candidate[Any]) -> str:
    """What the school puts first where the model would not, and what that costs."""
    if lift.family_of(first.setup) == lift.family_of(best.setup):
        return ""
    lost = max(best.predicted_max_kg - first.predicted_max_kg, 0.0)
    school, name = lift.school_order.words(lifter), lift.in_words(first.setup)
    return say(
        "fitting.school_comes_first_below",
        school=school,
        name=name,
        lost=_lost(lost, best.predicted_max_kg),
    )


def _sentence(lift: Lift[Any], leader: str, choice: Choice) -> str:
    first, *others = choice.families
    lost = _lost(first.expected_loss_kg, choice.best_kg)
    if choice.kind == "only_one":
        return say("fitting.nearly_set_up_take", leader=leader, styles=_styles(lift, first.styles))
    rival = _styles(lift, others[0].styles)
    if choice.kind == "does_not_matter":
        most = _lost(max(f.expected_loss_kg for f in choice.families), choice.best_kg)
        return say("fitting.does_not_matter_wrong", most=most)
    if choice.kind == "clear":
        sure = say("fitting.chance_best_sure", chance_best=first.chance_best)
        return say("fitting.fits_best_choosing_costs", leader=leader, sure=sure, lost=lost)
    if choice.kind == "measure_first":
        reading, gain = input_words(choice.next_reading), _lost(choice.gain_kg, choice.best_kg)
        return say("fitting.measure_first_once_more", reading=reading, gain=gain)
    return say(
        "fitting.worth_trial_against_choosing",
        leader=leader,
        rival=rival,
        styles=_styles(lift, first.styles),
        lost=lost,
        try_both=lift.sentences.try_both,
    )


def _within(values: np.ndarray, kg: np.ndarray, at: float) -> tuple[float, float]:
    """The unbroken run of values round ``at`` that keep nearly all of its max."""
    here = int(np.argmin(np.abs(values - at)))
    good = (kg > 0) & (kg >= (1.0 - AS_GOOD) * kg[here])
    low = high = here
    while low > 0 and good[low - 1]:
        low -= 1
    while high < len(values) - 1 and good[high + 1]:
        high += 1
    return round(float(min(values[low], at)), 3), round(float(max(values[high], at)), 3)


def ranges_of(lift: Lift[Any], lifter: Lifter, leaders: Sequence[Candidate[Any]]) -> list[Ranges]:
    """How wide each leader's stance and toes are as good as told, the rest of it left as it is."""
    tried: list[Any] = []
    rows = []
    for axis_id in ("stance_m", "toe_out_deg"):
        axis = lift.axis(axis_id)
        step = RANGE_STEPS[axis.unit]
        steps = np.arange(-np.ceil(axis.reach[1] / step), np.ceil(axis.reach[1] / step) + 1) * step
        for leader in leaders:
            at = axis.outside(leader.setup)
            values = at + steps
            values = values[(values >= axis.reach[0] - 1e-9) & (values <= axis.reach[1] + 1e-9)]
            setups = [axis.put(leader.setup, float(value)) for value in values]
            rows.append((values, at, len(tried), [bool(lift.gates(lifter, s)) for s in setups]))
            tried += setups
    kg = quick_maxes_kg(lift, lifter, tried)
    found = [
        _within(values, np.where(gated, 0.0, kg[start : start + len(values)]), at)
        for values, at, start, gated in rows
    ]
    half = len(leaders)
    return [Ranges(found[i], found[half + i]) for i in range(half)]
