"""The proof in closed loop: what comes of plans that are obeyed, shape by shape.

The lifters share no formula with the plan; it sees their log alone.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from pavrik.core.log.training_set import COMPETITION
from pavrik.core.prescription.ability import ability_of
from pavrik.core.prescription.attempts import STRATEGIES
from pavrik.core.prescription.plan_parts import Line, Plan, PlanAsk
from pavrik.core.prescription.season import PEAK_DAYS, steps_of
from pavrik.core.prescription.shape import Dose, Shape, WeekRole
from pavrik.core.simulation.story import Story, drawn_story

START = date(2026, 11, 30)
WEEKS = 12
TRUTH = {"squat": 220.0, "deadlift": 260.0}
GAINS = (0.0, 0.003, 0.006)
DAYS = ((0, 2), (0, 2, 4), (0, 1, 3, 5))
HEAVY = 0.85
NO_HEAVY_DAYS = {"squat": 4, "deadlift": 7}


@dataclass(frozen=True)
class Outcome:
    """Of some stories: planned load over the true max less what the dose asks (``intent``), the
    same over the max that the log can know (``as_known``), ability and attempts against the truth
    (shares), whether the band held it, the share of missed sets and of the later main reps that are
    heavy, heavy work too near the meet, and how the heaviest main load of the last loading weeks
    compares with the first week's."""

    intent: tuple[float, ...]
    as_known: tuple[float, ...]
    ability: tuple[float, ...]
    attempts: tuple[float, ...]
    covered: float
    missed: float
    heavy: float
    too_near: int
    climbed: tuple[float, ...]

    @property
    def within_three(self) -> float:
        """Share of slots within 3 points of intent by the true max."""
        return _within_three(self.intent)

    @property
    def planned_within_three(self) -> float:
        """The same by the max that the log can know."""
        return _within_three(self.as_known)


def _within_three(off: Sequence[float]) -> float:
    return float(np.mean(np.abs(off) <= 0.03))


def ask_of(shape: Shape, number: int) -> PlanAsk:
    """A twelve-week plan to a meet: every weekday of the meet and number of days in turn."""
    meet = START + timedelta(days=7 * (WEEKS - 1) + number % 7)
    return PlanAsk(
        START, WEEKS, DAYS[number % 3], meet, "competition", "trained", shape.id, own_shape=shape
    )


def _is_near_meet(plan: Plan, ask: PlanAsk, week: int) -> bool:
    """Whether a week has days that are counted back from the meet."""
    days = plan.weeks[week].days
    return ask.meet is not None and any((ask.meet - d.on).days <= PEAK_DAYS[1] for d in days)


def main_work(plan: Plan, ask: PlanAsk, week: int, lift: str) -> list[tuple[Line, Dose]]:
    """Main lines of the competition lift in a week with the doses that its shape asks for; none in
    light weeks, where the meet is near, and where a shape has turned to a variation."""
    role = plan.weeks[week].role
    if role in ("light", "test"):
        return []
    doses = ask.in_force.main_of(role, steps_of([w.role for w in plan.weeks])[week])
    lines = [
        x for d in plan.weeks[week].days for x in d.lines if x.kind == "main" and x.lift == lift
    ]
    if _is_near_meet(plan, ask, week) or any(x.variation != COMPETITION for x in lines):
        return []
    return list(zip(lines, doses, strict=True))


def _planned(story: Story, plans: Sequence[Plan]) -> Iterator[tuple[WeekRole, date, Line, float]]:
    """Role of the week, day, line and true share of every planned load of the competition lifts."""
    for week, plan in enumerate(plans):
        for day in plan.weeks[week].days:
            for line in day.lines:
                if line.load_kg and line.variation == COMPETITION:
                    share = line.load_kg / story.true_max_kg(line.lift, day.on)
                    yield plan.weeks[week].role, day.on, line, share


def _heavy_too_near(ask: PlanAsk, on: date, line: Line, share: float) -> bool:
    left = (ask.meet - on).days if ask.meet is not None else NO_HEAVY_DAYS[line.lift] + 1
    return share >= HEAVY and left <= NO_HEAVY_DAYS[line.lift]


def _climbed(weeks: Sequence[list[tuple[Line, Dose]]]) -> float:
    """Heaviest main load of the last three loading weeks over the first one's, less 1."""
    loads = [max(line.load_kg or 0.0 for line, _ in work) for work in weeks if work]
    return max(loads[-3:]) / loads[0] - 1


def tell(shape: Shape, number: int) -> Outcome:
    """One story: the same number tells the same one."""
    ask = ask_of(shape, number)
    story = drawn_story(number, TRUTH, START, GAINS[number % 3]).warm_up()
    plans = story.train(ask, WEEKS)
    heavy, too_near = list[bool](), 0
    for role, on, line, share in _planned(story, plans):
        too_near += _heavy_too_near(ask, on, line, share)
        if role in ("strengthen", "sharpen") and line.kind == "main":
            heavy += [share >= HEAVY] * (line.sets * line.reps)
    intent, as_known, ability, tries, inside, climbed = (list[float]() for _ in range(6))
    meet = ask.meet or START
    for lift, log in story.log.items():
        weeks = [main_work(plan, ask, week, lift) for week, plan in enumerate(plans)]
        for week, work in enumerate(weeks):
            truth = story.true_max_kg(lift, START + timedelta(weeks=week))
            intent += [(x.load_kg or 0.0) / truth - dose.load_share() for x, dose in work]
            as_known += [x.share - dose.load_share() for x, dose in work if x.share]
        climbed.append(_climbed(weeks))
        truth, found = story.true_max_kg(lift, meet), ability_of(log)
        if found is None:
            continue
        known = story.true_max_kg(lift, date.fromisoformat(found.days[-1].day))
        inside.append(float(found.low_kg <= known <= found.high_kg))
        ability.append(found.kg / truth - 1)
        tries += [
            tried.load_kg / truth - share
            for tried, share in zip(plans[-1].attempts[lift], STRATEGIES[ask.strategy], strict=True)
        ]
    missed = [s.missed_reps > 0 for log in story.log.values() for s in log]
    return Outcome(
        tuple(intent), tuple(as_known), tuple(ability), tuple(tries), float(np.mean(inside)),
        float(np.mean(missed)), float(np.mean(heavy)), too_near, tuple(climbed),
    )  # fmt: skip


def prove(shape: Shape, stories: int, first: int = 0) -> Outcome:
    """What comes of a shape over so many stories."""
    return together([tell(shape, number) for number in range(first, first + stories)])


def together(told: Sequence[Outcome]) -> Outcome:
    """Several outcomes as one."""
    return Outcome(
        tuple(x for one in told for x in one.intent),
        tuple(x for one in told for x in one.as_known),
        tuple(x for one in told for x in one.ability),
        tuple(x for one in told for x in one.attempts),
        float(np.mean([one.covered for one in told])),
        float(np.mean([one.missed for one in told])),
        float(np.mean([one.heavy for one in told])),
        sum(one.too_near for one in told),
        tuple(x for one in told for x in one.climbed),
    )
