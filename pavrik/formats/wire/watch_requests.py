"""Requests of the stage Watch: films, taps, words to a clip."""

from datetime import date
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field, model_validator

from pavrik.core.competition_lifts import LIFTS, LiftId
from pavrik.core.tracking.head_on import HeadOnView
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Note, Text
from pavrik.words import say

Coordinate = Annotated[float, Field(ge=-10_000, le=20_000)]
Pixel = tuple[Coordinate, Coordinate]
ClipView = Literal["side", "front", "rear"]
"""Where the camera stood."""


class TapsIn(Strict):
    """What was tapped in one picture, in pixels of the film."""

    plate: Pixel
    plate_radius: Annotated[float, Field(gt=4, le=4000)]
    knee: Pixel
    hip: Pixel
    ankle: Pixel | None = None
    shoulder: Pixel | None = None
    sleeve_end: Pixel | None = None

    @model_validator(mode="after")
    def _one_more(self) -> "TapsIn":
        if self.ankle is None and self.shoulder is None:
            raise ValueError(say("wire.tap_ankle_squat_shoulder"))
        return self


class EdgeIn(Strict):
    """A plate seen on its edge: its upper and its lower end."""

    top: Pixel
    bottom: Pixel


class HeadOnTapsIn(Strict):
    """What was tapped in one picture from the front or from behind; left and right are the
    picture's."""

    plate_left: EdgeIn
    plate_right: EdgeIn
    ankle_left: Pixel
    ankle_right: Pixel
    knee_left: Pixel | None = None
    knee_right: Pixel | None = None
    belt: Pixel | None = None


StyleName = Annotated[str, Field(max_length=40)]


class ClipFacts(Strict):
    """What is known of a clip beside its pictures."""

    clip_id: UUID
    lift: LiftId
    load_kg: Annotated[float, Field(gt=0, le=600)]
    filmed_on: date
    large_plates: Annotated[int, Field(ge=1, le=10)] = 1
    style: StyleName = ""
    """The style that was done, where it is another than the settled one."""
    note: Note = ""


class TrackedFacts(ClipFacts):
    """What is known of a film that is tracked. ``keep_days`` keeps it after that, with the lifter's
    consent; otherwise it is deleted."""

    film_id: UUID
    keep_days: Annotated[int, Field(ge=0, le=90)] = 0
    agreed: bool = False

    @model_validator(mode="after")
    def _agreed(self) -> "TrackedFacts":
        if self.keep_days and not self.agreed:
            raise ValueError(say("wire.film_kept_only_where"))
        return self


class TrackRequest(TrackedFacts):
    """Track a film that was sent, from the taps in the picture shown at ``tapped_s``."""

    tapped_s: Annotated[float, Field(ge=0, le=3600)]
    taps: TapsIn


class HeadOnTrackRequest(TrackedFacts):
    """Track a film from the front (of a squat both knees tapped) or from behind (of a squat the
    belt tapped)."""

    tapped_s: Annotated[float, Field(ge=0, le=3600)]
    view: HeadOnView
    taps: HeadOnTapsIn

    @model_validator(mode="after")
    def _seen_from_there(self) -> "HeadOnTrackRequest":
        _need_what_is_seen(self.lift, self.view, self.taps)
        return self


def _need_what_is_seen(lift: LiftId, view: HeadOnView, taps: HeadOnTapsIn) -> None:
    """Raises ValueError where what a view measures was not tapped."""
    if LIFTS[lift].carried == "hands":
        return
    if view == "front" and not (taps.knee_left and taps.knee_right):
        raise ValueError(say("wire.tap_both_knees_from"))
    if view == "rear" and not taps.belt:
        raise ValueError(say("wire.tap_middle_belt_from"))


MarkerName = Annotated[str, Field(max_length=60)]


class FileFacts(BaseModel):
    """What is known of a tracked file, and which marker is what where the file calls it
    otherwise."""

    clip_id: UUID
    lift: LiftId
    load_kg: Annotated[float, Field(gt=0, le=600)]
    filmed_on: date
    style: StyleName = ""
    bar: MarkerName = ""
    knee: MarkerName = ""
    hip: MarkerName = ""
    ankle: MarkerName = ""
    shoulder: MarkerName = ""


class TappedInstant(Strict):
    """One picture tapped by hand."""

    time_s: Annotated[float, Field(ge=0, le=3600)]
    taps: TapsIn


class PicturesFacts(ClipFacts):
    """A film that stays where it is: only the taps in some of its pictures are sent, which are so
    large."""

    width: Annotated[int, Field(ge=100, le=10_000)]
    height: Annotated[int, Field(ge=100, le=10_000)]


class PointsRequest(PicturesFacts):
    """Pictures from the side."""

    instants: Annotated[list[TappedInstant], Field(min_length=1, max_length=60)]


class HeadOnInstantIn(Strict):
    """One picture from the front or from behind, tapped by hand."""

    time_s: Annotated[float, Field(ge=0, le=3600)]
    taps: HeadOnTapsIn


class HeadOnPointsRequest(PicturesFacts):
    """Pictures from the front or from behind; the camera is told by the first of them."""

    view: HeadOnView
    instants: Annotated[list[HeadOnInstantIn], Field(min_length=1, max_length=60)]

    @model_validator(mode="after")
    def _seen_from_there(self) -> "HeadOnPointsRequest":
        for one in self.instants:
            _need_what_is_seen(self.lift, self.view, one.taps)
        return self


class StandIn(Strict):
    """Where the simulated phone stands."""

    distance_m: Annotated[float, Field(ge=2.5, le=8)] = 4.5
    height_m: Annotated[float, Field(ge=0.2, le=1.8)] = 0.55
    off_side_deg: Annotated[float, Field(ge=-30, le=30)] = 0.0
    tilt_deg: Annotated[float, Field(ge=-4, le=4)] = 0.0
    shake_px: Annotated[float, Field(ge=0, le=6)] = 1.0
    from_left: bool = False


class SimulateRequest(Strict):
    """Film a set with the simulated phone."""

    film_id: UUID
    lift: LiftId
    view: ClipView = "side"
    load_kg: Annotated[float, Field(gt=0, le=600)]
    reps: Annotated[int, Field(ge=1, le=5)] = 2
    style: StyleName = ""
    faults: Annotated[tuple[Text, ...], Field(max_length=4)] = ()
    stand: StandIn = StandIn()
    seed: Annotated[int, Field(ge=0, le=10_000)] = 1


class ReadyMadeFilm(BaseModel):
    """A film that ships: whom and what it shows, where a careful hand taps its first picture, and
    the faults that were put into it."""

    name: Text
    lifter_id: UUID
    lift: LiftId
    view: ClipView
    load_kg: float
    large_plates: int
    says: Text
    reps: int
    faults: list[Text]
    taps: TapsIn | None = None
    head_on_taps: HeadOnTapsIn | None = None


class ReadyMadeRequest(Strict):
    """Open a film that ships."""

    film_id: UUID
    name: Annotated[Text, Field(min_length=1, max_length=60)]


class ClipWordRequest(Strict):
    """A word to a finding, or to the clip."""

    word_id: UUID
    subject: Annotated[Text, Field(min_length=1, max_length=60)]
    word: Literal["confirmed", "dismissed", "undecided", "shown", "hidden", "withdrawn", "said"]
    words: Note = ""
    """With "said": the coach's own words in the place of a line; empty takes them back."""


class DepthRequest(Strict):
    """Two taps at the deepest picture of a rep, in pixels of the clip's pictures: the crease of the
    hip and the top of the knee."""

    word_id: UUID
    rep: Annotated[int, Field(ge=1, le=60)]
    crease: Pixel
    knee_top: Pixel


class ClipLogRequest(Strict):
    """Write the confirmed findings into the log: into a set of that day, or as a new one."""

    set_id: UUID
    replaces: UUID | None = None
    rpe: Annotated[float, Field(ge=1, le=10)] | None = None
