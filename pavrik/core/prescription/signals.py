"""Signs of fatigue in the log: a lighter week is proposed, never imposed."""

from collections.abc import Sequence

from pavrik.core.faults.knowledge import competition_trend
from pavrik.core.faults.logged import COMPETITION, LoggedSet
from pavrik.core.prescription.because import Because, in_kg

FALLS = 2
EQUAL_LOAD = 0.01
HARDER = 1.0


def _falling(sets: Sequence[LoggedSet]) -> Because | None:
    last = competition_trend(sets)[-FALLS:]
    if len(last) < FALLS or not all(found.last_step_kg < 0 for _, _, found in last):
        return None
    lost = -sum(found.last_step_kg for _, _, found in last)
    days = {day for day, _, _ in last}
    facts = tuple(s.set_id for s in sets if s.day in days)
    return Because(f"the trend fell {FALLS} exposures running, by {in_kg(lost)}", facts[-4:])


def _harder(sets: Sequence[LoggedSet]) -> Because | None:
    """The newest set felt a point of RPE harder than an equal one on an earlier day."""
    told = [s for s in sets if s.variation == COMPETITION and s.rpe is not None and s.reps]
    if not told:
        return None
    now = max((s for s in told if s.day == told[-1].day), key=lambda s: s.load_kg)
    for before in reversed(told):
        alike = (
            before.day < now.day
            and before.reps == now.reps
            and abs(before.load_kg / now.load_kg - 1) <= EQUAL_LOAD
        )
        if alike and before.rpe is not None and now.rpe is not None:
            if now.rpe - before.rpe < HARDER:
                return None
            return Because(
                f"{now.reps} × {in_kg(now.load_kg)} felt like RPE {now.rpe:g} on {now.day} and "
                f"like {before.rpe:g} on {before.day}",
                (before.set_id, now.set_id),
            )
    return None


def light_week(sets: Sequence[LoggedSet]) -> list[Because]:
    """The proposal of a lighter week with its reasons; empty where nothing asks for one."""
    return [
        Because(f"a lighter week would be wise: {found.text}", found.facts)
        for found in light_week_because(sets)
    ]


def light_week_because(sets: Sequence[LoggedSet]) -> list[Because]:
    """Why a lighter week would be wise; empty where nothing says so. Sets oldest first."""
    return [found for found in (_falling(sets), _harder(sets)) if found]
