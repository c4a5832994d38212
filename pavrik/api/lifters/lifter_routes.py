"""The floor, lifters, measurements, screens, flags, schools."""

from uuid import UUID

from fastapi import APIRouter, Response

from pavrik.api.answers import AnswersIn
from pavrik.api.files import FileIn, file_answer
from pavrik.api.films.folder import FilmsIn
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.core.lifter.mobility import hip_flexion_from_angles_deg
from pavrik.core.units import KNEE_TO_WALL_DEG_PER_CM
from pavrik.errors import InvalidError
from pavrik.formats.dates_in import Order
from pavrik.formats.wire.lifters import (
    Acknowledged,
    AwayAnswer,
    ClearFlagRequest,
    EraseRequest,
    ExerciseOut,
    FlagRequest,
    KnownLiftRequest,
    LifterAnswer,
    LifterRef,
    MeasureAnswer,
    MeasureRequest,
    NewLifterRequest,
    PresenceRequest,
    ProfileRequest,
    SchoolRequest,
    ScreenRequest,
)
from pavrik.formats.wire.log import FloorRow
from pavrik.formats.wire.session import ImportAnswer
from pavrik.formats.wire.setups import LeversAnswer
from pavrik.services import questions
from pavrik.services.afar.sent import kept_film_ids
from pavrik.services.lifters import facts, in_and_out, known_lifts, lifter_files, record
from pavrik.services.setups import levers
from pavrik.words import say

router = APIRouter(prefix="/api", tags=["lifters"])


@router.get("/floor", response_model=list[FloorRow])
async def read_floor(answers: AnswersIn) -> Response:
    """Every lifter with what is open, the most pressing first."""
    return await answers.to(questions.FLOOR)


@router.post("/lifters", status_code=201)
def add_lifter(body: NewLifterRequest, database: DatabaseIn, who: WhoIn, key: KeyIn) -> LifterRef:
    """Add a lifter."""
    return facts.add_lifter(database, who, key, body.lifter_id, body.profile)


@router.post("/lifters/preview")
def preview_lifters(
    body: FileIn, database: DatabaseIn, who: WhoIn, dates: Order | None = None
) -> ImportAnswer:
    """Every row's fate of a CSV or XLSX file of lifters; nothing is kept."""
    return lifter_files.LIFTERS.preview(database, who, body, dates)


@router.post("/lifters/import")
def import_lifters(
    body: FileIn, database: DatabaseIn, who: WhoIn, key: KeyIn, leave_bad: bool = False,
    dates: Order | None = None,
) -> ImportAnswer:  # fmt: skip
    """Keep all new lifters of a file, or nobody."""
    return lifter_files.LIFTERS.take(database, who, key, body, leave_bad, dates)


@router.get("/lifters/away")
def read_away(database: DatabaseIn, who: WhoIn) -> list[AwayAnswer]:
    """Lifters who left the club."""
    return in_and_out.list_away(database, who)


@router.get("/lifters/{lifter_id}", response_model=LifterAnswer)
async def read_lifter(lifter_id: UUID, answers: AnswersIn) -> Response:
    """A lifter's record."""
    return await answers.to(questions.lifter_record(lifter_id))


@router.post("/lifters/{lifter_id}/profile")
def correct_profile(
    lifter_id: UUID, body: ProfileRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> LifterRef:
    """A newer profile; the old one stays on record."""
    return facts.correct_profile(database, who, key, lifter_id, body)


@router.get(
    "/lifters/{lifter_id}/export",
    response_class=Response,
    responses={200: {"content": {"application/json": {}}}},
)
def export_lifter(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Response:
    """Everything of a lifter as one file."""
    data = in_and_out.export(database, who, lifter_id)
    return file_answer(data, "application/json", "lifter.json")


@router.post("/lifters/{lifter_id}/presence")
def set_presence(
    lifter_id: UUID, body: PresenceRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> LifterRef:
    """Let a lifter leave the club, or take one back whole."""
    return in_and_out.set_presence(database, who, key, lifter_id, body.here)


@router.post("/lifters/{lifter_id}/erasure")
def erase_lifter(
    lifter_id: UUID, body: EraseRequest, database: DatabaseIn, who: WhoIn, key: KeyIn,
    films: FilmsIn,
) -> LifterRef:  # fmt: skip
    """Delete a lifter for good, films included; the owner types the name."""
    film_ids = kept_film_ids(database, who, lifter_id)
    answer = in_and_out.erase(database, who, key, lifter_id, body.name)
    for film_id in film_ids:
        films.forget(who.club_id, film_id)
    return answer


@router.get("/known-lifts")
def read_exercises(_: WhoIn) -> list[ExerciseOut]:
    """What bests and isolated tests can be told of."""
    return known_lifts.exercises()


@router.post("/lifters/{lifter_id}/known-lifts")
def tell_known_lift(
    lifter_id: UUID, body: KnownLiftRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """A best or an isolated test that was told; it counts from then on."""
    return known_lifts.tell(database, who, key, lifter_id, body)


@router.get("/lifters/{lifter_id}/measurements")
def read_measurements(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> MeasureAnswer:
    """Readings beside what people of that stature have."""
    return record.measured(database, who, lifter_id)


@router.get("/lifters/{lifter_id}/levers")
def read_levers(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> LeversAnswer:
    """What a centimetre of each length is worth in both lifts."""
    return levers.levers(database, who, lifter_id)


@router.post("/lifters/{lifter_id}/measurements")
def measure(
    lifter_id: UUID, body: MeasureRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """New readings of a landmark."""
    return facts.measure(
        database, who, key, lifter_id, body.landmark, body.readings_m, body.kept_because
    )


def _screen_readings(body: ScreenRequest) -> list[float]:
    if body.knee_to_wall_cm:
        if body.kind != "ankle":
            raise InvalidError(say("lifters.knee_wall_screen_ankle"), "knee_to_wall_cm")
        return [cm * KNEE_TO_WALL_DEG_PER_CM for cm in body.knee_to_wall_cm]
    if body.side_picture is not None:
        if body.kind != "neutral_depth":
            raise InvalidError(say("lifters.three_angles_give_neutral"), "side_picture")
        angles = body.side_picture
        return [hip_flexion_from_angles_deg(angles.thigh_deg, angles.lean_deg)]
    if not body.readings and not body.kind.startswith("grip_"):
        raise InvalidError(say("lifters.screen_needs_three_readings"), "readings")
    return body.readings


@router.post("/lifters/{lifter_id}/screens")
def take_screen(
    lifter_id: UUID, body: ScreenRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """A new screen result."""
    return facts.take_screen(database, who, key, lifter_id, body.kind, _screen_readings(body))


@router.post("/lifters/{lifter_id}/flags")
def raise_flag(
    lifter_id: UUID, body: FlagRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Raise a pain flag; loads are capped until it is cleared."""
    return facts.raise_flag(database, who, key, lifter_id, body.region, body.note)


@router.post("/flags/{flag_id}/clearance")
def clear_flag(
    flag_id: UUID, body: ClearFlagRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Clear a pain flag with a reason."""
    return facts.clear_flag(database, who, key, flag_id, body.reason)


@router.post("/lifters/{lifter_id}/schools")
def choose_lifters_school(
    lifter_id: UUID, body: SchoolRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Choose a school for one lifter."""
    return facts.choose_school(database, who, key, lifter_id, body.question, body.position)


@router.post("/schools")
def choose_clubs_school(
    body: SchoolRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Choose a school for the whole club."""
    return facts.choose_school(database, who, key, None, body.question, body.position)
