"""What the model says of a lifter whatever he logs: remembered in this process by the content of
his facts, so that a set logged makes none of it computed again."""

from collections.abc import Sequence
from functools import lru_cache, partial
from typing import Any

from pavrik.core.deadlift.start import StartReport, start_report
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.fitting.explorer import ExactSetup, exact_setup
from pavrik.core.prescription.analysis import LoadAll
from pavrik.core.squat.closed import closed_because
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.variations.catalogue import Variation
from pavrik.core.variations.loading import PLACES, Loading, Placed
from pavrik.services.lifters.model_inputs import LifterInputs
from pavrik.services.setups.fits import Content, content_key, model

MOST = 256
"""About as many lifters as train in a club, or a busy evening of several, in both lifts."""


@lru_cache(maxsize=MOST)
def _closed(of: Content, setup: SquatSetup) -> str:
    return closed_because(model(of)[0], setup)


def closed_to(inputs: LifterInputs, lift: str, setup: Any) -> str:
    """Why no squat is open to a lifter; empty where one is, and for the other lift."""
    return _closed(content_key(inputs), setup) if lift == SQUAT.id else ""


@lru_cache(maxsize=MOST)
def _placed(of: Content, lift: str, setup: Any, variations: tuple[Variation, ...]) -> Placed:
    return PLACES[lift](model(of)[0], setup, variations)


@lru_cache(maxsize=MOST)
def _loaded(
    of: Content, lift: str, setup: Any, variations: tuple[Variation, ...], max_kg: float,
    shares: tuple[float, ...],
) -> Sequence[Loading]:  # fmt: skip
    return _placed(of, lift, setup, variations).at(max_kg, shares)


def load_all_of(
    inputs: LifterInputs, lift: str, setup: Any, variations: list[Variation]
) -> LoadAll:
    """Computed variations of a lift as this lifter holds them, at any max: a set of one lift loads
    nothing of the other anew."""
    return partial(_loaded, content_key(inputs), lift, setup, tuple(variations))


@lru_cache(maxsize=MOST)
def _squat_at(of: Content, setup: SquatSetup, load_kg: float) -> ExactSetup[SquatSetup]:
    return exact_setup(SQUAT, model(of)[0], setup, load_kg)


def squat_at(inputs: LifterInputs, setup: SquatSetup, load_kg: float) -> ExactSetup[SquatSetup]:
    """A lifter's squat at a load."""
    return _squat_at(content_key(inputs), setup, load_kg)


@lru_cache(maxsize=MOST)
def _pull_at(of: Content, setup: DeadliftSetup, load_kg: float) -> StartReport:
    return start_report(model(of)[0], setup, load_kg)


def pull_at(inputs: LifterInputs, setup: DeadliftSetup, load_kg: float) -> StartReport:
    """A lifter's start of the pull at a load."""
    return _pull_at(content_key(inputs), setup, load_kg)
