"""The model's public computations, as on the command line; no club takes more than its turn."""

from collections import defaultdict, deque
from collections.abc import Iterator
from threading import Lock
from time import monotonic
from uuid import UUID

from fastapi import APIRouter, Depends, Request

from pavrik.api.security import WhoIn
from pavrik.errors import TooManyAttemptsError
from pavrik.formats.model.answers import FitAnswer, PlatesAnswer, PoseAnswer
from pavrik.formats.model.computations import (
    AnyCostRequest,
    AnyFitRequest,
    AtLoadRequest,
    PoseRequest,
)
from pavrik.formats.model.deadlift_answers import DeadliftFitAnswer, StartAnswer
from pavrik.formats.model.lift_answers import CostAnswer, PathAnswer
from pavrik.formats.model.picture import (
    LengthsAnswer,
    LengthsRequest,
    PictureAnswer,
    PictureRequest,
)
from pavrik.formats.model.requests import PlatesRequest
from pavrik.formats.plan_request import PublicPlanAnswer, PublicPlanRequest
from pavrik.formats.wire.shapes import StoryAnswer, StoryRequest
from pavrik.formats.wire.watch_compute import WatchAnswer, WatchRequest
from pavrik.services.compute import by_lift, model, picture, plan, watch
from pavrik.services.plans import shapes
from pavrik.services.setups import analysis
from pavrik.words import say

AT_ONCE, A_MINUTE = 2, 120
MINUTE_S = 60.0


class Quota:
    """Computations of every club: so many at once, so many in a minute, of one worker."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._running: dict[UUID, int] = defaultdict(int)
        self._begun: dict[UUID, deque[float]] = defaultdict(deque)

    def begin(self, club_id: UUID, now_s: float) -> None:
        """Raises TooManyAttemptsError where the club has had its turn."""
        with self._lock:
            begun = self._begun[club_id]
            while begun and begun[0] <= now_s - MINUTE_S:
                begun.popleft()
            if self._running[club_id] >= AT_ONCE:
                raise TooManyAttemptsError(
                    say("api.computations_your_club_their", at_once=AT_ONCE), 1
                )
            if len(begun) >= A_MINUTE:
                wait_s = int(begun[0] + MINUTE_S - now_s) + 1
                raise TooManyAttemptsError(
                    say("api.club_computations_minute_wait", a_minute=A_MINUTE, wait_s=wait_s),
                    wait_s,
                )
            begun.append(now_s)
            self._running[club_id] += 1

    def end(self, club_id: UUID) -> None:
        """One has ended."""
        with self._lock:
            self._running[club_id] -= 1


def take_turn(request: Request, who: WhoIn) -> Iterator[None]:
    """A computation's turn, given back when it ends, however it ends."""
    quota: Quota = request.app.state.quota
    quota.begin(who.club_id, monotonic())
    try:
        yield
    finally:
        quota.end(who.club_id)


router = APIRouter(prefix="/api/compute", tags=["library"], dependencies=[Depends(take_turn)])


@router.post("/pose")
def compute_pose(body: PoseRequest) -> PoseAnswer:
    """The ``pavrik pose`` computation."""
    return model.pose(body)


@router.post("/fit")
def compute_fit(body: AnyFitRequest) -> FitAnswer | DeadliftFitAnswer:
    """The ``pavrik fit`` computation."""
    return by_lift.fit(body)


@router.post("/path")
def compute_path(body: AtLoadRequest) -> PathAnswer | StartAnswer:
    """The ``pavrik path`` computation."""
    return by_lift.path(body)


@router.post("/cost")
def compute_cost(body: AnyCostRequest) -> CostAnswer:
    """The ``pavrik cost`` computation."""
    return analysis.cost(body)


@router.post("/plan")
def compute_plan(body: PublicPlanRequest) -> PublicPlanAnswer:
    """The ``pavrik plan`` computation."""
    return plan.plan(body)


@router.post("/story")
def compute_story(body: StoryRequest) -> StoryAnswer:
    """The ``pavrik story`` computation."""
    return shapes.story(body)


@router.post("/picture")
def compute_picture(body: PictureRequest) -> PictureAnswer:
    """The ``pavrik picture`` computation."""
    return picture.picture(body)


@router.post("/lengths")
def compute_lengths(body: LengthsRequest) -> LengthsAnswer:
    """The ``pavrik lengths`` computation."""
    return picture.lengths(body)


@router.post("/watch")
def compute_watch(body: WatchRequest) -> WatchAnswer:
    """The ``pavrik watch`` computation."""
    return watch.watch(body)


@router.post("/plates")
def compute_plates(body: PlatesRequest) -> PlatesAnswer:
    """The ``pavrik plates`` computation."""
    return model.plates(body)
