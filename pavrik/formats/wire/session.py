"""Requests and answers of the platform: the session, the outbox, files of the log."""

from collections.abc import Sequence
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field, SkipValidation, TypeAdapter

from pavrik.core.competition_lifts import LiftId
from pavrik.core.prescription.reason import Reason
from pavrik.core.variations.catalogue import Unit
from pavrik.formats.dates_in import DateReader, Order
from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.library import BarAnswer
from pavrik.formats.wire.log import (
    Gear,
    PrescriptionAnswer,
    SetAnswer,
    SetRequest,
)


class QueuedSetRequest(Strict):
    """A set that a device logged, with the key under which it is written once."""

    kind: Literal["set"] = "set"
    key: UUID
    lifter_id: UUID
    set: SetRequest


class QueuedWithdrawalRequest(Strict):
    """A set that a device took back."""

    kind: Literal["withdrawal"]
    key: UUID
    set_id: UUID
    new_id: UUID


QueuedItem = QueuedSetRequest | QueuedWithdrawalRequest
QUEUED_ITEM: TypeAdapter[QueuedItem] = TypeAdapter(QueuedItem)


class OutboxRequest(Strict):
    """What a device queued, oldest first. Items are checked one by one, so that one that cannot be
    read does not hold up the others."""

    items: Annotated[list[SkipValidation[QueuedItem]], Field(min_length=1, max_length=100)]


class FateAnswer(BaseModel):
    """What became of one queued item; ``key`` as it was sent."""

    key: str
    fate: Literal["kept", "refused"]
    detail: str


class OutboxAnswer(BaseModel):
    """The fate of every item, in order."""

    fates: list[FateAnswer]


class CueAnswer(BaseModel):
    """A cue of the day; a school's own has no id."""

    id: str
    text: str
    on_trial: bool
    next_id: str = ""


class FrequentAnswer(BaseModel):
    """A fault as this lifter shows it."""

    fault_id: str
    phase: str
    count: int


class NextSetAnswer(PrescriptionAnswer):
    """The next set; ``prescribed`` false where it is only a proposal."""

    prescribed: bool
    variation: str


class PlannedLine(BaseModel):
    """One line of today's plan with how many of its sets are logged."""

    line_id: str
    variation: str
    kind: str
    title: str
    sets: int
    done: int
    reps: int
    rpe: float | None
    load_kg: float | None
    per_side: list[float]
    rest_s: int
    note: str
    reasons: list[Reason]
    until_rpe: float | None = None
    unit: Unit = "reps"


class PlatformLift(BaseModel):
    """One lift of one lifter on the platform."""

    lift: LiftId
    next: NextSetAnswer
    planned: list[PlannedLine]
    setup_words: list[str]
    hook_hole: int | None
    cues: list[CueAnswer]
    checks: list[str] = Field(default_factory=list)
    frequent: list[FrequentAnswer]
    cap_kg: float | None
    cap_words: str


class PlatformLifter(BaseModel):
    """Everything that logging one lifter needs."""

    lifter_id: UUID
    name: str
    pain: list[str]
    silenced: list[str]
    lifts: list[PlatformLift]
    gear: Gear
    recent: list[SetAnswer]
    other_work: list[str] = Field(default_factory=list)
    """Lines of today's plan that no lift of the model is, in words."""


class LoadingAnswer(BaseModel):
    """One total that the plates make."""

    total_kg: float
    per_side: list[float]


class GymLoadings(BaseModel):
    """Every load that the gym's bar can be given."""

    bar_kg: float
    collars_kg: float
    loadings: list[LoadingAnswer]


class PlatformAnswer(BaseModel):
    """A session, its lifters in the order of their turns."""

    lifters: list[PlatformLifter]
    gym: GymLoadings
    bars: list[BarAnswer]
    racks: list[str]
    variations: dict[LiftId, list[str]]


Line = tuple[int, str]
"""A line of a file, and what is said of it."""


class RowFate(BaseModel):
    """What becomes of one row of a file."""

    line: int
    fate: Literal["new", "already here", "bad"]
    words: str


class ImportAnswer(BaseModel):
    """A file read: counts and every row's fate."""

    kept: int
    new: int
    here: int
    bad: int
    rows: list[RowFate]
    dates: Order | Literal["ask"] | None = None
    """Whether the day or the month stands first in its dates, where that matters."""

    @classmethod
    def of(
        cls, new: Sequence[Line], here: Sequence[Line], bad: Sequence[Line], dates: DateReader
    ) -> "ImportAnswer":
        """Rows by their fate, each a line and its words; nothing is kept yet."""
        fates = [RowFate(line=line, fate="new", words=words) for line, words in new]
        fates += [RowFate(line=line, fate="already here", words=words) for line, words in here]
        fates += [RowFate(line=line, fate="bad", words=words) for line, words in bad]
        rows = sorted(fates, key=lambda fate: fate.line)
        return cls(kept=0, new=len(new), here=len(here), bad=len(bad), rows=rows, dates=dates.told)

    def kept_as_counts(self) -> "ImportAnswer":
        """All new rows kept; counts alone, no name that a deletion would miss."""
        return self.model_copy(update={"kept": self.new, "rows": []})
