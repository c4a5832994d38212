"""Answers of the stage Watch: what a clip says."""

from datetime import date, datetime
from typing import Literal
from uuid import UUID

from pydantic import BaseModel

from pavrik.core.competition_lifts import LiftId
from pavrik.core.tracking.detectors import Side
from pavrik.core.tracking.findings import State
from pavrik.core.tracking.review import Comparison, HeadOnInstant, Instant
from pavrik.formats.wire.watch_requests import ClipView

Way = Literal["film", "simulated", "points", "file"]
"""How a clip came: tracked from a film, from a simulated one, by taps alone, as a tracked file."""
Series = list[float | None]
"""A column with a number for each picture; null where it was not seen."""


class FilmRef(BaseModel):
    """A film that waits to be tracked; it is deleted when that ends, or after a while unused."""

    film_id: UUID
    size_bytes: int


class FaultChoice(BaseModel):
    """A fault that the simulated phone can film, from where it can be seen."""

    id: str
    words: str
    views: list[ClipView] = ["side"]


class RepOut(BaseModel):
    """One rep: when (s of the film), how fast (m/s), where it was slowest (m above the floor); no
    speed where the view is too oblique."""

    number: int
    first_s: float
    turn_s: float
    last_s: float
    down_s: float
    up_s: float
    mean_m_s: float | None
    peak_m_s: float | None
    least_m_s: float | None
    sticking_m: float | None
    below_m: float | None = None
    """How far the crease of the hip was below the top of the knee."""
    depth: Literal["deep", "high", "cannot tell"] | None = None
    unsure_m: float | None = None
    tapped: bool = False
    """Whether the depth was told by two taps at the deepest picture."""


class FindingOut(BaseModel):
    """What a film tells of one fault, over the set."""

    detector: str
    fault_id: str
    name: str
    phase: str
    unit: Literal["m", "deg", "s"]
    value: float | None
    by_rep: Series
    told_from: float
    error_sd: float
    below: bool
    """Small values are the fault."""
    state: State
    says: str
    why: str
    reps: list[int]
    side: Side | None = None
    """Whose side it is, the lifter's own."""
    cost_kg: float | None = None
    cost_words: str = ""
    word: Literal["confirmed", "dismissed", "undecided"] = "undecided"


class PhaseOut(BaseModel):
    """One phase in the rep in which it is worst."""

    phase: str
    state: State
    rep: int
    instant: Instant | None = None
    head_on: HeadOnInstant | None = None
    findings: list[str]
    says: str
    said: str = ""
    """The coach's own words in its place."""


class CameraOut(BaseModel):
    """Where the camera stood and what is wrong with the view."""

    distance_m: float
    height_m: float
    off_side_deg: float
    tilt_deg: float
    angles_told: bool
    speeds_told: bool
    words: list[str]


class HeadOnFrames(BaseModel):
    """Columns over the pictures of a film from the front or from behind, in m: the left end of the
    bar above the right one against where it stood, hips off the middle between the feet (left
    positive), knees outside it."""

    tilt_m: Series
    hips_off_m: Series
    knee_left_m: Series
    knee_right_m: Series


class FramesOut(BaseModel):
    """Columns over the pictures: places in m, the trunk's lean in degrees, and where joints and the
    computed posture stand in the film (pixels)."""

    times_s: list[float]
    width: int
    height: int
    bar_x_m: Series
    bar_z_m: Series
    lean_deg: Series
    speed_m_s: Series
    metres: dict[str, list[tuple[float | None, float | None, float | None]]]
    """x, y and z of bar and joints, the near side's."""
    pixels: dict[str, list[tuple[float, float] | None]]
    expected: dict[str, list[tuple[float, float] | None]]
    foot: tuple[float, float]
    """Mid-foot on the floor in the first picture; from the front the middle between the feet."""
    head_on: HeadOnFrames | None = None


class SpeedOut(BaseModel):
    """The lifter's own line of speed against load, or why there is none yet."""

    points: list[tuple[float, float]]
    why_not: str = ""
    max_kg: float | None = None
    max_sd_kg: float | None = None
    reps_left: float | None = None
    """As the last rep's speed tells it; None where no line is drawn or the load is light."""
    reps_left_sd: float | None = None


class VerdictOut(BaseModel):
    """What was looked for and not seen, what fails, one next cue, an overall word."""

    overall: str
    not_seen: list[str]
    fails: list[str]
    cue: str = ""
    said: str = ""
    """The coach's own words to the whole set."""
    said_cue: str = ""
    """The cue that the coach gives instead."""
    lost_speed: float | None


class ClipReading(BaseModel):
    """Everything that a clip says."""

    clip_id: UUID
    lifter_id: UUID
    lift: LiftId
    load_kg: float
    filmed_on: date
    way: Way
    view: ClipView = "side"
    setup_words: str
    style: str = ""
    back_deg: float | None = None
    """Of a pull from the side: the back from level as the plates leave, where that is told."""
    predicted_max_kg: float
    camera: CameraOut
    cannot_tell: list[str]
    misfit_m: float
    frames: FramesOut
    reps: list[RepOut]
    findings: list[FindingOut]
    phases: list[PhaseOut]
    instants: list[Instant] = []
    head_on_instants: list[HeadOnInstant] = []
    comparisons: list[Comparison]
    speed: SpeedOut
    verdict: VerdictOut
    model_version: str
    note: str = ""
    shown: bool = False
    logged: bool = False
    film_id: UUID | None = None
    film_until: datetime | None = None
    """Until when the film is kept, where it is."""
    made_at: datetime | None = None


class ClipSummary(BaseModel):
    """What lists and later clips need of a clip."""

    lift: LiftId
    load_kg: float
    filmed_on: date
    view: ClipView = "side"
    style: str = ""
    back_deg: float | None = None
    reps: list[RepOut]
    findings: list[FindingOut]
    verdict: VerdictOut


class ClipLine(BaseModel):
    """A clip in the list."""

    clip_id: UUID
    lift: LiftId
    load_kg: float
    filmed_on: date
    way: Way
    view: ClipView
    style: str
    back_deg: float | None
    reps: int
    overall: str
    fails: list[str]
    made_at: datetime


class ClipsAnswer(BaseModel):
    """Clips of a lifter, newest first, and what the simulated phone can film."""

    clips: list[ClipLine]
    faults: dict[str, list[FaultChoice]]
    filming: list[str]
    """How to film, in the order of what matters."""


class SharedClip(BaseModel):
    """A clip as its lifter sees it."""

    clip_id: UUID
    lift: LiftId
    view: ClipView
    load_kg: float
    filmed_on: date
    overall: str
    not_seen: list[str]
    fails: list[str]
    told: list[str]
    said: str
    """The coach's own words to the set."""
    lines: list[str]
    """The coach's own words to a phase."""
    cue: str
    bar_path: list[tuple[float, float]]
    """The bar's way, x and z in m; none from the front or from behind."""


class ClipRef(BaseModel):
    """A clip that was touched."""

    clip_id: UUID
