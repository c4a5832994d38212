"""Three attempts for a meet: an opener that was done for a triple, then what is likely, then what
is possible. Common practice, no source; the rule book in force decides on steps and changes.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from pavrik.core.faults.logged import COMPETITION, LoggedSet
from pavrik.core.prescription.because import Because, in_kg
from pavrik.core.prescription.caps import Cap
from pavrik.core.strength.estimated_max import load_for

STEP_KG = 2.5
OPENER_REPS, OPENER_RPE = 3, 9.5
SECOND_SHARE = 0.965
THIRD_SHARE = 1.01
TEST_STEP_SHARE, TEST_STEP_KG = 0.02, 5.0
LEAST_TEST = 0.98
"""A third is at most this far over the best clean set or this share of the estimated max,
whichever is most."""


@dataclass(frozen=True)
class Attempt:
    """One attempt in kg with its reason."""

    number: int
    load_kg: float
    because: tuple[Because, ...]


def _down(load_kg: float) -> float:
    return STEP_KG * int(load_kg / STEP_KG + 1e-9)


def most_tried(max_kg: float, sets: Sequence[LoggedSet]) -> tuple[float, Because] | None:
    """The most that a test goes over the best clean set, and why; None without one."""
    best = _clean(sets, 1)
    if best is None:
        return None
    most = max(
        best.load_kg * (1 + TEST_STEP_SHARE), best.load_kg + TEST_STEP_KG, LEAST_TEST * max_kg
    )
    text = (
        f"no more than 2 % or 5 kg over the best clean set of {in_kg(best.load_kg)}, "
        f"or {LEAST_TEST:.0%} of the estimated max"
    )
    return most, Because(text, (best.set_id,))


def _clean(sets: Sequence[LoggedSet], least_reps: int) -> LoggedSet | None:
    done = [
        s
        for s in sets
        if s.variation == COMPETITION
        and s.counts_for_max
        and s.reps >= least_reps
        and s.pull_style != "rebound"
    ]
    return max(done, key=lambda s: (s.load_kg, s.day), default=None)


def _over(load_kg: float, caps: Sequence[Cap]) -> tuple[Because, ...]:
    """A warning where an attempt passes the lowest cap of training; the platform is the lifter's
    and the coach's word."""
    lowest = min(caps, key=lambda cap: cap.load_kg, default=None)
    if lowest is None or load_kg <= lowest.load_kg:
        return ()
    text = f"above the cap of {in_kg(lowest.load_kg)}, {lowest.words}: decide before the meet"
    return (Because(text, lowest.facts),)


def attempts(max_kg: float, sets: Sequence[LoggedSet], caps: Sequence[Cap] = ()) -> list[Attempt]:
    """Opener, second and third for an estimated max; ``sets`` of the lift, oldest first."""
    triple = _clean(sets, OPENER_REPS)
    opener = load_for(max_kg, OPENER_REPS, OPENER_RPE)
    why = [
        Because(
            f"{OPENER_REPS} reps at RPE {OPENER_RPE:g} from the estimated max of {in_kg(max_kg)}"
        )
    ]
    if triple is None:
        why.append(Because("no clean triple is logged yet: do one before the meet"))
    elif triple.load_kg < opener:
        opener = triple.load_kg
        why = [
            Because(
                f"the heaviest clean triple: {in_kg(triple.load_kg)} on {triple.day}",
                (triple.set_id,),
            )
        ]
    opener = _down(opener)
    second = max(_down(SECOND_SHARE * max_kg), opener + STEP_KG)
    third, third_why = THIRD_SHARE * max_kg, [Because("the estimated max and one per cent")]
    allowed = most_tried(max_kg, sets)
    if allowed is not None and third > allowed[0]:
        third, third_why = allowed[0], [allowed[1]]
    third = max(_down(third), second + STEP_KG)
    second = min(second, third - STEP_KG)
    second_why = [Because(f"about {SECOND_SHARE:.1%} of the estimated max")]
    chosen = ((opener, why), (second, second_why), (third, third_why))
    return [
        Attempt(number, kg, (*_over(kg, caps), *because))
        for number, (kg, because) in enumerate(chosen, 1)
    ]
