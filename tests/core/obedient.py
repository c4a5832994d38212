"""A made-up lifter who does what the plan says and logs it; the plan sees only the log."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import date, timedelta

import numpy as np

from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import Line, Plan, PlanAsk, Underway
from pavrik.core.simulation.lifter import SimulatedLifter, draw_lifter
from tests.core.plans import GYM, MONDAY, a_state


@dataclass
class Obedient:
    """``true`` by lift; ``log`` grows as he trains. Only the competition lifts are logged."""

    true: Mapping[str, SimulatedLifter]
    random: np.random.Generator = field(default_factory=lambda: np.random.default_rng(1))
    states_rpe: bool = True
    log: dict[str, list[TrainingSet]] = field(default_factory=dict)

    def __post_init__(self) -> None:
        self.log = {lift: [] for lift in self.true}

    def do(
        self, on: date, lift: str, load_kg: float, reps: int, form: float = 1.0, **more: object
    ) -> TrainingSet:
        """Do one set and log it."""
        day = (on - MONDAY).days
        came = self.true[lift].do(load_kg, reps, day, form, self.random)
        set_id, said = f"{lift}{len(self.log[lift])}", came.rpe if self.states_rpe else None
        done = TrainingSet(
            set_id, on.isoformat(), load_kg, came.made, said, came.missed, **more,  # type: ignore[arg-type]
        )  # fmt: skip
        self.log[lift].append(done)
        return done

    def follow(self, line: Line, on: date, form: float) -> None:
        """Every set of a line of the competition lift, until one is missed."""
        if line.load_kg is None or line.variation != COMPETITION:
            return
        for _ in range(line.sets):
            done = self.do(on, line.lift, line.load_kg, line.reps, form, aimed_rpe=line.rpe)
            if done.missed_reps:
                return

    def plan(self, ask: PlanAsk, week: int = 0, **more: object) -> Plan:
        """The plan from his log as it stands at the start of a week."""
        states = {lift: replace(a_state(lift), history=list(log)) for lift, log in self.log.items()}
        today = ask.start + timedelta(weeks=week)
        more = {"underway": Underway(week, today)} | more
        return make_plan(ask, states, GYM, **more)  # type: ignore[arg-type]

    def train(self, ask: PlanAsk, weeks: int) -> list[Plan]:
        """Follow the plan week by week; every week's plan as it was made at its start."""
        plans = []
        for week in range(weeks):
            plan = self.plan(ask, week)
            plans.append(plan)
            for day in plan.weeks[week].days:
                forms = {lift: one.form(self.random) for lift, one in self.true.items()}
                for line in day.lines:
                    self.follow(line, day.on, forms[line.lift])
        return plans

    def warm_up(self, ask: PlanAsk) -> "Obedient":
        """Three weeks of fives at about RPE 8 before the plan."""
        for lift, one in self.true.items():
            for ago in (19, 12, 5):
                kg = 2.5 * round(0.81 * one.max_kg / 2.5)
                self.do(ask.start - timedelta(days=ago), lift, kg, 5, aimed_rpe=8.0)
        return self


def honest(max_kg: Mapping[str, float]) -> Obedient:
    """One who never changes and rates every set exactly."""
    return Obedient({lift: SimulatedLifter(kg) for lift, kg in max_kg.items()})


def drawn(seed: int, max_kg: Mapping[str, float], gain_per_week: float = 0.0) -> Obedient:
    """One with a curve, a bias and days of his own."""
    random = np.random.default_rng([31, seed])
    true = {lift: draw_lifter(kg, random, gain_per_week) for lift, kg in max_kg.items()}
    return Obedient(true, random)
