"""Clips of single pictures by their taps alone: the film stays where it is."""

from operator import attrgetter
from typing import Any
from uuid import UUID

import numpy as np

from pavrik.core.tracking.clip import JOINTS, Clip
from pavrik.core.tracking.head_on import HeadOnClip
from pavrik.errors import InvalidError
from pavrik.formats.wire.watch import ClipRef
from pavrik.formats.wire.watch_requests import HeadOnPointsRequest, PointsRequest
from pavrik.services.context import Who
from pavrik.services.watch.clips import AnyClip, keep_once
from pavrik.services.watch.taps import head_on_taps_of, taps_of
from pavrik.store.database import Database
from pavrik.words import say

UNSEEN = (float("nan"), float("nan"))


def read_points(
    database: Database, who: Who, key: UUID, lifter_id: UUID,
    request: PointsRequest | HeadOnPointsRequest,
) -> ClipRef:  # fmt: skip
    """Taps of single pictures as they are. Raises NotFoundError, ForbiddenError, InvalidError."""
    asked = request.model_dump(mode="json")
    return keep_once(
        database, who, key, lifter_id, request, "points", lambda _: _clip_of(request), asked
    )


def _clip_of(request: PointsRequest | HeadOnPointsRequest) -> AnyClip:
    """The pictures in their order. Raises InvalidError for two of one time."""
    instants: list[Any] = sorted([*request.instants], key=attrgetter("time_s"))
    if len({one.time_s for one in instants}) < len(instants):
        raise InvalidError(say("watch.two_pictures_same_time"), "instants")
    times = np.array([one.time_s for one in instants])

    def over(name: str) -> Any:
        return np.array([getattr(one.taps, name, None) or UNSEEN for one in instants], float)

    if isinstance(request, PointsRequest):
        return Clip(
            times_s=times,
            width=request.width,
            height=request.height,
            bar=over("plate"),
            **{name: over(name) for name in JOINTS},
            taps=taps_of(instants[0].taps),
        )
    taps = [head_on_taps_of(one.taps) for one in instants]
    return HeadOnClip(
        view=request.view,
        times_s=times,
        width=request.width,
        height=request.height,
        plate_left=np.array([one.plate_left.middle for one in taps]),
        plate_right=np.array([one.plate_right.middle for one in taps]),
        knee_left=over("knee_left"),
        knee_right=over("knee_right"),
        belt=over("belt"),
        taps=taps[0],
    )
