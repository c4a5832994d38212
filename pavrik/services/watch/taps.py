"""Taps as they come over the wire, as the core has them."""

from pavrik.core.tracking.clip import Taps
from pavrik.core.tracking.head_on import Edge, HeadOnTaps
from pavrik.formats.wire.watch_requests import HeadOnTapsIn, TapsIn


def taps_of(given: TapsIn) -> Taps:
    """From the side."""
    return Taps(**given.model_dump())


def head_on_taps_of(given: HeadOnTapsIn) -> HeadOnTaps:
    """From the front or from behind."""
    return HeadOnTaps(
        plate_left=Edge(given.plate_left.top, given.plate_left.bottom),
        plate_right=Edge(given.plate_right.top, given.plate_right.bottom),
        ankle_left=given.ankle_left,
        ankle_right=given.ankle_right,
        knee_left=given.knee_left,
        knee_right=given.knee_right,
        belt=given.belt,
    )
