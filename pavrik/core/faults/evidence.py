"""Which cause is likely: the evidence of fit, screens, limiter and log, weighed per cause.

A signal is something the record says about this fault: it holds, it does not, or nobody knows. A
cause lists the signals that speak for it; one that does not hold speaks against it at half weight.
The result of a test outweighs all signals. Weights are judgements: common practice, no source.
"""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache
from importlib.resources import files
from typing import Literal

from pavrik.core.faults.catalogue import Catalogue, shipped_catalogue
from pavrik.words import say

TEST_WEIGHT = 6.0
AGAINST = 0.5
RULED_OUT = "ruled out"
SIGNALS = {
    "comes_with_load": say("faults.comes_load"),
    "at_any_load": say("faults.there_light_loads_too"),
    "late_reps": say("faults.comes_later_reps_set"),
    "first_reps": say("faults.there_from_first_rep"),
    "one_side": say("faults.mostly_side"),
    "ankle_binds": say("faults.ankle_screen_reached_bottom"),
    "hip_binds": say("faults.neutral_depth_screen_reached"),
    "grip_narrower_than_screen": say("faults.grip_narrower_shoulder_screen"),
    "quads_limit": say("faults.quads_legs_limit_fit"),
    "hips_limit": say("faults.hips_limit_fit"),
    "upper_back_limit": say("faults.upper_back_limits_nearly"),
    "lower_back_limit": say("faults.lower_back_limits_fit"),
    "front_squat_low": say("faults.front_squat_lags_behind"),
    "high_bar_low": say("faults.high_bar_squat_lags"),
    "pull_far_over_squat": say("faults.pull_exceeds_squat_90"),
    "waits_when_heavy": say("faults.wait_bar_grows_load"),
    "rebound_reps": say("faults.most_pulls_rebound_reps"),
    "feet_vary": say("faults.bar_mid_foot_differs"),
    "start_below_natural": say("faults.settled_start_lies_below"),
    "novice": say("faults.lifter_novice"),
    "flag": say("faults.pain_flag_stands"),
}


@dataclass(frozen=True)
class Signal:
    """What the record says of one signal: ``holds`` None where nobody knows; ``text`` the fact."""

    id: str
    holds: bool | None
    text: str


@dataclass(frozen=True)
class TestResult:
    """What a test that separates a cause from the others said."""

    __test__ = False
    cause_id: str
    result: Literal["for", "against", "unclear"]


@dataclass(frozen=True)
class RankedCause:
    """A cause with what speaks for and against it, most likely first; ``standing`` is "confirmed",
    "likely", "possible" or "ruled out"."""

    cause_id: str
    text: str
    test: str
    standing: str
    score: float
    for_it: list[str]
    against_it: list[str]
    remedies: tuple[str, ...]


@cache
def shipped_evidence() -> dict[str, dict[str, float]]:
    """Signals and weights of every cause. Raises ValueError on an unknown cause or signal."""
    data: dict[str, dict[str, float]] = json.loads(
        files(__package__).joinpath("evidence.json").read_text()
    )
    causes = shipped_catalogue().causes
    wrong = [say("faults.no_cause_2", cause=cause) for cause in data if cause not in causes]
    wrong += [
        say("faults.no_signal", cause=cause, signal=signal)
        for cause, weights in data.items()
        for signal in weights
        if signal not in SIGNALS
    ]
    if wrong:
        raise ValueError(say("faults.evidence_broken", wrong="; ".join(wrong)))
    return data


def _weigh(
    weights: Mapping[str, float], signals: Mapping[str, Signal]
) -> tuple[float, list[str], list[str]]:
    score = 0.0
    for_it: list[str] = []
    against_it: list[str] = []
    for name, weight in weights.items():
        signal = signals.get(name)
        if signal is None or signal.holds is None:
            continue
        speaks_for = signal.holds == (weight > 0)
        score += abs(weight) if speaks_for else -AGAINST * abs(weight)
        (for_it if speaks_for else against_it).append(signal.text)
    return score, for_it, against_it


def _standing(score: float, tested: float) -> str:
    if tested:
        return "confirmed" if tested > 0 else RULED_OUT
    return "likely" if score >= 1.0 else "possible"


def _newest(tests: Sequence[TestResult]) -> dict[str, float]:
    """What the newest test of every cause said: 1 for it, -1 against it, 0 unclear."""
    newest: dict[str, float] = {}
    for test in tests:
        sign = {"for": 1.0, "against": -1.0, "unclear": 0.0}[test.result]
        newest.setdefault(test.cause_id, sign)
    return newest


def ruled_out_causes(tests: Sequence[TestResult]) -> frozenset[str]:
    """Causes that their newest test in ``tests`` (newest first) spoke against."""
    return frozenset(cause for cause, sign in _newest(tests).items() if sign < 0)


MOST_CAUSES = 2


def worked_on(causes: Sequence[RankedCause]) -> list[RankedCause]:
    """The causes that something is done about: the confirmed ones alone, else the likeliest two
    that no test ruled out."""
    confirmed = [c for c in causes if c.standing == "confirmed"]
    return confirmed or [c for c in causes if c.standing != RULED_OUT][:MOST_CAUSES]


def rank_causes(
    catalogue: Catalogue,
    fault_id: str,
    signals: Sequence[Signal],
    tests: Sequence[TestResult] = (),
) -> list[RankedCause]:
    """The causes of a fault, the most likely first; of several results of one test the first in
    ``tests`` (the newest) counts."""
    known = {signal.id: signal for signal in signals}
    newest = _newest(tests)
    ranked = []
    for cause_id in catalogue.faults[fault_id].causes:
        if cause_id in catalogue.hidden:
            continue
        cause = catalogue.causes[cause_id]
        score, for_it, against_it = _weigh(shipped_evidence().get(cause_id, {}), known)
        tested = newest.get(cause_id, 0.0)
        ranked.append(
            RankedCause(
                cause_id, cause.text, cause.test, _standing(score, tested),
                score + TEST_WEIGHT * tested, for_it, against_it, cause.remedies,
            )
        )  # fmt: skip
    return sorted(ranked, key=lambda cause: -cause.score)
