"""After the top single of a session: its back-off sets by what that showed, within 5 % of the plan.

It touches this session alone; what the single says of the max goes its own way, into ability.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from pavrik.core.assumptions import assume
from pavrik.core.equipment.plates import Loading
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.plan_parts import Line
from pavrik.core.prescription.reason import Reason, in_kg, reps_words
from pavrik.words import say

MOST_CHANGE = assume(
    "back_off_change", 0.05, "share", "most that a session's top set moves the sets after it"
)


@dataclass(frozen=True)
class BackOff:
    """What the bar is given instead of the planned load, and why."""

    loading: Loading
    reason: Reason


def _top(line: Line, lines: Sequence[Line]) -> Line | None:
    """The heavier single of the same lift that stands before a line on its day."""
    before = lines[: lines.index(line)]
    tops = [x for x in before if x.kind == "main" == line.kind and x.lift == line.lift
            and x.variation == line.variation and x.reps == 1 and x.share]  # fmt: skip
    return tops[-1] if tops and line.reps > 1 else None


def back_off(
    line: Line, lines: Sequence[Line], done: Sequence[TrainingSet], gym: Gym
) -> BackOff | None:
    """The load of a line after its day's top single was ``done`` (today's sets of the variation);
    None where there was none, it says nothing, or it was as expected. Never above a cap."""
    top = _top(line, lines)
    if top is None or not line.load_kg or not top.share or not top.load_kg:
        return None
    said = [(s, says) for s in done if s.reps == 1 and (says := s.estimate()) is not None]
    missed = [s for s in done if (s.reps, s.missed_reps) == (0, 1) and s.load_kg <= top.load_kg]
    expected = top.load_kg / top.share
    if missed:
        showed, facts = 1.0 - MOST_CHANGE, missed[-1]
        told = say("prescription.the_was_missed", in_kg=in_kg(facts.load_kg))
    elif said:
        facts, estimate = said[-1]
        showed = min(max(estimate.kg / expected, 1.0 - MOST_CHANGE), 1.0 + MOST_CHANGE)
        told = say(
            "prescription.rpe_shows_about_kg",
            reps_words=reps_words(1),
            in_kg=in_kg(facts.load_kg),
            rpe=facts.rpe,
            kg=estimate.kg,
            expected=expected,
        )
    else:
        return None
    wanted = line.load_kg * showed
    if line.cap_kg is not None:
        wanted = min(wanted, line.cap_kg)
    loading = gym.loading(wanted, capped=line.cap_kg is not None)
    if abs(loading.total_kg - line.load_kg) < gym.step_kg(line.load_kg) / 2:
        return None
    way = "lighter" if loading.total_kg < line.load_kg else "heavier"
    text = say(
        "prescription.today_planned",
        told=told,
        in_kg=in_kg(loading.total_kg),
        way=way,
        planned=in_kg(line.load_kg),
    )
    return BackOff(loading, Reason(text, (facts.set_id,)))
