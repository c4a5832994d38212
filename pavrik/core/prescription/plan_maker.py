"""What every line of a plan is made from: the ask, today's maxes, the gym, caps, anchors."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np

from pavrik.core.log.ability import GROWTH
from pavrik.core.prescription.ability import ability_of
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.pain import Clearance, PainFlag, pain_caps, way_back_caps
from pavrik.core.prescription.plan_parts import Kind, LiftState, PlanAsk, Underway
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.return_to_lift import days_away
from pavrik.core.prescription.season import Anchor
from pavrik.core.prescription.shape import Shape
from pavrik.words import say

MOST_GAIN = 1.25
"""Times the usual growth: what is planned on."""


@dataclass(frozen=True)
class Base:
    """Where a lift starts from: the estimated max of today, and what it rests on."""

    max_kg: float | None
    reasons: tuple[Reason, ...]
    growth_per_week: float = 0.0
    """Learnt growth of the max, log per week."""


@dataclass(frozen=True)
class Maker:
    """Everything that lines are made from; ``coming`` are the main sessions of each lift from today
    on: last time's steps, RPE and faults hold the first one only."""

    ask: PlanAsk
    states: Mapping[str, LiftState]
    bases: Mapping[str, Base]
    gym: Gym
    pain: tuple[PainFlag, ...]
    first_week: int
    coming: Mapping[str, Sequence[date]]
    shape: Shape
    anchors: Mapping[tuple[str, date], Anchor]
    cleared: tuple[Clearance, ...] = ()

    @property
    def flags(self) -> tuple[str, ...]:
        """The pain flags that stand, as facts."""
        return tuple(flag.fact for flag in self.pain)

    def ahead(self, lift: str, on: date) -> int | None:
        """How many main sessions of a lift come before the one on a day; None where none is."""
        days = self.coming.get(lift, ())
        return days.index(on) if on in days else None

    def away_days(self, lift: str) -> int:
        """Days without a lift until its next main session."""
        days = self.coming.get(lift, ())
        return days_away(self.states[lift].history, days[0]) if days else 0

    def gain_per_week(self, lift: str) -> float:
        """Expected gain in a week of work, as a share: none while it hurts, never a loss, and not
        much more than the training age promises, however fast the last weeks were."""
        most = MOST_GAIN * GROWTH[self.ask.training_age]
        learnt = min(max(self.bases[lift].growth_per_week, 0.0), most)
        return 0.0 if self.pain else float(np.expm1(learnt))

    def projected_kg(self, lift: str, worked_weeks: int) -> float | None:
        """The max expected after so many weeks of work."""
        base = self.bases[lift].max_kg
        return base * (1 + self.gain_per_week(lift)) ** worked_weeks if base is not None else None

    def caps(self, lift: str, kind: Kind, on: date) -> list[Cap]:
        """What holds a lift's loads on a day."""
        state, base = self.states[lift], self.bases[lift]
        found = [c for c in state.caps if not c.technique or kind in ("second", "special")]
        return [
            *found,
            *pain_caps(self.pain, base.max_kg),
            *way_back_caps(self.cleared, base.max_kg, on),
        ]


_NOTHING_KNOWN = Reason(say("prescription.no_clean_set_logged_work"))


def bases_of(states: Mapping[str, LiftState], ask: PlanAsk, underway: Underway) -> dict[str, Base]:
    """Today's estimated max of every lift; nothing that holds a session back is in it."""
    found, today = {}, max(underway.today or ask.start, ask.start)
    for lift, state in states.items():
        ability = ability_of(state.history, ask.training_age, today)
        found[lift] = (
            Base(ability.kg, (ability.reason,), ability.growth_per_week)
            if ability
            else Base(None, (_NOTHING_KNOWN,))
        )
    return found
