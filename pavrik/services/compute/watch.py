"""The public computation ``pavrik watch``: without a database, from points to findings."""

from datetime import date
from uuid import UUID

import numpy as np

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.tracking.clip import JOINTS, Clip, Taps
from pavrik.core.units import Floats, radians
from pavrik.formats.model.setup_codec import from_wire
from pavrik.formats.wire.watch_compute import (
    DeadliftWatchRequest,
    SquatWatchRequest,
    TrackIn,
    WatchAnswer,
)
from pavrik.formats.wire.watch_requests import ClipFacts
from pavrik.services.setups.analysis import lifter_at_load
from pavrik.services.watch.lifting import lifting_from
from pavrik.services.watch.reading import Advice, Earlier, read_clip

_NOBODY = UUID(int=0)


def watch(request: SquatWatchRequest | DeadliftWatchRequest) -> WatchAnswer:
    """What a tracked film says. Raises InvalidError, ValueError."""
    lift = LIFTS[request.lift]
    lifting = lifting_from(lift, lifter_at_load(request), from_wire(request.setup), request.load_kg)
    facts = ClipFacts(
        clip_id=_NOBODY, lift=request.lift, load_kg=request.load_kg, filmed_on=date(2000, 1, 1),
        large_plates=request.large_plates,
    )  # fmt: skip
    reading = read_clip(
        facts, "points", _clip(request.track), lifting, Earlier({}, ()),
        Advice(shipped_catalogue()), _NOBODY,
    )  # fmt: skip
    return WatchAnswer(**{name: getattr(reading, name) for name in WatchAnswer.model_fields})


def _clip(track: TrackIn) -> Clip:
    frames = len(track.times_s)

    def places(name: str) -> Floats:
        given = getattr(track, name) or [None] * frames
        return np.array([at or (np.nan, np.nan) for at in given], dtype=float)

    return Clip(
        times_s=np.array(track.times_s),
        width=track.width,
        height=track.height,
        bar=places("bar"),
        **{name: places(name) for name in JOINTS},
        taps=Taps(**track.taps.model_dump()),
        tapped=track.tapped,
        roll=float(radians(track.tilt_deg)),
    )
