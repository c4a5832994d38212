"""Three attempts for a meet from the estimated max: safe, likely, possible. Common practice, no
source; the rule book in force decides on steps and changes.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from pavrik.core.log.training_set import TrainingSet, competition_sets
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.reason import Reason, in_kg
from pavrik.words import say

STEP_KG = 2.5
Strategy = Literal["safe", "placing", "record"]
STRATEGIES: dict[Strategy, tuple[float, float, float]] = {
    "safe": (0.90, 0.95, 0.99), "placing": (0.91, 0.965, 1.005), "record": (0.92, 0.975, 1.02),
}  # fmt: skip
"""Opener, second and third as shares of the estimated max: 90 to 92, 95 to 97.5, 99 to 102 %."""
SHARES = STRATEGIES["placing"]
EASY_MORE, HARD_LESS = 0.0125, 0.0125
"""Share of the max that the third goes up or down by how the second felt."""
TEST_STEP_SHARE, TEST_STEP_KG = 0.02, 5.0
LEAST_TEST = 0.98
"""A test single is at most this far over the best clean set or this share of the estimated max,
whichever is most."""
NAMED_JUMP = 0.10


@dataclass(frozen=True)
class Attempt:
    """One attempt in kg with its reason; a third also by how the second went: easy, hard, or
    missed, which is repeated and never jumped over."""

    number: int
    load_kg: float
    reasons: tuple[Reason, ...]
    if_easy_kg: float | None = None
    if_hard_kg: float | None = None
    if_missed_kg: float | None = None


def _nearest(load_kg: float) -> float:
    return STEP_KG * math.floor(load_kg / STEP_KG + 0.5)


def most_tried(max_kg: float, sets: Sequence[TrainingSet]) -> tuple[float, Reason] | None:
    """The most that a test goes over the best clean set, and why; None without one."""
    best = _clean(sets, 1)
    if best is None:
        return None
    most = max(
        best.load_kg * (1 + TEST_STEP_SHARE), best.load_kg + TEST_STEP_KG, LEAST_TEST * max_kg
    )
    text = say("prescription.no_more_2_5", in_kg=in_kg(best.load_kg), least_test=LEAST_TEST)
    return most, Reason(text, (best.set_id,))


def _clean(sets: Sequence[TrainingSet], least_reps: int) -> TrainingSet | None:
    done = [s for s in competition_sets(sets) if s.counts_for_max and s.reps >= least_reps]
    return max(done, key=lambda s: (s.load_kg, s.day), default=None)


def _jump(load_kg: float, best: TrainingSet | None) -> tuple[Reason, ...]:
    """What a load far above everything done is called."""
    if best is None:
        return (Reason(say("prescription.no_clean_set_logged")),)
    over = load_kg / best.load_kg - 1
    if over < NAMED_JUMP:
        return ()
    text = say(
        "prescription.jump_over_best_clean", over=over, in_kg=in_kg(best.load_kg), day=best.day
    )
    return (Reason(text, (best.set_id,)),)


def _over(load_kg: float, caps: Sequence[Cap]) -> tuple[Reason, ...]:
    """A warning where an attempt passes the lowest cap of training; the platform is the lifter's
    and the coach's word."""
    lowest = min(caps, key=lambda cap: cap.load_kg, default=None)
    if lowest is None or load_kg <= lowest.load_kg:
        return ()
    text = say(
        "prescription.above_cap_decide_before", in_kg=in_kg(lowest.load_kg), words=lowest.words
    )
    return (Reason(text, lowest.facts),)


def attempts(
    max_kg: float, sets: Sequence[TrainingSet], caps: Sequence[Cap] = (),
    strategy: Strategy = "placing",
) -> list[Attempt]:  # fmt: skip
    """Opener, second and third for an estimated max; ``sets`` of the lift, oldest first."""
    best, found, least = _clean(sets, 1), list[Attempt](), STEP_KG
    for number, share in enumerate(STRATEGIES[strategy], 1):
        load_kg = max(_nearest(share * max_kg), least)
        why = Reason(say("prescription.expected_day", share=share, in_kg=in_kg(max_kg)))
        found.append(Attempt(number, load_kg, (*_over(load_kg, caps), why, *_jump(load_kg, best))))
        least = load_kg + STEP_KG
    second, third = found[1].load_kg, found[2]
    harder, easier = (_nearest(third.load_kg + by * max_kg) for by in (EASY_MORE, -HARD_LESS))
    found[2] = replace(
        third, if_easy_kg=max(harder, third.load_kg + STEP_KG),
        if_hard_kg=max(min(easier, third.load_kg - STEP_KG), second + STEP_KG),
        if_missed_kg=second,
    )  # fmt: skip
    return found
