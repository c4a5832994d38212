"""Months of believable training from a seeded generator: same seed, same history."""

from dataclasses import dataclass
from datetime import datetime, timedelta
from uuid import UUID, uuid5

import numpy as np

from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.strength.estimated_max import load_for
from pavrik.demo.people import Person
from pavrik.store.training import Observation, StoredSet

NAMESPACE = UUID("7d9c1f52-3f0e-7cc1-9a61-0d3f7a55c0de")
WEEKS = 16
SQUAT_WEEK = ((5, 8.0), (3, 8.0), (6, 7.5), (2, 8.5))
FAULT_STEEPNESS = 28.0


@dataclass(frozen=True)
class LoggedDay:
    """A set and what was seen in it."""

    logged: StoredSet
    seen: list[Observation]
    measures: dict[str, float]


def stable_id(*parts: object) -> UUID:
    """An id that depends on nothing but its parts."""
    return uuid5(NAMESPACE, "/".join(map(str, parts)))


def _faults(
    person: Person, logged: StoredSet, share: float, random: np.random.Generator
) -> list[Observation]:
    faults = shipped_catalogue().faults
    seen = []
    for trouble in person.troubles:
        if faults[trouble.fault_id].lift != logged.lift:
            continue
        chance = 1 / (1 + np.exp(-FAULT_STEEPNESS * (share - trouble.onset_share)))
        if person.cue and logged.cue == person.cue.cue and person.cue.fault_id == trouble.fault_id:
            chance *= person.cue.leaves
        for rep in range(1, logged.reps + 1):
            tired = 0.85 + 0.3 * rep / logged.reps
            if random.random() < chance * tired:
                seen.append(
                    Observation(
                        stable_id(logged.set_id, trouble.fault_id, rep), rep, trouble.fault_id,
                        trouble.phase, trouble.severity, trouble.side, None, "",
                    )
                )  # fmt: skip
    return seen


def _measures(
    person: Person, lift: str, share: float, random: np.random.Generator
) -> dict[str, float]:
    if lift == "squat":
        return {"walkout_steps": float(random.choice([2, 3, 3]))}
    light, heavy = person.wait_s
    wait = light + (heavy - light) * float(np.clip((share - 0.7) / 0.2, 0, 1))
    return {
        "hands_to_pull_s": round(max(0.5, wait + random.normal(0, 0.3)), 1),
        "foot_offset_m": round(0.02 + float(random.normal(0, 0.006)), 3),
    }


def _stall(person: Person, lifter_id: UUID, at: datetime) -> LoggedDay:
    """A pull that stayed on the floor."""
    assert person.stall_kg is not None
    set_id = stable_id(lifter_id, "stall")
    logged = StoredSet(
        set_id, lifter_id, None, "deadlift", "competition", person.stall_kg, 0, 1, 10.0, 9.0,
        "dead_stop", {}, "", at + timedelta(minutes=40),
    )  # fmt: skip
    seen = Observation(
        stable_id(set_id, "seen"), 1, "floor-stall", "off the floor", 3, None, None, ""
    )
    return LoggedDay(logged, [seen], {"hands_to_pull_s": person.wait_s[1] + 3.0})


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
        tried = person.cue
        logged = StoredSet(
            set_id=stable_id(lifter_id, lift, variation, week, number, at.date()),
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
            cue=tried.cue if tried and tried.lift == lift and week >= WEEKS - tried.weeks else "",
        )
        seen = _faults(person, logged, load / max_kg, random)
        days.append(LoggedDay(logged, seen, _measures(person, lift, load / max_kg, random)))
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
    if person.stall_kg:
        days.append(_stall(person, lifter_id, start - timedelta(days=2)))
    return days
