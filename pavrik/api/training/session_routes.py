"""The platform: the session in one answer, the outbox, and the log as files."""

from datetime import UTC, datetime
from typing import Annotated, Any
from uuid import UUID

from fastapi import APIRouter, Query, Response
from pydantic import ValidationError

from pavrik.api.answers import AnswersIn
from pavrik.api.files import FileIn, file_answer
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.api.training.log_routes import queued_set
from pavrik.core.competition_lifts import LiftId
from pavrik.formats.dates_in import Order
from pavrik.formats.log_table import XLSX, write_csv, write_xlsx
from pavrik.formats.refusals import sentence
from pavrik.formats.wire.session import (
    QUEUED_ITEM,
    ImportAnswer,
    OutboxAnswer,
    OutboxRequest,
    PlatformAnswer,
    QueuedSetRequest,
)
from pavrik.services import questions
from pavrik.services.training import log, log_files, outbox

router = APIRouter(prefix="/api", tags=["platform"])


@router.get("/platform", response_model=PlatformAnswer)
async def read_platform(
    answers: AnswersIn,
    lifter_id: Annotated[list[UUID], Query(min_length=1, max_length=8)],
    lift: LiftId = "squat",
) -> Response:
    """Everything that logging a session needs, for one lifter or a group in turn."""
    return await answers.to(questions.platform(lifter_id, lift))


Queued = log.QueuedSet | log.QueuedWithdrawal | outbox.Unreadable


def _queued(sent: Any) -> Queued:
    try:
        item = QUEUED_ITEM.validate_python(sent)
    except ValidationError as error:
        why = "; ".join(dict.fromkeys(sentence(e) for e in error.errors()))
        return outbox.Unreadable(str(sent.get("key", "")) if isinstance(sent, dict) else "", why)
    if isinstance(item, QueuedSetRequest):
        return queued_set(item.lifter_id, item.set, item.key)
    return log.QueuedWithdrawal(item.key, item.set_id, item.new_id, datetime.now(UTC))


@router.post("/outbox")
def take_outbox(body: OutboxRequest, database: DatabaseIn, who: WhoIn) -> OutboxAnswer:
    """Take what a device queued; every item once, however often it is sent."""
    return outbox.take_outbox(database, who, [_queued(i) for i in body.items])


@router.get("/log.csv", response_class=Response, responses={200: {"content": {"text/csv": {}}}})
def log_csv(database: DatabaseIn, who: WhoIn, lifter_id: UUID | None = None) -> Response:
    """The log of a lifter, or of the club, as CSV."""
    return file_answer(
        write_csv(log_files.rows_out(database, who, lifter_id)), "text/csv", "log.csv"
    )


@router.get("/log.xlsx", response_class=Response, responses={200: {"content": {XLSX: {}}}})
def log_xlsx(database: DatabaseIn, who: WhoIn, lifter_id: UUID | None = None) -> Response:
    """The log of a lifter, or of the club, as XLSX."""
    return file_answer(write_xlsx(log_files.rows_out(database, who, lifter_id)), XLSX, "log.xlsx")


@router.post("/log/preview")
def preview_log(
    body: FileIn, database: DatabaseIn, who: WhoIn, dates: Order | None = None
) -> ImportAnswer:
    """Every row's fate of a CSV or XLSX file; nothing is kept."""
    return log_files.SETS.preview(database, who, body, dates)


@router.post("/log/import")
def import_log(
    body: FileIn, database: DatabaseIn, who: WhoIn, key: KeyIn, leave_bad: bool = False,
    dates: Order | None = None,
) -> ImportAnswer:  # fmt: skip
    """Keep all new rows of a file, or none."""
    return log_files.SETS.take(database, who, key, body, leave_bad, dates)
