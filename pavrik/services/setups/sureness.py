"""How sure a fit is: the ranking at once, its bodies drawn in the background."""

from functools import partial
from uuid import UUID

from pavrik.formats.model.lift_answers import JobAnswer
from pavrik.services.context import Who
from pavrik.services.jobs import Jobs, Steps
from pavrik.services.lifters.model_inputs import LifterInputs
from pavrik.services.setups.deadlift import DEADLIFT_FITTING
from pavrik.services.setups.fits import (
    AnyRanking,
    Fitting,
    content_of,
    drawing,
    find,
    inputs_of,
    model_of,
    point_fit,
)
from pavrik.services.setups.squat import SQUAT_FITTING
from pavrik.store.database import Database

FITTINGS: dict[str, Fitting] = {
    fitting.lift: fitting for fitting in (SQUAT_FITTING, DEADLIFT_FITTING)
}


def _draw(database: Database, who: Who, lift: str, inputs: LifterInputs) -> Steps:
    yield from drawing(FITTINGS[lift], database, who, inputs)


def known_ranking(lift: str, database: Database, who: Who, lifter_id: UUID) -> AnyRanking | None:
    """The whole ranking of today's facts, where its bodies are drawn."""
    fitting, inputs = FITTINGS[lift], inputs_of(database, who, lifter_id)
    with database.reading(who.club_id) as connection:
        known = find(fitting, connection, inputs)
        advice = fitting.advice(connection, lifter_id)
    return known.model_copy(update={"advice": advice}) if known is not None else None


def ranking_now(lift: str, database: Database, who: Who, lifter_id: UUID, jobs: Jobs) -> AnyRanking:
    """The ranked set-ups at once without their intervals, and the job that draws those."""
    fitting, inputs = FITTINGS[lift], inputs_of(database, who, lifter_id)
    with database.reading(who.club_id) as connection:
        advice = fitting.advice(connection, lifter_id)
    answer = fitting.answer(*model_of(inputs), point_fit(fitting, inputs))
    task = partial(_draw, who=who, lift=lift, inputs=inputs)
    job = jobs.ask(who, lifter_id, f"{lift} sureness", content_of(inputs)[1], task)
    return answer.model_copy(update={"advice": advice, "job": JobAnswer(**vars(job))})
