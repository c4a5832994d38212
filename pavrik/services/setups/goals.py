"""How a lifter's goal orders the leaders of a lift."""

from uuid import UUID

from pavrik.core.fitting.goals import Weights
from pavrik.formats.model.lift_answers import GoalsAnswer
from pavrik.services.context import Who
from pavrik.services.setups.analysis import Aim, goals_answer
from pavrik.services.setups.fits import Fitting, answer_now
from pavrik.store import lifters
from pavrik.store.database import Database


def goals_of(
    fitting: Fitting, database: Database, who: Who, lifter_id: UUID, weights: Weights | None
) -> GoalsAnswer:
    """By the weights of the lifter's own goal, or by others."""
    inputs, lifter, answer = answer_now(fitting, database, who, lifter_id)
    with database.club(who.club_id) as connection:
        pain = tuple(flag.region for flag in lifters.list_open_flags(connection, lifter_id))
    profile = inputs.profile
    aim = Aim(profile.goal, profile.gear, profile.training_age == "novice", pain, weights)
    return goals_answer(fitting.of, lifter, answer.leaders, aim)
