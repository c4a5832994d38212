"""How a novice goes on: a step each session while it is clean, ten per cent back after two stalls.

And the first session of all, where nothing is known: a guided way up in fives. Common practice, no
source.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import groupby, pairwise

from pavrik.core.assumptions import assume
from pavrik.core.log.training_set import TrainingSet, competition_sets
from pavrik.core.prescription.lift_work import WORK
from pavrik.core.prescription.next_load import Gym, days_between, is_clean
from pavrik.core.prescription.reason import Reason, in_kg
from pavrik.words import say

CLEAN_RPE = assume("novice_clean_rpe", 8.5, "RPE", "a session harder than this is a stall")
BACK_SHARE = assume("novice_back_share", 0.90, "share", "of the load after two stalls")
STALLS = 2
MAIN_WINDOW_DAYS = 6
"""A heavier day so shortly before makes a day a second one."""
RESET_SHARE = 0.95
"""A session lighter than this share of the one before went back."""

RAMP_REPS = 5
RAMP_RPE = 6.5
"""A five at this RPE or above ends the way up."""
FELT_RPE = 5.0
"""After a five at this RPE or above the jumps are small."""
MOST_STEPS = 12
FIRST_JUMP_SHARE, JUMP_SHARE, SMALL_JUMP_SHARE = 0.40, 0.10, 0.05
"""Of the load: a jump while it is light, one on the way up, one when it begins to be felt."""
LIGHT_SHARE = 0.5
"""Of what the max is taken for: below it the load is light."""
LEAST_JUMP_KG = 2.5


@dataclass(frozen=True)
class Session:
    """Main work of a day: its heaviest load, and whether all of it was clean and not too hard."""

    day: str
    load_kg: float
    set_id: str
    clean: bool


def sessions_of(history: Sequence[TrainingSet], reps: int) -> list[Session]:
    """Main days with sets of at least so many reps, or a miss of one, oldest first: the heaviest of
    the days around them; lighter second days are none, nor is a way up."""
    asked = [s for s in competition_sets(history) if s.reps + s.missed_reps >= reps]
    days = [list(group) for _, group in groupby(asked, key=lambda s: s.day)]
    tops = [max(sets, key=lambda s: s.load_kg) for sets in days]
    found: list[Session] = []
    for i, (sets, top) in enumerate(zip(days, tops, strict=True)):
        before = [t for t in tops[:i] if days_between(t.day, top.day) <= MAIN_WINDOW_DAYS]
        hard = [s for s in sets if s.load_kg == top.load_kg]
        missed = any(s.missed_reps for s in hard)
        if any(t.load_kg > top.load_kg for t in before) or (len(hard) < 2 and not missed):
            continue
        clean = all(is_clean(s) and not s.missed_reps and _eased(s) for s in hard)
        found.append(Session(top.day, top.load_kg, top.set_id, clean))
    return found


def _eased(logged: TrainingSet) -> bool:
    return logged.rpe is None or logged.rpe <= CLEAN_RPE


def _stalls(sessions: Sequence[Session]) -> int:
    """Sessions in a row at the end that stalled, since the load last went back."""
    count = 0
    for later, session in zip([None, *reversed(sessions)], reversed(sessions), strict=False):
        went_back = later is not None and later.load_kg < RESET_SHARE * session.load_kg
        if session.clean or went_back:
            break
        count += 1
    return count


def _went_back(sessions: Sequence[Session]) -> bool:
    """Whether the load went back before."""
    return any(
        later.load_kg < RESET_SHARE * one.load_kg
        for one, later in pairwise(sessions)
        if not one.clean
    )


@dataclass(frozen=True)
class Step:
    """Load of the next session in kg, the load that it does not go below, and why."""

    kg: float
    floor_kg: float
    reasons: tuple[Reason, ...]


def next_step(history: Sequence[TrainingSet], lift: str, reps: int) -> Step | None:
    """How a novice's next session goes on from the last ones; None before the first one."""
    sessions = sessions_of(history, reps)
    if not sessions:
        return None
    last, stalls, facts = sessions[-1], _stalls(sessions), (sessions[-1].set_id,)
    told = say("prescription.in_kg_on_day", in_kg=in_kg(last.load_kg), day=last.day)
    if not stalls:
        step = WORK[lift].novice_step_kg
        why = Reason(say("prescription.clean_more", told=told, in_kg=in_kg(step)), facts)
        return Step(last.load_kg + step, last.load_kg, (why,))
    if stalls < STALLS:
        why = Reason(say("prescription.not_clean_too_hard", told=told), facts)
        return Step(last.load_kg, last.load_kg, (why,))
    back = BACK_SHARE * last.load_kg
    why = Reason(say("prescription.stalled_second_time_ten", told=told, in_kg=in_kg(back)), facts)
    over = Reason(say("prescription.went_back_before_plan"))
    return Step(back, back, (why, over) if _went_back(sessions) else (why,))


def ramp_kg(start_kg: float, guess_kg: float, gym: Gym) -> list[float]:
    """Loads of the guided way up in fives, the first one first, up to what the max is taken for."""
    loads = [start_kg]
    while len(loads) < MOST_STEPS:
        light = (1 + FIRST_JUMP_SHARE) * loads[-1] <= LIGHT_SHARE * guess_kg
        jump = max((FIRST_JUMP_SHARE if light else JUMP_SHARE) * loads[-1], LEAST_JUMP_KG)
        made = gym.loading(loads[-1] + jump, capped=False).total_kg
        if made <= loads[-1] or made > guess_kg:
            break
        loads.append(made)
    return loads


def on_the_way(planned_kg: float, today: Sequence[TrainingSet], gym: Gym) -> float:
    """Load of the next five: as planned, or a small jump where the last one began to be felt."""
    last = today[-1] if today else None
    if last is None or last.rpe is None or last.rpe < FELT_RPE:
        return planned_kg
    small = gym.loading(last.load_kg * (1 + SMALL_JUMP_SHARE), capped=False).total_kg
    return min(planned_kg, max(small, last.load_kg + gym.step_kg(last.load_kg)))


def ramp_is_over(today: Sequence[TrainingSet]) -> bool:
    """Whether a set of today ended the way up."""
    return any(s.missed_reps or (s.rpe is not None and s.rpe >= RAMP_RPE) for s in today)
