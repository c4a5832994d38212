"""Fits of either lift through one mechanism: rank, draw bodies, settle, look back."""

from collections.abc import Callable, Generator, Iterator
from dataclasses import dataclass
from datetime import UTC, datetime
from functools import lru_cache
from typing import Any
from uuid import UUID

from pydantic import BaseModel
from uuid6 import uuid7

from pavrik.core import MODEL_VERSION
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.fit import Fit, with_intervals
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.sampling import Ask, Draws, sample_in_steps
from pavrik.core.fitting.staleness import changes_since, model_changes, stored_wrong
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.lift import Lift
from pavrik.core.strength.inverse import Inferred
from pavrik.errors import InvalidError
from pavrik.formats.model.deadlift_answers import DeadliftRankingAnswer
from pavrik.formats.model.requests import FitRequest
from pavrik.formats.model.setup_codec import WIRE, read_setup
from pavrik.formats.stored_json import JSON_VERSION
from pavrik.formats.wire.setups import (
    HistoryAnswer,
    RankingAnswer,
    SettledAnswer,
    SettledSetupAnswer,
)
from pavrik.services import stored
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import LifterInputs, load_inputs
from pavrik.services.lifters.model_lifter import known_bests_of, known_tests_of, setup_for
from pavrik.services.writes import compute_and_write, digest_of
from pavrik.store import setups
from pavrik.store.database import Connection, Database
from pavrik.words import say

AnyRanking = RankingAnswer | DeadliftRankingAnswer
SAMPLES = 256
SEED = 1


@dataclass(frozen=True)
class Prediction:
    """What a set-up promises, and why not where it does not hold."""

    predicted_max_kg: float
    limiter: str
    reasons: list[str]


@dataclass(frozen=True)
class Fitting:
    """How one lift is fitted, and the ranking that its screens show."""

    of: Lift[Any]
    ranking_form: type[AnyRanking]
    answer: Callable[[Lifter, Inferred | None, Any], AnyRanking]
    advice: Callable[[Connection, UUID], list[str]] = lambda *_: []
    """What the log says before a style is changed."""

    @property
    def lift(self) -> str:
        return self.of.id

    @property
    def setup_type(self) -> type[BaseModel]:
        """The wire's form of the lift's set-ups."""
        return WIRE[self.of.id]

    def draw(self, lifter: Lifter, fit: Fit[Any], ask: Ask) -> Iterator[Draws]:
        """Sampled maxes of the leaders, a few lifters at a time."""
        setups = [leader.setup for leader in fit.leaders]
        return sample_in_steps(self.of, lifter, setups, ask) if setups else iter(())

    def predict(self, lifter: Lifter, setup: BaseModel) -> Prediction:
        """What one set-up promises. Raises ValueError where it contradicts the lifter's schools."""
        candidates, rejected = assess(self.of, lifter, [setup_for(lifter, setup)])
        if rejected:
            return Prediction(0.0, "", rejected[0].reasons)
        return Prediction(candidates[0].predicted_max_kg, candidates[0].limiter, [])


@dataclass(frozen=True)
class Content:
    """What the model knows of a lifter, to be remembered by."""

    request_json: str
    walks_out: bool


def content_key(inputs: LifterInputs) -> Content:
    """Of a lifter's facts."""
    return Content(inputs.request.model_dump_json(), inputs.profile.walks_out)


@lru_cache(maxsize=256)
def model(of: Content) -> tuple[Lifter, Inferred | None]:
    """The model's lifter for a request: computed once for the same content."""
    return LifterInputs.model_of(FitRequest.model_validate_json(of.request_json), of.walks_out)


def model_of(inputs: LifterInputs) -> tuple[Lifter, Inferred | None]:
    """The model's lifter with strengths from the own lifts, remembered by content."""
    return model(content_key(inputs))


def ask_of(inputs: LifterInputs) -> Ask:
    """The bodies that are drawn for a lifter, and the bests that they must explain."""
    known = tuple(known_bests_of(inputs.request)), tuple(known_tests_of(inputs.request))
    return Ask(SAMPLES, SEED, *known)


def inputs_of(database: Database, who: Who, lifter_id: UUID) -> LifterInputs:
    """Today's facts of a lifter. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        return load_inputs(connection, lifter_id)


def lifter_model(database: Database, who: Who, lifter_id: UUID) -> Lifter:
    """The model of a lifter from today's facts."""
    return model_of(inputs_of(database, who, lifter_id))[0]


@lru_cache(maxsize=64)
def _point_fit(fitting: Fitting, of: Content) -> Fit[Any]:
    return fit_lift(fitting.of, model(of)[0])


def point_fit(fitting: Fitting, inputs: LifterInputs) -> Fit[Any]:
    """The fit of today's facts without its intervals: quick, computed once for the same content."""
    return _point_fit(fitting, content_key(inputs))


def content_of(inputs: LifterInputs) -> tuple[dict[str, object], str]:
    """What a fit rests on, and its digest."""
    content = {"request": inputs.request.model_dump(), "walks_out": inputs.profile.walks_out}
    return content, digest_of(content)


def _key(fitting: Fitting, inputs: LifterInputs) -> setups.FitKey:
    digest = content_of(inputs)[1]
    return setups.FitKey(
        inputs.profile.lifter_id, fitting.lift, digest, MODEL_VERSION, JSON_VERSION
    )


def find(fitting: Fitting, connection: Connection, inputs: LifterInputs) -> AnyRanking | None:
    """The whole fit of the same content, where it is kept."""
    known = setups.find_fit(connection, _key(fitting, inputs))
    return None if known is None else fitting.ranking_form.model_validate(known)


def _keep(
    fitting: Fitting, database: Database, who: Who, inputs: LifterInputs, fit: Fit[Any]
) -> None:
    content, answer = content_of(inputs)[0], fitting.answer(*model_of(inputs), fit)
    key, told = _key(fitting, inputs), answer.model_dump(mode="json")
    with database.club(who.club_id) as connection:
        setups.add_fit(connection, who.club_id, uuid7(), key, content, told)


@dataclass(frozen=True)
class Ranking:
    """The answer of the fit, short enough for a screen, and the digest of its inputs."""

    answer: AnyRanking
    inputs_digest: str


def drawing(
    fitting: Fitting, database: Database, who: Who, inputs: LifterInputs
) -> Generator[float, None, None]:
    """Fit a lifter's facts, draw the bodies step by step (yields the share that is drawn), and keep
    the whole fit at the end."""
    lifter, fit = model_of(inputs)[0], point_fit(fitting, inputs)
    drawn: list[Draws] = []
    ask = ask_of(inputs)
    for rows in fitting.draw(lifter, fit, ask):
        drawn.append(rows)
        yield min(sum(map(len, drawn)) / SAMPLES, 1.0)
    if drawn:
        fit = with_intervals(fit, lifter, Draws.joined(drawn))
    _keep(fitting, database, who, inputs, fit)


def whole_ranking(fitting: Fitting, database: Database, who: Who, inputs: LifterInputs) -> Ranking:
    """The whole fit of a lifter's facts, from the store when the same content was fitted before."""
    with database.reading(who.club_id) as connection:
        known = find(fitting, connection, inputs)
    if known is None:
        for _ in drawing(fitting, database, who, inputs):
            pass
        with database.reading(who.club_id) as connection:
            known = find(fitting, connection, inputs)
    assert known is not None
    return Ranking(known, content_of(inputs)[1])


def answer_now(
    fitting: Fitting, database: Database, who: Who, lifter_id: UUID
) -> tuple[LifterInputs, Lifter, AnyRanking]:
    """A lifter's inputs, model and ranking, sure or not."""
    inputs = inputs_of(database, who, lifter_id)
    with database.reading(who.club_id) as connection:
        known = find(fitting, connection, inputs)
    lifter, inferred = model_of(inputs)
    return inputs, lifter, known or fitting.answer(lifter, inferred, point_fit(fitting, inputs))


def settled_record(
    fitting: Fitting, database: Database, who: Who, lifter_id: UUID, setup_id: UUID,
    setup: BaseModel, reason: str, settled_at: datetime | None = None,
) -> setups.Settled:  # fmt: skip
    """What is kept of a set-up that a coach settles on: inputs, prediction, model version, seed.
    Raises InvalidError where it is not feasible for this lifter."""
    inputs = inputs_of(database, who, lifter_id)
    found = fitting.predict(model_of(inputs)[0], setup)
    if found.reasons:
        reasons = "; ".join(found.reasons)
        raise InvalidError(say("setups.set_up_cannot_held", reasons=reasons), "setup")
    fitted = whole_ranking(fitting, database, who, inputs)
    prediction: dict[str, Any] = {
        "predicted_max_kg": found.predicted_max_kg,
        "limiter": found.limiter,
        "verdict": fitted.answer.verdict.model_dump(),
    }
    return setups.Settled(
        setup_id=setup_id,
        lifter_id=lifter_id,
        lift=fitting.lift,
        setup=setup.model_dump(),
        inputs=inputs.request.model_dump(),
        inputs_digest=fitted.inputs_digest,
        prediction=prediction,
        model_version=MODEL_VERSION,
        seed=SEED,
        reason=reason,
        settled_at=settled_at or datetime.now(UTC),
        json_version=JSON_VERSION,
    )


def settle(
    fitting: Fitting, database: Database, who: Who, key: UUID, lifter_id: UUID, setup_id: UUID,
    setup: BaseModel, reason: str, settled_at: datetime | None = None,
) -> SettledAnswer:  # fmt: skip
    """Settle on a set-up with its inputs, model version and seed. Raises InvalidError where it
    is not feasible for this lifter."""

    def compute() -> setups.Settled:
        return settled_record(
            fitting, database, who, lifter_id, setup_id, setup, reason, settled_at
        )

    def action(connection: Connection, settled: setups.Settled) -> SettledAnswer:
        setups.add_settled(connection, who.club_id, who.coach_id, settled)
        return SettledAnswer(setup_id=setup_id, **settled.prediction)

    request = {"lifter": str(lifter_id), "setup": setup.model_dump(), "reason": reason}
    route = f"settle {fitting.lift}"
    return compute_and_write(
        database, who, key, route, request, SettledAnswer, compute, action,
        subject=str(lifter_id),
    )  # fmt: skip


@dataclass(frozen=True)
class SettledView:
    """A settled set-up and what changed since; empty ``stale_because`` still stands."""

    settled: setups.Settled
    stale_because: list[str]


def settled_in(lift: Lift[Any], connection: Connection, inputs: LifterInputs) -> SettledView | None:
    """What the lifter is settled on in a lift, and whether it is out of date."""
    settled = stored.newest_settled(connection, inputs.profile.lifter_id, lift.id)
    if settled is None:
        return None
    now = inputs.request.model_dump()
    return SettledView(
        settled,
        [
            *stored_wrong(settled.setup, settled.inputs),
            *model_changes(settled.model_version),
            *changes_since(settled.inputs, now, lift.schools),
        ],
    )


def _shown(fitting: Fitting, settled: setups.Settled) -> HistoryAnswer[Any]:
    return HistoryAnswer(
        setup_id=settled.setup_id,
        setup=read_setup(fitting.setup_type, settled.setup),
        predicted_max_kg=settled.prediction["predicted_max_kg"],
        reason=settled.reason,
        settled_at=settled.settled_at,
        model_version=settled.model_version,
    )


def settled_view(
    fitting: Fitting, database: Database, who: Who, lifter_id: UUID
) -> SettledSetupAnswer[Any] | None:
    """The settled set-up as the bench shows it, or None."""
    with database.reading(who.club_id) as connection:
        inputs = load_inputs(connection, lifter_id)
        view = settled_in(fitting.of, connection, inputs)
    if view is None:
        return None
    now = fitting.predict(model_of(inputs)[0], read_setup(fitting.setup_type, view.settled.setup))
    return SettledSetupAnswer(
        **dict(_shown(fitting, view.settled)),
        stale_because=view.stale_because,
        now_kg=now.predicted_max_kg if view.stale_because and not now.reasons else None,
    )


def settled_history(
    fitting: Fitting, database: Database, who: Who, lifter_id: UUID
) -> list[HistoryAnswer[Any]]:
    """Every settled set-up of a lifter in a lift, newest first."""
    with database.reading(who.club_id) as connection:
        load_inputs(connection, lifter_id)
        return [
            _shown(fitting, settled)
            for settled in stored.list_settled(connection, lifter_id)
            if settled.lift == fitting.lift
        ]
