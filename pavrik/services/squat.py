"""The squat bench: ranking, grids, exact set-ups, settling."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import UTC, datetime
from functools import lru_cache
from typing import Any
from uuid import UUID

import numpy as np
from uuid6 import uuid7

from pavrik.core import MODEL_VERSION
from pavrik.core.squat.bar_positions import BAR_POSITIONS, BarPosition
from pavrik.core.squat.bench import bench_grid, exact_setup
from pavrik.core.squat.candidates import Rejected
from pavrik.core.squat.cases import SetupGrid
from pavrik.core.squat.fit import SquatFit, fit_squat, with_sureness
from pavrik.core.squat.lifter import SquatLifter
from pavrik.core.squat.staleness import changes_since
from pavrik.core.squat.uncertainty import sample_in_steps, sample_maxes_kg
from pavrik.core.strength.inverse import Inferred
from pavrik.core.units import Floats
from pavrik.formats.bench import ExactSetupAnswer, exact_answer, grid_answer
from pavrik.formats.model_answers import CandidateOut
from pavrik.formats.model_requests import SquatFitRequest, SquatSetupIn
from pavrik.services.context import InvalidError, Who
from pavrik.services.jobs import Jobs
from pavrik.services.lifter_inputs import LifterInputs, load_inputs, settled_setup
from pavrik.services.model import fit_out, setup_from
from pavrik.services.writes import digest_of, write_once
from pavrik.store import setups
from pavrik.store.database import Connection, Database

SAMPLES = 256
SEED = 1
NEAREST_REASONS = 4


@lru_cache(maxsize=256)
def _model(request_json: str, walks_out: bool) -> tuple[SquatLifter, Inferred | None]:
    """The model's lifter for a request: computed once for the same content."""
    request = SquatFitRequest.model_validate_json(request_json)
    return LifterInputs.model_of(request, walks_out)


def model_of(inputs: LifterInputs) -> tuple[SquatLifter, Inferred | None]:
    """The model's lifter with strengths from the own lifts, remembered by content."""
    return _model(inputs.request.model_dump_json(), inputs.profile.walks_out)


@lru_cache(maxsize=64)
def _grid(request_json: str, walks_out: bool, position: BarPosition, load_kg: float) -> bytes:
    lifter, _ = _model(request_json, walks_out)
    grid = grid_answer(bench_grid(lifter, position, load_kg), load_kg)
    return grid.model_dump_json().encode()


@dataclass(frozen=True)
class Ranking:
    """The answer of the fit, short enough for a screen, and the digest of its inputs."""

    answer: dict[str, Any]
    inputs_digest: str


def _inputs(database: Database, who: Who, lifter_id: UUID) -> LifterInputs:
    with database.club(who.club_id) as connection:
        return load_inputs(connection, lifter_id)


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


def _answer(lifter: SquatLifter, inferred: Inferred | None, fit: SquatFit) -> dict[str, Any]:
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
        "residual_log": answer.residual_log,
        "assumed_screens": answer.assumed_screens,
        "model_version": MODEL_VERSION,
        "seed": SEED,
    }


@lru_cache(maxsize=64)
def _point_fit(request_json: str, walks_out: bool) -> SquatFit:
    """The fit without its sureness: quick, and computed once for the same content."""
    return fit_squat(_model(request_json, walks_out)[0], SetupGrid())


def _content(inputs: LifterInputs) -> tuple[dict[str, Any], str]:
    content = {"request": inputs.request.model_dump(), "walks_out": inputs.profile.walks_out}
    return content, digest_of(content)


def point_fit(inputs: LifterInputs) -> SquatFit:
    """The fit of today's facts without its sureness."""
    return _point_fit(inputs.request.model_dump_json(), inputs.profile.walks_out)


def _find(connection: Connection, inputs: LifterInputs) -> dict[str, Any] | None:
    lifter_id, (_, digest) = inputs.profile.lifter_id, _content(inputs)
    return setups.find_fit(connection, lifter_id, "squat", digest, MODEL_VERSION)


def _keep(connection: Connection, who: Who, inputs: LifterInputs, fit: SquatFit) -> dict[str, Any]:
    content, digest = _content(inputs)
    answer = _answer(*model_of(inputs), fit)
    setups.add_fit(
        connection, who.club_id, uuid7(), inputs.profile.lifter_id, "squat", content, digest,
        answer, MODEL_VERSION,
    )  # fmt: skip
    return answer


def ranking_in(connection: Connection, who: Who, inputs: LifterInputs) -> Ranking:
    """The whole fit of today's facts, from the store when the same content was fitted before."""
    digest = _content(inputs)[1]
    known = _find(connection, inputs)
    if known is not None:
        return Ranking(known, digest)
    lifter, fit = model_of(inputs)[0], point_fit(inputs)
    if fit.leaders:
        maxes = sample_maxes_kg(lifter, [c.setup for c in fit.leaders], SAMPLES, SEED)
        fit = with_sureness(fit, maxes, lifter.assumed)
    return Ranking(_keep(connection, who, inputs, fit), digest)


def _sureness_steps(database: Database, who: Who, inputs: LifterInputs) -> Iterator[float]:
    """Draw the bodies step by step and keep the whole fit at the end."""
    lifter, fit = model_of(inputs)[0], point_fit(inputs)
    drawn: list[Floats] = []
    leaders = [c.setup for c in fit.leaders]
    for rows in sample_in_steps(lifter, leaders, SAMPLES, SEED) if leaders else ():
        drawn.append(rows)
        yield min(sum(map(len, drawn)) / SAMPLES, 1.0)
    if drawn:
        fit = with_sureness(fit, np.concatenate(drawn), lifter.assumed)
    with database.club(who.club_id) as connection:
        _keep(connection, who, inputs, fit)


def ranking(database: Database, who: Who, lifter_id: UUID, jobs: Jobs) -> dict[str, Any]:
    """The ranked set-ups: at once without their sureness, whose job is named; whole when it is
    known."""
    inputs = _inputs(database, who, lifter_id)
    with database.club(who.club_id) as connection:
        known = _find(connection, inputs)
    if known is not None:
        return known | {"job": None}
    answer = _answer(*model_of(inputs), point_fit(inputs))
    steps = _sureness_steps(database, who, inputs)
    job = jobs.ask(who, lifter_id, "squat sureness", _content(inputs)[1], steps)
    return answer | {"job": vars(job)}


def leaders_now(database: Database, who: Who, lifter_id: UUID) -> tuple[
    LifterInputs, SquatLifter, list[CandidateOut]
]:  # fmt: skip
    """A lifter's inputs, model and leaders, sure or not."""
    inputs = _inputs(database, who, lifter_id)
    with database.club(who.club_id) as connection:
        known = _find(connection, inputs)
    lifter, inferred = model_of(inputs)
    answer = known or _answer(lifter, inferred, point_fit(inputs))
    return inputs, lifter, leaders_of(answer)


def lifter_model(database: Database, who: Who, lifter_id: UUID) -> SquatLifter:
    """The model of a lifter from today's facts."""
    return model_of(_inputs(database, who, lifter_id))[0]


def grid_json(
    database: Database, who: Who, lifter_id: UUID, position: BarPosition, load_kg: float
) -> bytes:
    """The bench's grid of one bar position at a load, as JSON."""
    inputs = _inputs(database, who, lifter_id)
    return _grid(inputs.request.model_dump_json(), inputs.profile.walks_out, position, load_kg)


def exact(
    database: Database, who: Who, lifter_id: UUID, setup: SquatSetupIn, load_kg: float
) -> ExactSetupAnswer:
    """One set-up of a lifter, searched thoroughly."""
    lifter, _ = model_of(_inputs(database, who, lifter_id))
    return exact_answer(exact_setup(lifter, setup_from(setup), load_kg))


def settle(
    database: Database, who: Who, key: UUID, lifter_id: UUID, setup_id: UUID,
    setup: SquatSetupIn, reason: str, settled_at: datetime | None = None,
) -> Any:  # fmt: skip
    """Settle on a set-up with its inputs, model version and seed. Raises InvalidError where it
    is not feasible for this lifter."""

    def action(connection: Connection) -> dict[str, Any]:
        inputs = load_inputs(connection, lifter_id)
        lifter, _ = model_of(inputs)
        found = exact_setup(lifter, setup_from(setup), 0.0)
        if found.reasons:
            raise InvalidError("this set-up is not feasible: " + "; ".join(found.reasons), "setup")
        fitted = ranking_in(connection, who, inputs)
        prediction = {
            "predicted_max_kg": found.predicted_max_kg,
            "limiter": found.limiter,
            "verdict": fitted.answer["verdict"],
            "toss_up": fitted.answer["toss_up"],
        }
        setups.add_settled(
            connection,
            who.club_id,
            who.coach_id,
            setups.Settled(
                setup_id=setup_id,
                lifter_id=lifter_id,
                lift="squat",
                setup=setup.model_dump(),
                inputs=inputs.request.model_dump(),
                inputs_digest=fitted.inputs_digest,
                prediction=prediction,
                model_version=MODEL_VERSION,
                seed=SEED,
                reason=reason,
                settled_at=settled_at or datetime.now(UTC),
            ),
        )
        return {"setup_id": str(setup_id), **prediction}

    request = {"lifter": str(lifter_id), "setup": setup.model_dump(), "reason": reason}
    return write_once(database, who, key, "settle squat", request, action, subject=str(lifter_id))


@dataclass(frozen=True)
class SettledView:
    """A settled set-up and what changed since; empty ``stale_because`` still stands."""

    settled: setups.Settled
    stale_because: list[str]


def settled_in(connection: Connection, inputs: LifterInputs) -> SettledView | None:
    """What the lifter is settled on, and whether it is out of date."""
    settled = setups.newest_settled(connection, inputs.profile.lifter_id, "squat")
    if settled is None:
        return None
    return SettledView(settled, changes_since(settled.inputs, inputs.request.model_dump()))


def leaders_of(answer: dict[str, Any]) -> list[CandidateOut]:
    """The leaders of a stored ranking as typed candidates."""
    return [CandidateOut.model_validate(leader) for leader in answer["leaders"]]


def settled_view(database: Database, who: Who, lifter_id: UUID) -> dict[str, Any] | None:
    """The settled set-up as the bench shows it, or None."""
    with database.club(who.club_id) as connection:
        view = settled_in(connection, load_inputs(connection, lifter_id))
    if view is None:
        return None
    return {
        "setup_id": view.settled.setup_id,
        "setup": view.settled.setup,
        "predicted_max_kg": view.settled.prediction["predicted_max_kg"],
        "reason": view.settled.reason,
        "settled_at": view.settled.settled_at,
        "model_version": view.settled.model_version,
        "stale_because": view.stale_because,
    }


def settled_history(database: Database, who: Who, lifter_id: UUID) -> list[dict[str, Any]]:
    """Every settled squat set-up of a lifter, newest first."""
    with database.club(who.club_id) as connection:
        load_inputs(connection, lifter_id)
        return [
            {
                "setup_id": settled.setup_id,
                "setup": settled_setup(settled),
                "predicted_max_kg": settled.prediction["predicted_max_kg"],
                "reason": settled.reason,
                "settled_at": settled.settled_at,
                "model_version": settled.model_version,
            }
            for settled in setups.list_settled(connection, lifter_id)
            if settled.lift == "squat"
        ]
