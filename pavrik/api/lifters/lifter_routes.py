"""The floor, lifters, measurements, screens, flags, schools."""

from typing import Any
from uuid import UUID

from fastapi import APIRouter

from pavrik.api.lifters.lifter_schemas import (
    Acknowledged,
    ClearFlagRequest,
    FlagRequest,
    LifterAnswer,
    LifterRef,
    MeasureAnswer,
    MeasureRequest,
    NewLifterRequest,
    ProfileRequest,
    SchoolRequest,
    ScreenRequest,
)
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.api.training.log_schemas import FloorRow
from pavrik.core.lifter.mobility import hip_flexion_from_angles_deg
from pavrik.core.units import KNEE_TO_WALL_DEG_PER_CM
from pavrik.errors import InvalidError
from pavrik.services.club import board
from pavrik.services.lifters import facts, record

router = APIRouter(prefix="/api", tags=["lifters"])


@router.get("/floor", response_model=list[FloorRow])
def read_floor(database: DatabaseIn, who: WhoIn) -> Any:
    """Every lifter with what is open, the most pressing first."""
    return board.board(database, who)


@router.post("/lifters", status_code=201, response_model=LifterRef)
def add_lifter(body: NewLifterRequest, database: DatabaseIn, who: WhoIn, key: KeyIn) -> Any:
    """Add a lifter."""
    return facts.add_lifter(database, who, key, body.lifter_id, body.profile.model_dump())


@router.get("/lifters/{lifter_id}", response_model=LifterAnswer)
def read_lifter(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """A lifter's record."""
    return record.lifter_record(database, who, lifter_id)


@router.post("/lifters/{lifter_id}/profile", response_model=LifterRef)
def correct_profile(
    lifter_id: UUID, body: ProfileRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Any:
    """A newer profile; the old one stays on record."""
    return facts.correct_profile(database, who, key, lifter_id, body.model_dump())


@router.get("/lifters/{lifter_id}/measurements", response_model=MeasureAnswer)
def read_measurements(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> Any:
    """Readings beside what people of that stature have."""
    return record.measured(database, who, lifter_id)


@router.post("/lifters/{lifter_id}/measurements", response_model=Acknowledged)
def measure(
    lifter_id: UUID, body: MeasureRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """New readings of a landmark."""
    facts.measure(database, who, key, lifter_id, body.landmark, body.readings_m, body.kept_because)
    return Acknowledged()


def _screen_readings(body: ScreenRequest) -> list[float]:
    if body.knee_to_wall_cm:
        if body.kind != "ankle":
            raise InvalidError("knee-to-wall is a screen of the ankle only", "knee_to_wall_cm")
        return [cm * KNEE_TO_WALL_DEG_PER_CM for cm in body.knee_to_wall_cm]
    if body.side_picture is not None:
        if body.kind != "neutral_depth":
            raise InvalidError("the three angles give the neutral depth only", "side_picture")
        angles = body.side_picture
        return [hip_flexion_from_angles_deg(angles.thigh_deg, angles.lean_deg)]
    if not body.readings and not body.kind.startswith("grip_"):
        raise InvalidError("this screen needs one to three readings", "readings")
    return body.readings


@router.post("/lifters/{lifter_id}/screens", response_model=Acknowledged)
def take_screen(
    lifter_id: UUID, body: ScreenRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """A new screen result."""
    facts.take_screen(database, who, key, lifter_id, body.kind, _screen_readings(body))
    return Acknowledged()


@router.post("/lifters/{lifter_id}/flags", response_model=Acknowledged)
def raise_flag(
    lifter_id: UUID, body: FlagRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Raise a pain flag; loads are capped until it is cleared."""
    facts.raise_flag(database, who, key, lifter_id, body.region, body.note)
    return Acknowledged()


@router.post("/flags/{flag_id}/clearance", response_model=Acknowledged)
def clear_flag(
    flag_id: UUID, body: ClearFlagRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Clear a pain flag with a reason."""
    facts.clear_flag(database, who, key, flag_id, body.reason)
    return Acknowledged()


@router.post("/lifters/{lifter_id}/schools", response_model=Acknowledged)
def choose_lifters_school(
    lifter_id: UUID, body: SchoolRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Choose a school for one lifter."""
    facts.choose_school(database, who, key, lifter_id, body.question, body.position)
    return Acknowledged()


@router.post("/schools", response_model=Acknowledged)
def choose_clubs_school(
    body: SchoolRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> Acknowledged:
    """Choose a school for the whole club."""
    facts.choose_school(database, who, key, None, body.question, body.position)
    return Acknowledged()
