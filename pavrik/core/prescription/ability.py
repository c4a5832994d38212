"""What a lifter can lift today, from evidence of strength alone.

Nothing that holds a session back (a fault, pain, a cap, light work) ever enters it.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from pavrik.core.log.ability import AWAY_DAYS, AbilityDay, ability_series
from pavrik.core.log.training_set import TrainingSet, sets_of_the_max
from pavrik.core.prescription.reason import Reason, in_kg, reps_words
from pavrik.words import say


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
    at = say("prescription.at_rpe", rpe=done.rpe) if done.rpe is not None else ""
    of = say("prescription.of_the", variation=done.variation) if done.of_max is not None else ""
    told = say(
        "prescription.with_on",
        reps_words=reps_words(done.reps),
        of=of,
        in_kg=in_kg(done.load_kg),
        at=at,
        day=done.day,
    )
    together = say(
        "prescription.likely_to", in_kg=in_kg(now.kg), low_kg=now.low_kg, high_kg=now.high_kg
    )
    if not newest.says.at_least:
        told += say("prescription.about_kg_all_days", kg=newest.says.kg, together=together)
    elif by_speed is None:
        told += say("prescription.least_nothing_tells_how", in_kg=in_kg(newest.says.kg))
    else:
        told += say(
            "prescription.least_all_days_together", in_kg=in_kg(newest.says.kg), together=together
        )
    if by_speed is not None and by_speed.speed_kg is not None:
        told += say(
            "prescription.bars_speed_up_points", day=by_speed.day, speed_kg=by_speed.speed_kg
        )
    if by and not of:
        told += say("prescription.since_then_counted_share", by=by)
    if away > AWAY_DAYS:
        told += say("prescription.weeks_without_lift_counted", away=away / 7)
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
