"""The set-up routes that every lift has: ranking, prices, why not, maps, goals, settling."""

from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Query, Response

from pavrik.api.answers import AnswersIn
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.api.setups.job_routes import JobsIn
from pavrik.errors import InvalidError
from pavrik.formats.model.lift_answers import (
    CostAnswer,
    DecidingAnswer,
    GoalsAnswer,
    MapAnswer,
    WeightsRequest,
    WhyNotAnswer,
)
from pavrik.formats.wire.lifters import Acknowledged
from pavrik.formats.wire.setups import (
    CostStudyRequest,
    HistoryAnswer,
    SettledAnswer,
    SettledSetupAnswer,
    SettleRequest,
    SetupRequest,
    TrialRequest,
)
from pavrik.services import questions
from pavrik.services.context import Who
from pavrik.services.lifters.model_lifter import setup_for
from pavrik.services.setups import analysis, fits, sureness
from pavrik.services.setups.fits import Fitting, lifter_model
from pavrik.services.setups.goals import goals_of
from pavrik.services.training import setup_trials
from pavrik.store.database import Database
from pavrik.words import say


def _one_of(given: str, known: tuple[str, ...], field: str) -> str:
    """Raises InvalidError for a word that the lift does not know."""
    if given not in known:
        raise InvalidError(say("setups.there_no_here", given=given, known=", ".join(known)), field)
    return given


def lift_router(fitting: Fitting) -> APIRouter:
    """Routes of one lift under its name; what only that lift has is added to them."""
    lift, wire = fitting.of, fitting.setup_type
    router = APIRouter(prefix=f"/api/lifters/{{lifter_id}}/{lift.id}", tags=[lift.id])
    setup_body: Any = SetupRequest[wire]  # type: ignore[valid-type]
    cost_body: Any = CostStudyRequest[wire]  # type: ignore[valid-type]
    settle_body: Any = SettleRequest[wire]  # type: ignore[valid-type]
    trial_body: Any = TrialRequest[wire]  # type: ignore[valid-type]
    history_answer: Any = HistoryAnswer[wire]  # type: ignore[valid-type]
    settled_answer: Any = SettledSetupAnswer[wire]  # type: ignore[valid-type]

    @router.get("/ranking", response_model=fitting.ranking_form)
    async def read_ranking(lifter_id: UUID, answers: AnswersIn, jobs: JobsIn) -> Response:
        """The ranked set-ups: bands and chances follow when their job is done."""

        def unsure(database: Database, who: Who) -> fits.AnyRanking:
            return sureness.ranking_now(fitting.lift, database, who, lifter_id, jobs)

        return await answers.to(questions.ranking(lifter_id, fitting.lift), unsure)

    @router.post("/costs")
    def read_costs(
        lifter_id: UUID, body: cost_body, database: DatabaseIn, who: WhoIn
    ) -> CostAnswer:
        """What every priced fault costs in a set-up at a load."""
        lifter = lifter_model(database, who, lifter_id)
        setup = setup_for(lifter, body.setup)
        return analysis.costs_of(lift, lifter, setup, body.load_kg, body.amounts)

    @router.get("/why-not")
    def read_why_not(lifter_id: UUID, style: str, database: DatabaseIn, who: WhoIn) -> WhyNotAnswer:
        """Why a style is closed, and the smallest changes that open it."""
        known = _one_of(style, tuple(lift.styles), "style")
        return analysis.why_not_answer(lift, lifter_model(database, who, lifter_id), known)

    @router.get("/deciding")
    def read_deciding(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> DecidingAnswer:
        """Which input decides between the leaders, and the next measurement."""
        _, lifter, answer = fits.answer_now(fitting, database, who, lifter_id)
        return analysis.sensitivity_answer(lift, lifter, answer.leaders)

    @router.post("/goals")
    def read_goals(
        lifter_id: UUID, body: WeightsRequest, database: DatabaseIn, who: WhoIn
    ) -> GoalsAnswer:
        """How a goal orders the leaders, by its own weights or by others."""
        return goals_of(fitting, database, who, lifter_id, body)

    @router.post("/map")
    def read_map(
        lifter_id: UUID, body: setup_body, database: DatabaseIn, who: WhoIn,
        across: Annotated[str, Query()],
    ) -> MapAnswer:  # fmt: skip
        """Predicted max and limiter over stance and another axis, round a set-up."""
        lifter = lifter_model(database, who, lifter_id)
        row = _one_of(across, lift.maps, "across")
        return analysis.map_answer(lift, lifter, setup_for(lifter, body.setup), row)

    @router.get("/settled", response_model=settled_answer | None)
    def read_settled(
        lifter_id: UUID, database: DatabaseIn, who: WhoIn
    ) -> SettledSetupAnswer[Any] | None:
        """What the lifter is settled on, and what changed since; null when nothing is."""
        return fits.settled_view(fitting, database, who, lifter_id)

    @router.get("/settled/history", response_model=list[history_answer])
    def read_history(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> list[HistoryAnswer[Any]]:
        """Every set-up that the lifter was settled on, newest first."""
        return fits.settled_history(fitting, database, who, lifter_id)

    @router.post("/settled", status_code=201)
    def settle(
        lifter_id: UUID, body: settle_body, database: DatabaseIn, who: WhoIn, key: KeyIn
    ) -> SettledAnswer:
        """Settle on a set-up."""
        return fits.settle(
            fitting, database, who, key, lifter_id, body.setup_id, body.setup, body.reason
        )

    @router.post("/trials", status_code=201)
    def begin_trial(
        lifter_id: UUID, body: trial_body, database: DatabaseIn, who: WhoIn, key: KeyIn
    ) -> Acknowledged:
        """Begin a trial of two set-ups; the plan takes it up when it follows today's state."""
        return setup_trials.begin(fitting, database, who, key, lifter_id, body)

    return router
