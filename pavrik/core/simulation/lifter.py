"""One lift of a made-up lifter: a true max nobody sees, what he can do on a day, what he says.

He shares no formula with the estimator: his own curve of reps against load, a bias of his own in
rating effort. Same generator, same lifter.
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import assume

SHARE_PER_REP = assume(
    "simulated_share_per_rep", 0.0333, "log per rep", "how fast a made-up lifter tires within a set"
)
CURVE_SD = assume("simulated_curve_sd", 0.15, "log", "how much that differs from lifter to lifter")
RPE_BIAS_SD = assume("simulated_rpe_bias_sd", 0.5, "RPE", "bias of a made-up lifter's ratings")
RPE_NOISE_SD = assume("simulated_rpe_noise_sd", 0.4, "RPE", "scatter of his ratings")
DAY_SD = assume("simulated_day_sd", 0.015, "log", "how much his days differ")
LEAST_RPE = 4.0
"""Easier than this is told as this."""


@dataclass(frozen=True)
class Effort:
    """What came of a set: reps made and missed, and the RPE that was said."""

    made: int
    missed: int
    rpe: float


@dataclass(frozen=True)
class SimulatedLifter:
    """``max_kg`` on day 0, growing by ``gain_per_week`` (share); ``share_per_rep`` is the log of
    load lost per rep to failure; biases and scatters in RPE and log load."""

    max_kg: float
    share_per_rep: float = SHARE_PER_REP
    gain_per_week: float = 0.0
    rpe_bias: float = 0.0
    rpe_noise: float = 0.0
    day_sd: float = 0.0

    def true_max_kg(self, day: int) -> float:
        """The max on a day, whatever the form."""
        return float(self.max_kg * (1 + self.gain_per_week) ** (day / 7))

    def form(self, random: np.random.Generator) -> float:
        """A day's form, as a factor of the max."""
        return float(np.exp(self.day_sd * random.standard_normal()))

    def reps_to_failure(self, load_kg: float, max_kg: float) -> float:
        """How many reps a load allows; below 1 it cannot be lifted."""
        return float(1 - np.log(load_kg / max_kg) / self.share_per_rep)

    def do(
        self, load_kg: float, reps: int, day: int, form: float, random: np.random.Generator
    ) -> Effort:
        """One set on a day of a given form; the RPE to the half point."""
        could = self.reps_to_failure(load_kg, self.true_max_kg(day) * form)
        made = min(reps, int(np.floor(could + 1e-9))) if could >= 1 else 0
        if made < reps:
            return Effort(made, 1, 10.0)
        felt = 10 - (could - reps) + self.rpe_bias + self.rpe_noise * random.standard_normal()
        return Effort(made, 0, float(np.clip(np.round(2 * felt) / 2, LEAST_RPE, 10.0)))


def draw_lifter(
    max_kg: float, random: np.random.Generator, gain_per_week: float = 0.0
) -> SimulatedLifter:
    """A lifter with a curve, a bias and scatters of his own."""
    return SimulatedLifter(
        max_kg,
        share_per_rep=SHARE_PER_REP * float(np.exp(CURVE_SD * random.standard_normal())),
        gain_per_week=gain_per_week,
        rpe_bias=RPE_BIAS_SD * float(random.standard_normal()),
        rpe_noise=RPE_NOISE_SD,
        day_sd=DAY_SD,
    )
