"""The squat explored: how the squat is fitted, its grids and exact set-ups."""

from functools import lru_cache
from uuid import UUID

from pavrik.core import MODEL_VERSION
from pavrik.core.fitting.explorer import exact_setup, explorer_grid
from pavrik.core.fitting.fit import Fit, closed_styles
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.inverse import Inferred
from pavrik.formats.model.figure_columns import ExactSetupAnswer, exact_answer, grid_answer
from pavrik.formats.model.requests import SquatSetupIn
from pavrik.formats.wire.setups import RankingAnswer
from pavrik.services.context import Who
from pavrik.services.lifters.model_lifter import squat_for
from pavrik.services.setups.fits import (
    SEED,
    Content,
    Fitting,
    content_key,
    inputs_of,
    lifter_model,
    model,
)
from pavrik.services.setups.squat_answers import fit_out
from pavrik.services.setups.verdict_out import choice_out
from pavrik.store.database import Database


def _answer(lifter: Lifter, inferred: Inferred | None, fit: Fit[SquatSetup]) -> RankingAnswer:
    answer = fit_out(lifter, fit, inferred)
    return RankingAnswer(
        leaders=answer.candidates[: len(fit.leaders)],
        **choice_out(fit),
        why_not=closed_styles(fit),
        rejected_count=len(fit.rejected),
        feasible_count=len(fit.leaders) + len(fit.rest),
        strengths=answer.strengths,
        lifts_told=list(inferred.told) if inferred else [],
        assumed_screens=answer.assumed_screens,
        model_version=MODEL_VERSION,
        seed=SEED,
    )


SQUAT_FITTING = Fitting(SQUAT, RankingAnswer, _answer)


@lru_cache(maxsize=64)
def _grid(of: Content, position: BarPosition, load_kg: float) -> bytes:
    lifter, _ = model(of)
    around = SquatSetup(position, 0.0, 0.0)
    grid = grid_answer(explorer_grid(SQUAT, lifter, around, load_kg), load_kg)
    return grid.model_dump_json().encode()


def grid_json(
    database: Database, who: Who, lifter_id: UUID, position: BarPosition, load_kg: float
) -> bytes:
    """The explorer's grid of one bar position at a load, as JSON."""
    inputs = inputs_of(database, who, lifter_id)
    return _grid(content_key(inputs), position, load_kg)


def exact(
    database: Database, who: Who, lifter_id: UUID, setup: SquatSetupIn, load_kg: float
) -> ExactSetupAnswer:
    """One set-up of a lifter, searched thoroughly."""
    lifter = lifter_model(database, who, lifter_id)
    return exact_answer(exact_setup(SQUAT, lifter, squat_for(lifter, setup), load_kg))
