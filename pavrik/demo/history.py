"""Months of believable training from a seeded generator: same seed, same history."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID, uuid5

import numpy as np

from pavrik.core.strength.estimated_max import load_for
from pavrik.demo.people import Person
from pavrik.store.training import Observation, TrainingSet

NAMESPACE = UUID("7d9c1f52-3f0e-7cc1-9a61-0d3f7a55c0de")
WEEKS = 16
SQUAT_WEEK = ((5, 8.0), (3, 8.0), (6, 7.5), (2, 8.5))
FAULT_STEEPNESS = 28.0


@dataclass(frozen=True)
class LoggedDay:
    """A set and what was seen in it."""

    logged: TrainingSet
    seen: list[Observation]


def stable_id(*parts: object) -> UUID:
    """An id that depends on nothing but its parts."""
    return uuid5(NAMESPACE, "/".join(map(str, parts)))


def _faults(
    person: Person, set_id: UUID, reps: int, share: float, random: np.random.Generator
) -> list[Observation]:
    seen = []
    for trouble in person.troubles:
        chance = 1 / (1 + np.exp(-FAULT_STEEPNESS * (share - trouble.onset_share)))
        for rep in range(1, reps + 1):
            tired = 0.85 + 0.3 * rep / reps
            if random.random() < chance * tired * 0.7:
                seen.append(
                    Observation(
                        stable_id(set_id, trouble.fault_id, rep), rep, trouble.fault_id,
                        trouble.phase, trouble.severity, None, None, "",
                    )
                )  # fmt: skip
    return seen


def _rpe(share_of_target: float, aimed: float, random: np.random.Generator) -> float:
    felt = aimed + (share_of_target - 1) / 0.03 + random.normal(0, 0.4)
    return float(np.clip(round(felt * 2) / 2, 5, 10))


def _session(
    person: Person, lifter_id: UUID, lift: str, variation: str, max_kg: float, week: int,
    at: datetime, random: np.random.Generator,
) -> list[LoggedDay]:  # fmt: skip
    reps, aimed = SQUAT_WEEK[week % len(SQUAT_WEEK)]
    ideal = load_for(max_kg, reps, aimed)
    days = []
    for number, share in enumerate((0.92, 1.0, 1.0, 0.96)):
        load = max(20.0, 2.5 * round(ideal * share * random.normal(1, 0.008) / 2.5))
        set_id = stable_id(lifter_id, lift, variation, week, number, at.date())
        seen = _faults(person, set_id, reps, load / max_kg * (1.12 if reps > 3 else 1.05), random)
        days.append(
            LoggedDay(
                TrainingSet(
                    set_id=set_id,
                    lifter_id=lifter_id,
                    replaces=None,
                    lift=lift,
                    variation=variation,
                    load_kg=load,
                    reps=reps,
                    missed_reps=0,
                    rpe=_rpe(load / ideal, aimed if share == 1.0 else aimed - 1, random),
                    aimed_rpe=aimed,
                    pull_style="dead_stop" if lift == "deadlift" else None,
                    schools={},
                    note="",
                    performed_at=at + timedelta(minutes=7 * number),
                ),
                seen if lift == "squat" else [],
            )
        )
    return days


def history_of(person: Person, lifter_id: UUID, now: datetime, seed: int) -> list[LoggedDay]:
    """Two squat days and one pull day a week for sixteen weeks, the last a few days ago."""
    random = np.random.default_rng([seed, lifter_id.int % 2**32])
    weeks = 6 if person.training_age == "novice" else WEEKS
    second = "front squat" if "front" in person.grips_m else "high-bar squat"
    days: list[LoggedDay] = []
    for week in range(weeks):
        ago = (weeks - 1 - week) * 7 + person.idle_days
        start = (now - timedelta(days=ago)).replace(hour=17, minute=30, second=0, microsecond=0)
        growth = (1 + person.weekly_gain) ** (week - weeks + 1) * random.normal(1, 0.006)
        squat, pull = person.squat_max_kg * growth, person.deadlift_max_kg * growth
        share = 0.83 if second == "front squat" else 0.93
        days += _session(
            person,
            lifter_id,
            "squat",
            second,
            share * squat,
            week,
            start - timedelta(days=3),
            random,
        )
        days += _session(
            person,
            lifter_id,
            "deadlift",
            "competition",
            pull,
            week,
            start - timedelta(days=2),
            random,
        )
        days += _session(person, lifter_id, "squat", "competition", squat, week, start, random)
    return days
