"""Which set-up to take, judged by what a wrong choice costs.

Styles that are nearly the same set-up are one family and share their chance. Maxes are those of
drawn bodies, one row each: what is not known of this one lifter differs from row to row.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.units import Floats

DOES_NOT_MATTER = assume(
    "loss_that_does_not_matter", 0.01, "share of the max",
    "expected loss below which it does not matter which open set-up is taken",
)  # fmt: skip
CLEAR = assume(
    "loss_of_a_clear_choice", 0.005, "share of the max",
    "expected loss of the leader below which it is clear",
)  # fmt: skip
SURE = assume("chance_of_a_clear_choice", 0.70, "chance", "the leader's from which it is clear")
WORTH_READING = assume(
    "gain_worth_a_reading", 0.005, "share of the max",
    "expected gain of one more reading from which it is taken first",
)  # fmt: skip

VerdictKind = Literal[
    "none_open", "only_one", "undecided", "does_not_matter", "clear", "measure_first",
    "worth_a_trial",
]  # fmt: skip


@dataclass(frozen=True)
class Family:
    """Styles that are nearly one set-up. ``expected_loss_kg`` is what choosing it loses on average
    over the drawn bodies against what would have been best in each."""

    styles: tuple[str, ...]
    chance_best: float
    expected_loss_kg: float


@dataclass(frozen=True)
class Reading:
    """One reading of a body: its value in every drawn body, and the share of its doubt (variance)
    that taking it once more would explain."""

    values: Floats
    explained: float


@dataclass(frozen=True)
class Choice:
    """Families, the one that loses least first; ``none_clearly_best`` is what their chances leave
    over. ``next_reading`` gains most, ``gain_kg`` on average."""

    families: tuple[Family, ...]
    none_clearly_best: float
    best_kg: float
    next_reading: str
    gain_kg: float

    @property
    def kind(self) -> VerdictKind:
        """The verdict: what a wrong choice costs comes before who leads."""
        if len(self.families) == 1:
            return "only_one"
        leader = self.families[0]
        if max(f.expected_loss_kg for f in self.families) < DOES_NOT_MATTER * self.best_kg:
            return "does_not_matter"
        if leader.expected_loss_kg < CLEAR * self.best_kg or leader.chance_best >= SURE:
            return "clear"
        if self.gain_kg >= WORTH_READING * self.best_kg:
            return "measure_first"
        return "worth_a_trial"


def family_maxes_kg(
    maxes_kg: Floats, families: Sequence[str]
) -> tuple[Floats, list[tuple[int, ...]]]:
    """The best of each family in every body, shape (bodies, families), and the columns of each;
    ``families`` names the family of every column of ``maxes_kg`` (bodies, styles)."""
    members = [
        tuple(at for at, name in enumerate(families) if name == family)
        for family in dict.fromkeys(families)
    ]
    best = np.stack([maxes_kg[:, list(columns)].max(axis=1) for columns in members], axis=1)
    return best, members


def chances(maxes_kg: Floats, clear_lead: float) -> Floats:
    """Share of the bodies in which each column leads all others by ``clear_lead``."""
    count = maxes_kg.shape[1]
    rivals = [
        np.delete(maxes_kg, column, axis=1).max(axis=1, initial=0.0) for column in range(count)
    ]
    leads = (maxes_kg > 0) & (maxes_kg >= np.stack(rivals, axis=1) * (1.0 + clear_lead))
    return np.asarray(leads.mean(axis=0))


def expected_losses_kg(maxes_kg: Floats) -> Floats:
    """What each column loses on average against the best of its row."""
    return np.asarray((maxes_kg.max(axis=1, keepdims=True) - maxes_kg).mean(axis=0))


def reading_gain_kg(maxes_kg: Floats, reading: Reading) -> float:
    """What is gained on average by choosing after one more reading: every column's max is taken as
    a straight line in it (Strong et al. 2014, from memory: regression on the sampled input)."""
    away = reading.values - reading.values.mean()
    doubt = float(np.mean(away**2))
    if doubt <= 0 or maxes_kg.shape[1] < 2:
        return 0.0
    means = maxes_kg.mean(axis=0)
    slopes = (away[:, None] * (maxes_kg - means)).mean(axis=0) / doubt
    known = means + np.sqrt(reading.explained) * away[:, None] * slopes
    return float(known.max(axis=1).mean() - means.max())


def choose(
    maxes_kg: Floats, families: Sequence[str], styles: Sequence[str],
    readings: Mapping[str, Reading], clear_lead: float,
) -> Choice:  # fmt: skip
    """The choice between styles that compete; ``maxes_kg`` has shape (bodies, styles)."""
    best, members = family_maxes_kg(maxes_kg, families)
    chance, loss = chances(best, clear_lead), expected_losses_kg(best)
    order = sorted(range(len(members)), key=lambda at: (loss[at], -chance[at]))
    found = tuple(
        Family(tuple(styles[column] for column in members[at]), float(chance[at]), float(loss[at]))
        for at in order
    )
    gains = {name: reading_gain_kg(best, reading) for name, reading in readings.items()}
    worth = max(gains, key=lambda name: gains[name], default="")
    return Choice(
        families=found,
        none_clearly_best=float(max(0.0, 1.0 - chance.sum())),
        best_kg=float(best.mean(axis=0).max()),
        next_reading=worth,
        gain_kg=gains.get(worth, 0.0),
    )
