"""The squat bench: how the squat is fitted, its grids and exact set-ups."""

from collections.abc import Iterator
from functools import lru_cache
from typing import Any
from uuid import UUID

from pavrik.core import MODEL_VERSION
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS, BarPosition
from pavrik.core.squat.bench import bench_grid, exact_setup
from pavrik.core.squat.candidates import Rejected
from pavrik.core.squat.cases import SetupGrid
from pavrik.core.squat.fit import SquatFit, fit_squat, with_sureness
from pavrik.core.squat.uncertainty import sample_in_steps
from pavrik.core.strength.inverse import Inferred
from pavrik.core.units import Floats
from pavrik.formats.bench import ExactSetupAnswer, exact_answer, grid_answer
from pavrik.formats.model_answers import CandidateOut
from pavrik.formats.model_requests import SquatSetupIn
from pavrik.services.context import Who
from pavrik.services.fits import (
    SAMPLES,
    SEED,
    Fitting,
    Prediction,
    answer_now,
    inputs_of,
    lifter_model,
    model,
)
from pavrik.services.lifter_inputs import LifterInputs
from pavrik.services.model import fit_out, setup_for
from pavrik.store.database import Database

NEAREST_REASONS = 4


def _why_not(fit: SquatFit) -> dict[str, list[str]]:
    """For each bar position without a feasible set-up, what binds the nearest ones."""
    found: dict[str, list[str]] = {}
    leading = {leader.setup.bar_position for leader in fit.leaders}
    for position in BAR_POSITIONS:
        if position in leading:
            continue
        nearest: list[Rejected] = sorted(
            (r for r in fit.rejected if r.setup.bar_position == position),
            key=lambda r: len(r.reasons),
        )
        found[position] = nearest[0].reasons[:NEAREST_REASONS] if nearest else []
    return found


def _answer(lifter: Lifter, inferred: Inferred | None, fit: SquatFit) -> dict[str, Any]:
    answer = fit_out(lifter, fit, inferred)
    leaders = [c.model_dump() for c in answer.candidates[: len(fit.leaders)]]
    return {
        "leaders": leaders,
        "toss_up": answer.toss_up,
        "verdict": answer.verdict,
        "why_not": _why_not(fit),
        "rejected_count": len(fit.rejected),
        "feasible_count": len(fit.leaders) + len(fit.rest),
        "strengths": answer.strengths,
        "lifts_told": list(inferred.told) if inferred else [],
        "assumed_screens": answer.assumed_screens,
        "model_version": MODEL_VERSION,
        "seed": SEED,
    }


def _draw(lifter: Lifter, fit: SquatFit) -> Iterator[Floats]:
    setups = [c.setup for c in fit.leaders]
    return sample_in_steps(lifter, setups, SAMPLES, SEED) if setups else iter(())


def _predict(lifter: Lifter, setup: SquatSetupIn) -> Prediction:
    found = exact_setup(lifter, setup_for(lifter, setup), 0.0)
    return Prediction(found.predicted_max_kg, found.limiter, found.reasons)


SQUAT = Fitting(
    lift="squat",
    setup_type=SquatSetupIn,
    point=lambda lifter: fit_squat(lifter, SetupGrid()),
    draw=_draw,
    sure=with_sureness,
    answer=_answer,
    predict=_predict,
)


@lru_cache(maxsize=64)
def _grid(request_json: str, walks_out: bool, position: BarPosition, load_kg: float) -> bytes:
    lifter, _ = model(request_json, walks_out)
    grid = grid_answer(bench_grid(lifter, position, load_kg), load_kg)
    return grid.model_dump_json().encode()


def grid_json(
    database: Database, who: Who, lifter_id: UUID, position: BarPosition, load_kg: float
) -> bytes:
    """The bench's grid of one bar position at a load, as JSON."""
    inputs = inputs_of(database, who, lifter_id)
    return _grid(inputs.request.model_dump_json(), inputs.profile.walks_out, position, load_kg)


def exact(
    database: Database, who: Who, lifter_id: UUID, setup: SquatSetupIn, load_kg: float
) -> ExactSetupAnswer:
    """One set-up of a lifter, searched thoroughly."""
    lifter = lifter_model(database, who, lifter_id)
    return exact_answer(exact_setup(lifter, setup_for(lifter, setup), load_kg))


def leaders_of(answer: dict[str, Any]) -> list[CandidateOut]:
    """The leaders of a stored ranking as typed candidates."""
    return [CandidateOut.model_validate(leader) for leader in answer["leaders"]]


def leaders_now(
    database: Database, who: Who, lifter_id: UUID
) -> tuple[LifterInputs, Lifter, list[CandidateOut]]:
    """A lifter's inputs, model and squat leaders, sure or not."""
    inputs, lifter, answer = answer_now(SQUAT, database, who, lifter_id)
    return inputs, lifter, leaders_of(answer)
