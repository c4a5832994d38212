"""What ``pavrik watch`` takes and gives: tracked points in, findings out."""

from typing import Annotated

from pydantic import BaseModel, Field, model_validator

from pavrik.core.tracking.review import Instant
from pavrik.formats.model.deadlift_answers import DeadliftAtLoadRequest
from pavrik.formats.model.lift_answers import SquatAtLoadRequest
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.watch import CameraOut, FindingOut, PhaseOut, RepOut, VerdictOut
from pavrik.formats.wire.watch_requests import Pixel, TapsIn
from pavrik.words import say

MOST_FRAMES = 3600
Places = Annotated[tuple[Pixel | None, ...], Field(max_length=MOST_FRAMES)]


class TrackIn(Strict):
    """A tracked film: places in pixels of the tapped picture; null where not seen. What is left out
    was seen nowhere."""

    times_s: Annotated[list[float], Field(min_length=1, max_length=MOST_FRAMES)]
    width: Annotated[int, Field(ge=100, le=10_000)]
    height: Annotated[int, Field(ge=100, le=10_000)]
    bar: Places
    knee: Places
    hip: Places
    shoulder: Places = ()
    heel: Places = ()
    taps: TapsIn
    tapped: Annotated[int, Field(ge=0, le=MOST_FRAMES)] = 0
    tilt_deg: Annotated[float, Field(ge=-20, le=20)] = 0.0

    @model_validator(mode="after")
    def _as_long_as_its_times(self) -> "TrackIn":
        frames = len(self.times_s)
        for name in ("bar", "knee", "hip", "shoulder", "heel"):
            given = len(getattr(self, name))
            if given not in (0, frames):
                raise ValueError(
                    say("wire.places_times_each", name=name, given=given, frames=frames)
                )
        return self


class SquatWatchRequest(SquatAtLoadRequest):
    """A tracked film of a squat, judged against the set-up's own computed way."""

    large_plates: Annotated[int, Field(ge=1, le=10)] = 1
    track: TrackIn


class DeadliftWatchRequest(DeadliftAtLoadRequest):
    """A tracked film of a deadlift."""

    large_plates: Annotated[int, Field(ge=1, le=10)] = 1
    track: TrackIn


WatchRequest = Annotated[SquatWatchRequest | DeadliftWatchRequest, Field(discriminator="lift")]


class WatchAnswer(BaseModel):
    """What a tracked film says."""

    camera: CameraOut
    reps: list[RepOut]
    findings: list[FindingOut]
    phases: list[PhaseOut]
    instants: list[Instant]
    cannot_tell: list[str]
    verdict: VerdictOut
    misfit_m: float
    model_version: str
