"""What the log alone says about a fault: with load or at any load, late or from the first rep."""

from collections.abc import Sequence

from pavrik.core.faults.evidence import Signal
from pavrik.core.faults.findings import FaultFindings
from pavrik.core.log.onset import SURE_RISE
from pavrik.core.log.rates import Rate
from pavrik.core.log.repeatability import MEASURES, repeatability
from pavrik.core.log.training_set import TrainingSet
from pavrik.words import say

LEAST_REPS = 10
OFTEN = 0.10
MUCH_MORE = 1.6
MOSTLY = 0.7
LEAST_SIDED = 4
LONG_WAIT_S = 2.0


def _pool(rates: Sequence[Rate]) -> tuple[int, int]:
    return sum(r.faulty for r in rates), sum(r.reps for r in rates)


def _told(rate: tuple[int, int]) -> str:
    return say("faults.of_reps", seen=rate[0], reps=rate[1])


def _with_load(fault: FaultFindings) -> Signal:
    onset = fault.onset
    if onset.verdict == "too few":
        return Signal("comes_with_load", None, say("faults.too_few_reps_tie"))
    holds = onset.rises >= SURE_RISE
    return Signal("comes_with_load", holds, fault.words)


def _at_any_load(fault: FaultFindings) -> Signal:
    light = [r for r in fault.by_load if r.label.startswith(("under", "60", "70"))]
    seen = _pool(light)
    if seen[1] < LEAST_REPS:
        return Signal("at_any_load", None, say("faults.hardly_any_light_reps"))
    holds = seen[0] / seen[1] >= OFTEN
    return Signal("at_any_load", holds, say("faults.seen_below_75_max", told=_told(seen)))


def _by_rep_number(fault: FaultFindings) -> list[Signal]:
    first, late = _pool(fault.by_rep[:1]), _pool(fault.by_rep[3:])
    if first[1] < LEAST_REPS or late[1] < LEAST_REPS:
        unknown = say("faults.too_few_sets_four")
        return [Signal("late_reps", None, unknown), Signal("first_reps", None, unknown)]
    early_rate, late_rate = first[0] / first[1], late[0] / late[1]
    told = say("faults.rep_1_from_rep", first=_told(first), later=_told(late))
    late_holds = late_rate >= MUCH_MORE * max(early_rate, 0.02)
    return [
        Signal("late_reps", late_holds, told),
        Signal("first_reps", early_rate > 0 and not late_holds, told),
    ]


def _one_side(sets: Sequence[TrainingSet], fault_id: str) -> Signal:
    sides = [f.side for s in sets for f in s.faults if f.fault_id == fault_id and f.side]
    if len(sides) < LEAST_SIDED:
        return Signal("one_side", None, say("faults.side_hardly_ever_noted"))
    most = max(sides.count("left"), sides.count("right"))
    side = "left" if sides.count("left") == most else "right"
    return Signal(
        "one_side",
        most / len(sides) >= MOSTLY,
        say("faults.of_times_on_the", most=most, sides=len(sides), side=side),
    )


def _measured(sets: Sequence[TrainingSet]) -> list[Signal]:
    found = {r.kind: r for r in repeatability(sets)}
    signals = []
    wait = found.get("hands_to_pull_s")
    if wait and wait.light and wait.heavy:
        longer = wait.heavy.mean - wait.light.mean
        told = say("faults.hands_pull_s_light", light=wait.light.mean, heavy=wait.heavy.mean)
        signals.append(Signal("waits_when_heavy", longer >= LONG_WAIT_S, told))
    feet = found.get("foot_offset_m")
    if feet and feet.whole.count >= LEAST_SIDED:
        varies = feet.whole.sd > MEASURES["foot_offset_m"].same_within
        told = say("faults.bar_mid_foot_varies", sd=feet.whole.sd * 100)
        signals.append(Signal("feet_vary", varies, told))
    return signals


def _rebound(sets: Sequence[TrainingSet]) -> list[Signal]:
    styled = [s for s in sets if s.pull_style]
    reps = sum(s.all_reps for s in styled)
    if reps < LEAST_REPS:
        return []
    share = sum(s.all_reps for s in styled if s.pull_style == "rebound") / reps
    return [Signal("rebound_reps", share >= 0.5, say("faults.pulls_rebound_reps", share=share))]


def signals_of_log(sets: Sequence[TrainingSet]) -> list[Signal]:
    """What the log of the lift says whatever the fault is."""
    return [*_measured(sets), *_rebound(sets)]


def signals_of_fault(sets: Sequence[TrainingSet], fault: FaultFindings) -> list[Signal]:
    """What the log of the lift says about one fault."""
    return [
        _with_load(fault),
        _at_any_load(fault),
        *_by_rep_number(fault),
        _one_side(sets, fault.fault_id),
    ]
