"""Lines of a plan that a beginner's way makes: steps each session, the guided first session."""

from collections.abc import Callable

from pavrik.core.equipment.light_start import FULL_DISC_KG
from pavrik.core.log.ability import AWAY_DAYS
from pavrik.core.log.training_set import COMPETITION
from pavrik.core.prescription.lift_work import WORK
from pavrik.core.prescription.next_load import answer_faults, recent_sets
from pavrik.core.prescription.novice import (
    CLEAN_RPE,
    RAMP_REPS,
    RAMP_RPE,
    next_step,
    ramp_kg,
)
from pavrik.core.prescription.plan_maker import Maker
from pavrik.core.prescription.plan_parts import Line, When
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.shape import NOVICE, Dose
from pavrik.core.strength.estimated_max import load_for
from pavrik.words import say

Allow = Callable[[float], tuple[float, list[Reason]]]
"""What a session makes of a wanted load, and why."""
REST_ON_THE_WAY_S = 120
_RAMP = Reason(say("prescription.nothing_known_lift_fives"))
_ON_THE_WAY = Reason(say("prescription.only_if_five_before"))
_STEPS = Reason(say("prescription.step_each_session_while"))
_NO_STEP = Reason(say("prescription.no_step_clean_session", clean_rpe=CLEAN_RPE))


def _goes_by_steps(make: Maker, when: When) -> bool:
    """A novice in the novice shape goes on by steps of kilos, whatever was planned."""
    return make.ask.novice and make.shape.id == NOVICE and when.role in ("build", "strengthen")


def stepped(make: Maker, lift: str, when: When, dose: Dose) -> Allow | None:
    """A step for every session to come, none of them harder than a novice's clean session and none
    below the last clean one; None where the season does not go by steps, before the first session,
    and after weeks away."""
    ahead = make.ahead(lift, when.on)
    if not _goes_by_steps(make, when) or ahead is None or dose.share is not None:
        return None
    history = make.states[lift].history
    found = next_step(history, lift, dose.reps)
    if found is None or make.away_days(lift) > AWAY_DAYS:
        return None
    hardest = load_for(1.0, dose.reps, CLEAN_RPE) / dose.load_share()

    def allow(intended_kg: float) -> tuple[float, list[Reason]]:
        climbed = found.kg + ahead * WORK[lift].novice_step_kg
        wanted = max(min(climbed, hardest * intended_kg), found.floor_kg)
        lines = [_STEPS] if ahead else list(found.reasons)
        if wanted < climbed:
            lines = [_NO_STEP]
        if ahead:
            return wanted, lines
        held, faults = answer_faults(wanted, recent_sets(history))
        return held, lines + faults

    return allow


def is_first_session(make: Maker, lift: str, when: When) -> bool:
    """The next main session of a lift of which nothing is known; in pain nothing is tried out."""
    unknown = make.bases[lift].max_kg is None and make.states[lift].guess_kg > 0
    return unknown and not make.pain and make.ahead(lift, when.on) == 0


def first_session(make: Maker, lift: str, prefix: str) -> list[Line]:
    """The guided way up in fives; a pull starts with discs of full diameter where others would
    leave the bar too low."""
    gym = make.gym
    from_floor = COMPETITION in WORK[lift].from_floor and not gym.light_discs
    start_kg = gym.loading(gym.empty_kg + 2 * FULL_DISC_KG * from_floor).total_kg
    return [
        Line(
            f"{prefix}-{i}", lift, COMPETITION, "main", 1, RAMP_REPS, None, load_kg,
            gym.loading(load_kg).per_side, REST_ON_THE_WAY_S, (_ON_THE_WAY if i else _RAMP,),
            until_rpe=RAMP_RPE,
        )
        for i, load_kg in enumerate(ramp_kg(start_kg, make.states[lift].guess_kg, gym))
    ]  # fmt: skip
