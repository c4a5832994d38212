"""A made-up lifter who does what the plan says and logs it; the plan sees only the log.

Only the competition lifts are logged; what follows a missed set on a line is left undone.
"""

from collections.abc import Mapping
from datetime import date, timedelta

import numpy as np

from pavrik.core.equipment.plates import PlatePair
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.choice import Choice
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import LiftState, Line, Plan, PlanAsk, Underway
from pavrik.core.simulation.lifter import SimulatedLifter, draw_lifter

GYM = Gym(
    20.0, 0.0, tuple(PlatePair(kg, 4) for kg in (25.0, 20.0, 15.0, 10.0, 5.0, 2.5, 1.25, 0.5))
)
WARM_UP_DAYS = (19, 12, 5)
"""Before the plan: days with a set of fives each."""
WARM_UP_SHARE = 0.81


class Story:
    """``true`` are the lifters by lift; ``log`` grows as they train. The same generator gives the
    same story."""

    def __init__(
        self, true: Mapping[str, SimulatedLifter], start: date, random: np.random.Generator
    ) -> None:
        self.true, self.start, self.random = true, start, random
        self.states_rpe = True
        self.log: dict[str, list[TrainingSet]] = {lift: [] for lift in true}

    def true_max_kg(self, lift: str, on: date) -> float:
        """What the lifter could lift on a day of middling form."""
        return self.true[lift].true_max_kg((on - self.start).days)

    def do(
        self, on: date, lift: str, load_kg: float, reps: int, form: float = 1.0, **more: object
    ) -> TrainingSet:
        """Do one set and log it."""
        day = (on - self.start).days
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
        """The plan from the log as it stands at the start of a week."""
        states = {
            lift: LiftState(lift, list(log), Choice((), ())) for lift, log in self.log.items()
        }
        today = ask.start + timedelta(weeks=week)
        given = {"underway": Underway(week, today)} | more
        return make_plan(ask, states, GYM, **given)  # type: ignore[arg-type]

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

    def warm_up(self) -> "Story":
        """Three weeks of fives at about RPE 8 before the plan."""
        for lift, one in self.true.items():
            for ago in WARM_UP_DAYS:
                kg = 2.5 * round(WARM_UP_SHARE * one.max_kg / 2.5)
                self.do(self.start - timedelta(days=ago), lift, kg, 5, aimed_rpe=8.0)
        return self


def exact_story(max_kg: Mapping[str, float], start: date) -> Story:
    """One who never changes and rates every set exactly."""
    true = {lift: SimulatedLifter(kg) for lift, kg in max_kg.items()}
    return Story(true, start, np.random.default_rng(1))


def drawn_story(
    seed: int, max_kg: Mapping[str, float], start: date, gain_per_week: float = 0.0
) -> Story:
    """One with a curve, a bias and days of his own."""
    random = np.random.default_rng([31, seed])
    true = {lift: draw_lifter(kg, random, gain_per_week) for lift, kg in max_kg.items()}
    return Story(true, start, random)
