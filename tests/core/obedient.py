"""A made-up lifter who does what the plan says, with a true max that the plan never sees.

His curve of reps against load is his own and none of the estimator's formulas.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import timedelta

import numpy as np

from pavrik.core.faults.logged import COMPETITION, LoggedSet
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Line, Plan, PlanAsk
from tests.core.plans import GYM, a_state

SHARE_PER_REP = 0.0333


@dataclass
class Obedient:
    """``max_kg`` by lift; ``log`` grows as he trains. He rates below RPE 4 as 4."""

    max_kg: Mapping[str, float]
    log: dict[str, list[LoggedSet]] = field(default_factory=dict)
    states_rpe: bool = True

    def __post_init__(self) -> None:
        self.log = {lift: [] for lift in self.max_kg}

    def rpe(self, lift: str, load_kg: float, reps: int) -> float:
        """Honest, to the half point."""
        could = 1 - np.log(load_kg / self.max_kg[lift]) / SHARE_PER_REP
        return float(np.clip(np.round(2 * (10 - (could - reps))) / 2, 4, 10))

    def do(self, day: str, lift: str, load_kg: float, reps: int, **more: object) -> LoggedSet:
        """Log one set."""
        rpe = self.rpe(lift, load_kg, reps) if self.states_rpe else None
        set_id = f"{lift}{len(self.log[lift])}"
        done = LoggedSet(set_id, day, load_kg, reps, rpe, **more)  # type: ignore[arg-type]
        self.log[lift].append(done)
        return done

    def follow(self, line: Line, day: str) -> None:
        """Every set of a line that has a load."""
        if line.load_kg is None:
            return
        variation = line.variation
        factor = 1.0 if variation == COMPETITION else None
        for _ in range(line.sets):
            if factor is not None:
                self.do(day, line.lift, line.load_kg, line.reps, aimed_rpe=line.rpe)

    def plan(self, ask: PlanAsk, week: int = 0, **more: object) -> Plan:
        """The plan from his log as it stands at the start of a week."""
        states = {lift: replace(a_state(lift), history=list(log)) for lift, log in self.log.items()}
        today = ask.start + timedelta(weeks=week)
        return make_plan(ask, states, GYM, first_week=week, today=today, **more)  # type: ignore[arg-type]

    def train(self, ask: PlanAsk, weeks: int) -> list[Plan]:
        """Follow the plan week by week; every week's plan as it was made at its start."""
        plans = []
        for week in range(weeks):
            plan = self.plan(ask, week)
            plans.append(plan)
            for day in plan.weeks[week].days:
                for line in day.lines:
                    self.follow(line, day.on.isoformat())
        return plans


def warmed_up(max_kg: Mapping[str, float], ask: PlanAsk, **more: bool) -> Obedient:
    """With three weeks of fives at about RPE 8 behind him."""
    lifter = Obedient(max_kg, **more)
    for lift, kg in max_kg.items():
        for ago in (19, 12, 5):
            day = (ask.start - timedelta(days=ago)).isoformat()
            lifter.do(day, lift, 2.5 * round(0.81 * kg / 2.5), 5, aimed_rpe=8.0)
    return lifter
