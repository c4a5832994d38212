"""What the lifts are: words and places that the page shows and does not retype."""

from fastapi import APIRouter
from pydantic import BaseModel

from pavrik.core.lifts.phases import PHASES

router = APIRouter(prefix="/api/lifts", tags=["lifts"])


class PhaseAnswer(BaseModel):
    """A phase of a lift; ``progress`` of a squat's descent at which it is judged, where it is."""

    id: str
    computed: bool
    progress: float | None


class LiftAnswer(BaseModel):
    """One lift."""

    id: str
    phases: list[PhaseAnswer]


@router.get("")
def read_lifts() -> list[LiftAnswer]:
    """Both lifts with their phases in order."""
    return [
        LiftAnswer(id=lift, phases=[PhaseAnswer(**vars(phase)) for phase in phases])
        for lift, phases in PHASES.items()
    ]
