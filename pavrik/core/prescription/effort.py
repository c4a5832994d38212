"""How hard a load is: its RPE, how long one rests after it, in numbers and in words."""

from pavrik.core.strength.estimated_max import load_for

LEAST_RPE = 5.0
"""What is as easy or easier is not told as an RPE."""


def rpe_at(share: float, reps: int) -> float:
    """RPE of a share of the max, to the nearest half point; 5 is the least."""
    halves = [half / 2 for half in range(int(2 * LEAST_RPE), 21)]
    return min(halves, key=lambda rpe: abs(load_for(1.0, reps, rpe) - share))


def rest_after_s(reps: int, rpe: float | None) -> int:
    """Rest between sets in s. Common practice, no source."""
    if rpe is None:
        return 90
    if rpe >= 7.5 and reps <= 3:
        return 240
    return 180 if rpe >= 7 else 120


def amount_words(amount: int, unit: str) -> str:
    """What one set is: reps, or seconds and metres with their unit."""
    return str(amount) if unit == "reps" else f"{amount} {unit}"


def effort_words(rpe: float | None) -> str:
    """Behind a load: its RPE, or "easy" where it is too light to be rated."""
    if rpe is None:
        return ""
    return f" @ {rpe:g}" if rpe > LEAST_RPE else ", easy"
