"""What a lifter can lift today, from evidence of strength alone.

Nothing that holds a session back (a fault, pain, a cap, light work) ever enters it.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from pavrik.core.log.ability import AWAY_DAYS, AbilityDay, ability_series
from pavrik.core.log.training_set import TrainingSet, sets_of_the_max
from pavrik.core.prescription.reason import Reason, in_kg, reps_words


@dataclass(frozen=True)
class Ability:
    """The estimated max of a competition lift from its log with its 80 % band, how fast it grows
    (log per week), and what it rests on."""

    kg: float
    low_kg: float
    high_kg: float
    growth_per_week: float
    days: tuple[AbilityDay, ...]
    reason: Reason


def _rests_on(
    newest: AbilityDay, now: AbilityDay, away: int, by: str, by_speed: AbilityDay | None
) -> Reason:
    """The set that says most, in a sentence; ``by`` is the variation that spoke last, alone, and
    ``by_speed`` the newest day on which the bar's speed did."""
    done = newest.says.logged
    at = f" at RPE {done.rpe:g}" if done.rpe is not None else ""
    of = f" of the {done.variation}" if done.of_max is not None else ""
    told = f"{reps_words(done.reps)}{of} with {in_kg(done.load_kg)}{at} on {done.day}: "
    together = f"{in_kg(now.kg)}, likely {now.low_kg:.0f} to {now.high_kg:.0f}"
    if not newest.says.at_least:
        told += f"about {newest.says.kg:.0f} kg; all days together: {together}"
    elif by_speed is None:
        told += f"at least {in_kg(newest.says.kg)}, nothing tells how much more"
    else:
        told += f"at least {in_kg(newest.says.kg)}; all days together: {together}"
    if by_speed is not None and by_speed.speed_kg is not None:
        told += f"; the bar's speed up to {by_speed.day} points at {by_speed.speed_kg:.0f} kg"
    if by and not of:
        told += f"; the {by} since then counted by its share"
    if away > AWAY_DAYS:
        told += f", {away / 7:.0f} weeks without the lift counted in"
    return Reason(told, (done.set_id,))


def ability_of(
    history: Sequence[TrainingSet], age: str = "trained", today: date | None = None
) -> Ability | None:
    """Ability from the sets of a lift, oldest first, after its last day or ``today``; None where
    nothing counts."""
    own = sets_of_the_max(history)
    days = ability_series(own, age)
    if not days:
        return None
    last = max(logged.day for logged in own if logged.reps)
    away = (today - date.fromisoformat(last)).days if today is not None else 0
    now = days[-1].after(max(away, 0))
    whole = [day for day in days if not day.says.at_least]
    newest = next((day for day in reversed(whole) if not day.by), (whole or days)[-1])
    by_speed = next((day for day in reversed(days) if day.speed_kg is not None), None)
    return Ability(
        now.kg, now.low_kg, now.high_kg, now.growth_per_week, tuple(days),
        _rests_on(newest, now, away, days[-1].by, by_speed),
    )  # fmt: skip
