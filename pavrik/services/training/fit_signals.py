"""What screens, fit and strengths say about the causes of a fault."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.start import StartReport
from pavrik.core.faults.evidence import Signal
from pavrik.core.faults.findings import competition_trend
from pavrik.core.fitting.explorer import ExactSetup
from pavrik.core.fitting.report import one
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.utilization import gives_out_first
from pavrik.core.units import degrees
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.core.variations.ratio import daily_ratios, learn_ratio
from pavrik.formats.model.requests import DeadliftSetupIn, SquatSetupIn
from pavrik.formats.model.setup_codec import deadlift_from_wire, read_setup, squat_from_wire
from pavrik.services.lifters.model_inputs import LifterInputs
from pavrik.services.setups.fits import SettledView, model_of, settled_in
from pavrik.services.setups.remembered import pull_at, squat_at
from pavrik.store import lifters
from pavrik.store.database import Connection
from pavrik.words import all_of, say

CLOSE_DEG = 2.5
"""A screen counts as reached within this many degrees: its own error."""
NEARLY = 0.93
PULL_OVER_SQUAT_KG = 90.0


@dataclass(frozen=True)
class RecordOfFit:
    """What is on record of a lifter's fit: facts, settled set-ups by lift, regions that hurt."""

    inputs: LifterInputs
    settled: Mapping[str, SettledView | None]
    pain: tuple[str, ...]


def read_record(connection: Connection, inputs: LifterInputs) -> RecordOfFit:
    """Read, nothing computed yet."""
    flags = lifters.list_open_flags(connection, inputs.profile.lifter_id)
    return RecordOfFit(
        inputs,
        {lift.id: settled_in(lift, connection, inputs) for lift in LIFTS.values()},
        tuple(flag.region for flag in flags),
    )


def _squat_in_force(record: RecordOfFit) -> ExactSetup[SquatSetup] | None:
    """The settled squat at its predicted max, or None."""
    view = record.settled[SQUAT.id]
    if view is None:
        return None
    setup = squat_from_wire(read_setup(SquatSetupIn, view.settled.setup))
    predicted_kg = view.settled.prediction["predicted_max_kg"]
    return squat_at(record.inputs, setup, predicted_kg)


def _deadlift_in_force(record: RecordOfFit) -> StartReport | None:
    """The settled deadlift at its predicted max, or None."""
    view = record.settled[DEADLIFT.id]
    if view is None:
        return None
    setup = deadlift_from_wire(read_setup(DeadliftSetupIn, view.settled.setup))
    predicted_kg = view.settled.prediction["predicted_max_kg"]
    return pull_at(record.inputs, setup, predicted_kg)


def _screen(name: str, reached_deg: float, limit_deg: float, assumed: bool, what: str) -> Signal:
    margin = abs(limit_deg - reached_deg)
    said = "assumed" if assumed else "screened"
    told = say(
        "training.what_reached_deg_of",
        what=what,
        reached_deg=reached_deg,
        limit_deg=limit_deg,
        said=said,
    )
    return Signal(name, margin <= CLOSE_DEG, told)


def _limits(use: dict[str, float], limiter: str) -> list[Signal]:
    most = max(use.values())
    near = {name for name, value in use.items() if value >= NEARLY * most}
    legs = {"quads", "legs"}
    groups = {
        "quads_limit": legs, "hips_limit": {"hips"}, "upper_back_limit": {"upper_back"},
        "lower_back_limit": {"lower_back"},
    }  # fmt: skip
    return [
        Signal(
            name,
            bool(near & group),
            say("training.in_the_fit", gives_out_first=gives_out_first(limiter)),
        )
        for name, group in groups.items()
    ]


def _squat(lifter: Lifter, found: ExactSetup[SquatSetup]) -> list[Signal]:
    bottom, screens = found.deepest.angles_deg, lifter.screens
    signals = [
        _screen(
            "ankle_binds", float(bottom["dorsiflexion"][0]), one(degrees(screens.dorsiflexion)),
            "dorsiflexion" in screens.assumed, say("training.ankle_bends"),
        ),
        _screen(
            "hip_binds", float(bottom["hip_closing"][0]), one(degrees(screens.hip_flexion)),
            "hip_flexion" in screens.assumed, say("training.hip_bends"),
        ),
    ]  # fmt: skip
    narrowest = screens.narrowest_grip_m.get(found.setup.bar_position)
    if narrowest is not None and found.setup.grip_m is not None:
        told = say(
            "training.grip_cm_bearable_from",
            grip_m=found.setup.grip_m * 100,
            narrowest=narrowest * 100,
        )
        signals.append(
            Signal("grip_narrower_than_screen", found.setup.grip_m < narrowest - 0.005, told)
        )
    use = {name: float(np.max(value)) for name, value in found.path.utilization._asdict().items()}
    return signals + _limits(use, found.limiter)


def _deadlift(found: StartReport) -> list[Signal]:
    use = {name: one(value) for name, value in found.loaded.utilization._asdict().items()}
    offset = found.placed.setup.shoulder_offset_m
    told = say("training.settled_shoulders_cm_front", offset=offset * 100)
    return [
        Signal("start_below_natural", offset < 0, told),
        *_limits(use, found.placed.limiter),
    ]


def _lagging(squats: Sequence[TrainingSet], age: str) -> list[Signal]:
    """Variations whose learnt ratio lies a spread below what is usual."""
    signals, daily = [], daily_ratios(squats, age)
    for variation, name in (("front squat", "front_squat_low"), ("high-bar squat", "high_bar_low")):
        usual = shipped_variations().by_name[variation].ratio
        seen = daily.get(variation)
        if usual is None or not seen:
            continue
        learnt = learn_ratio(usual, seen)
        told = say(
            "training.competition_squat_from_days",
            variation=variation,
            ratio=learnt.ratio,
            days=learnt.days,
        )
        signals.append(Signal(name, learnt.ratio < usual[0] - usual[1], told))
    return signals


def _both_lifts(
    squats: Sequence[TrainingSet], pulls: Sequence[TrainingSet], age: str
) -> list[Signal]:
    squat, pull = competition_trend(squats, age), competition_trend(pulls, age)
    if not squat or not pull:
        return []
    gap = pull[-1][2].kg - squat[-1][2].kg
    told = say("faults.pull_exceeds_squat_kg", gap=gap)
    return [Signal("pull_far_over_squat", gap >= PULL_OVER_SQUAT_KG, told)]


def fit_signals(
    record: RecordOfFit, lift: str, sets: Mapping[str, Sequence[TrainingSet]]
) -> list[Signal]:
    """Signals from the record apart from the fault's own log; ``sets`` of both lifts, oldest
    first."""
    lifter = model_of(record.inputs)[0]
    age = record.inputs.profile.training_age
    signals = _lagging(sets[SQUAT.id], age)
    signals += _both_lifts(sets[SQUAT.id], sets[DEADLIFT.id], age)
    if lift == SQUAT.id:
        squat = _squat_in_force(record)
        signals += _squat(lifter, squat) if squat else []
    else:
        start = _deadlift_in_force(record)
        signals += _deadlift(start) if start else []
    age = record.inputs.profile.training_age
    signals.append(Signal("novice", age == "novice", say("training.training_age", age=age)))
    told = (
        say("training.pain_flag", pain=all_of(record.pain))
        if record.pain
        else say("training.no_pain_flag")
    )
    signals.append(Signal("flag", bool(record.pain), told))
    return signals


def start_facts(record: RecordOfFit) -> dict[str, Any]:
    """Knee bend in degrees and whether the legs limit at the settled start; empty without one."""
    report = _deadlift_in_force(record)
    if report is None:
        return {}
    return {
        "knee_flexion_deg": one(degrees(report.placed.posture.legs.knee_flexion)),
        "legs_limit": report.placed.limiter in ("quads", "legs"),
    }
