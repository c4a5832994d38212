"""Review and diagnosis: what the log knows, why a fault is there, what was tested and tried."""

from datetime import UTC, datetime
from uuid import UUID

from fastapi import APIRouter, Response

from pavrik.api.answers import AnswersIn
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.core.competition_lifts import LiftId
from pavrik.formats.wire.review import (
    CauseTestRequest,
    CueRef,
    CueRequest,
    DiagnosisAnswer,
    DrillRef,
    DrillResultRequest,
    FloorFactsRequest,
    FloorWalkAnswer,
    ReviewAnswer,
    TestRef,
)
from pavrik.services import questions
from pavrik.services.facts import CauseTest
from pavrik.services.training import diagnosis

router = APIRouter(prefix="/api/lifters/{lifter_id}", tags=["review"])


@router.get("/review", response_model=ReviewAnswer)
async def read_review(lifter_id: UUID, answers: AnswersIn, lift: LiftId = "squat") -> Response:
    """What the log of a lift knows."""
    return await answers.to(questions.log_review(lifter_id, lift))


@router.get("/diagnosis/{lift}/{fault_id}")
def read_diagnosis(
    lifter_id: UUID, lift: LiftId, fault_id: str, database: DatabaseIn, who: WhoIn
) -> DiagnosisAnswer:
    """Causes of a fault ranked by evidence, with their tests and remedies."""
    return diagnosis.diagnose(database, who, lifter_id, lift, fault_id)


@router.post("/tests", status_code=201)
def record_test(
    lifter_id: UUID, body: CauseTestRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> TestRef:
    """Log the result of a test."""
    test = CauseTest(**body.model_dump())
    return diagnosis.record_test(database, who, key, lifter_id, test)


@router.post("/drills", status_code=201)
def record_drill(
    lifter_id: UUID, body: DrillResultRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> DrillRef:
    """Log whether a stage of a drill was passed."""
    return diagnosis.record_drill(database, who, key, lifter_id, body)


@router.post("/cues", status_code=201)
def try_cue(
    lifter_id: UUID, body: CueRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> CueRef:
    """Try one cue from now on, or end the trial."""
    return diagnosis.try_cue(
        database, who, key, lifter_id, body.choice_id, body.lift, body.cue, datetime.now(UTC)
    )


@router.post("/floor-walk")
def ask_floor_questions(
    lifter_id: UUID, body: FloorFactsRequest, database: DatabaseIn, who: WhoIn
) -> FloorWalkAnswer:
    """The questions for a pull that will not leave the floor."""
    return diagnosis.floor_questions(database, who, lifter_id, body)
