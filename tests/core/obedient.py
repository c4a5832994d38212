"""Made-up lifters who obey plans from one Monday on."""

from collections.abc import Mapping

from pavrik.core.simulation.story import Story, drawn_story, exact_story
from tests.core.plans import MONDAY


def honest(max_kg: Mapping[str, float]) -> Story:
    """One who never changes and rates every set exactly."""
    return exact_story(max_kg, MONDAY)


def drawn(seed: int, max_kg: Mapping[str, float], gain_per_week: float = 0.0) -> Story:
    """One with a curve, a bias and days of his own."""
    return drawn_story(seed, max_kg, MONDAY, gain_per_week)
