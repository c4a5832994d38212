"""Plans, variations and the lifter's read-only link."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Body, Path, Request, Response

from pavrik.api.answers import AnswersIn
from pavrik.api.files import file_answer, qr_of
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.api.setups.job_routes import JobsIn
from pavrik.core.competition_lifts import LiftId
from pavrik.formats.log_table import XLSX
from pavrik.formats.model.lift_answers import JobAnswer
from pavrik.formats.wire.plan_edits import EditKept, EditRequest
from pavrik.formats.wire.plans import (
    ClosedLink,
    LinkAnswer,
    LinkRequest,
    MadeLinkAnswer,
    PlanFrame,
    PlanKept,
    PlanPreview,
    PlanRequest,
    SharedAnswer,
    StandingPlan,
    VariationKept,
    VariationNames,
    VariationTable,
    VariationWordRequest,
    VersionRequest,
)
from pavrik.formats.wire.shapes import ShapeLook, ShapeOut, ShapeText
from pavrik.services import questions
from pavrik.services.facts import VariationWord
from pavrik.services.plans import (
    card_link,
    club_planning,
    editing,
    plan_files,
    planning,
    shapes,
    variation_table,
)

router = APIRouter(prefix="/api", tags=["plan"])
OF_LIFTER = "/lifters/{lifter_id}"
Name = Annotated[str, Path(min_length=1, max_length=60)]
Token = Annotated[str, Path(min_length=8, max_length=80)]


@router.get("/shapes")
def read_shapes(database: DatabaseIn, who: WhoIn) -> list[ShapeOut]:
    """The shapes that a season may have: shipped ones, and the club's own."""
    return shapes.list_shapes(database, who)


@router.post("/shapes/look")
def look_at_shape(body: ShapeText, _: WhoIn) -> ShapeLook:
    """What a draft of a shape comes to; nothing is kept."""
    return shapes.look_at(body)


@router.get(OF_LIFTER + "/plan", response_model=StandingPlan)
async def read_plan(lifter_id: UUID, answers: AnswersIn) -> Response:
    """The plan that stands and what today's state would change in it."""
    return await answers.to(questions.plan(lifter_id))


@router.post(OF_LIFTER + "/plan/preview")
def preview_plan(lifter_id: UUID, body: PlanFrame, database: DatabaseIn, who: WhoIn) -> PlanPreview:
    """A plan as it would be made; nothing is kept."""
    return planning.preview(database, who, lifter_id, body)


@router.post(OF_LIFTER + "/plan")
def make_plan(
    lifter_id: UUID, body: PlanRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> PlanKept:
    """Make and keep a plan."""
    return planning.make(database, who, key, body.plan_id, lifter_id, body)


@router.post(OF_LIFTER + "/plan/reflow")
def reflow_plan(
    lifter_id: UUID, body: VersionRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> PlanKept:
    """Let the plan follow today's state."""
    return planning.take_up(database, who, key, body.plan_id, lifter_id)


@router.post(OF_LIFTER + "/plan/withdrawal")
def withdraw_plan(
    lifter_id: UUID, body: VersionRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> PlanKept:
    """Take the plan back."""
    return planning.withdraw(database, who, key, body.plan_id, lifter_id)


@router.post(OF_LIFTER + "/plan/edits")
def edit_plan(
    lifter_id: UUID, body: Annotated[EditRequest, Body()], database: DatabaseIn, who: WhoIn,
    key: KeyIn,
) -> EditKept:  # fmt: skip
    """What a coach does to a plan by hand: a line changed, left out, moved or added, a day moved,
    an edit undone."""
    return editing.edit(database, who, key, lifter_id, body.to_core())


@router.get(
    OF_LIFTER + "/plan.ics",
    response_class=Response,
    responses={200: {"content": {"text/calendar": {}}}},
)
def plan_ics(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Response:
    """The plan for a calendar."""
    return file_answer(plan_files.calendar(database, who, lifter_id), "text/calendar", "plan.ics")


@router.get(
    OF_LIFTER + "/plan.csv", response_class=Response, responses={200: {"content": {"text/csv": {}}}}
)
def plan_csv(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Response:
    """The plan as CSV."""
    return file_answer(plan_files.csv_file(database, who, lifter_id), "text/csv", "plan.csv")


@router.get(
    OF_LIFTER + "/plan.xlsx", response_class=Response, responses={200: {"content": {XLSX: {}}}}
)
def plan_xlsx(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Response:
    """The plan as a workbook."""
    return file_answer(plan_files.xlsx_file(database, who, lifter_id), XLSX, "plan.xlsx")


@router.get(
    OF_LIFTER + "/plan.pdf",
    response_class=Response,
    responses={200: {"content": {"application/pdf": {}}}},
)
def plan_pdf(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Response:
    """The plan for print."""
    return file_answer(plan_files.pdf_file(database, who, lifter_id), "application/pdf", "plan.pdf")


@router.get("/variations")
def read_variation_names(database: DatabaseIn, who: WhoIn) -> VariationNames:
    """Variations that can be logged, shipped and own."""
    return variation_table.names(database, who)


@router.get(OF_LIFTER + "/variations/{lift}")
def read_variations(
    lifter_id: UUID, lift: LiftId, database: DatabaseIn, who: WhoIn
) -> VariationTable:
    """Every variation of a lift with its computed loading beside the competition lift's."""
    return variation_table.table(database, who, lifter_id, lift)


@router.post(OF_LIFTER + "/variation-words/{name}")
def say_of_variation(
    lifter_id: UUID, name: Name, body: VariationWordRequest, database: DatabaseIn, who: WhoIn,
    key: KeyIn,
) -> VariationKept:  # fmt: skip
    """Use a variation, leave it out, or take the word back."""
    word = VariationWord(name, body.word, body.reason, "")
    return planning.say_of_variation(database, who, key, lifter_id, word)


@router.post("/club/plans")
def plan_club(
    body: PlanFrame, database: DatabaseIn, who: WhoIn, jobs: JobsIn, _: KeyIn
) -> JobAnswer:
    """Plan for everyone without a plan, in the background."""
    return JobAnswer(**vars(club_planning.plan_club(database, who, jobs, body)))


@router.get(OF_LIFTER + "/links")
def read_links(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> list[LinkAnswer]:
    """Links to the lifter's card."""
    return card_link.list_links(database, who, lifter_id)


@router.post(OF_LIFTER + "/links")
def make_link(
    lifter_id: UUID, body: LinkRequest, request: Request, database: DatabaseIn, who: WhoIn,
    key: KeyIn,
) -> MadeLinkAnswer:  # fmt: skip
    """Make a link; its token is shown now and never again."""
    made = card_link.make_link(database, who, key, body.link_id, lifter_id, body.days)
    path = f"/s/{made.token}"
    return MadeLinkAnswer(
        link_id=made.link_id, path=path, expires_at=made.expires_at,
        qr_svg=qr_of(request, path),
    )  # fmt: skip


@router.post(OF_LIFTER + "/links/{link_id}/closing")
def close_link(
    lifter_id: UUID, link_id: UUID, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> ClosedLink:
    """Close a link for good."""
    return card_link.revoke(database, who, key, lifter_id, link_id)


@router.get("/shared/{token}")
def read_shared(token: Token, database: DatabaseIn) -> SharedAnswer:
    """The card and the next day of the plan, for whoever holds the link."""
    return card_link.shared(database, token)
