"""What is not known of a lifter, as standard deviates: strengths, lengths, screens, and what the
model misses in each style. All start independent, with spread 1, round what is believed."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from pavrik.core.body.segments import SEGMENTS
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import ANGLE_SCREENS
from pavrik.core.strength.capacities import Capacities
from pavrik.core.strength.inverse import MUSCLES, PRIOR_COVARIANCE
from pavrik.core.units import Floats, radians

OFFSETS = ("hip_crease_m", "knee_top_m")
AXES = (1, 1, 1)
"""Set-up, shank and step: behind the lifters' own axis."""
LEAST_LENGTH = 0.3
"""Of the believed length: no drawn one is shorter."""
READINGS = (*SEGMENTS, *(screen.field for screen in ANGLE_SCREENS))
_STRENGTHS = slice(0, len(MUSCLES))
_READ = slice(len(MUSCLES), len(MUSCLES) + len(READINGS))
_STRENGTH_SPREAD = np.linalg.cholesky(PRIOR_COVARIANCE)
StyleOfLift = tuple[str, str]


def reading_errors(lifter: Lifter) -> dict[str, float]:
    """Error (sd) of every length (m) and screen (rad) as it is known now."""
    assumed, body = lifter.assumed, lifter.body
    errors = {}
    for name in SEGMENTS:
        length = float(getattr(body, name))
        guess = assumed.offset_error_m if name in OFFSETS else assumed.length_error * length
        taped = min(assumed.tape_error_m, 0.05 * length)
        errors[name] = taped if name in lifter.measured else guess
    for screen in ANGLE_SCREENS:
        taken = screen.field not in lifter.screens.assumed
        error = assumed.screen_error_deg if taken else assumed.screen_guess_deg
        errors[screen.field] = float(radians(error))
    return errors


@dataclass(frozen=True)
class Unknowns:
    """What is drawn of a lifter; ``round_`` are the strengths that draws lie round, ``styles`` the
    lifts' styles in which the model misses something."""

    lifter: Lifter
    round_: Capacities
    styles: tuple[StyleOfLift, ...]

    @property
    def count(self) -> int:
        """How many deviates one drawn lifter has."""
        return len(MUSCLES) + len(READINGS) + len(self.styles)

    def strengths(self, deviates: Floats) -> Capacities:
        """Of drawn lifters, laid out along a leading axis."""
        factors = np.exp(deviates[:, _STRENGTHS] @ _STRENGTH_SPREAD.T)
        return replace(
            self.round_,
            **{
                name: getattr(self.round_, name) * factor.reshape(-1, *AXES)
                for name, factor in zip(MUSCLES, factors.T, strict=True)
            },
        )

    def readings(self, deviates: Floats) -> dict[str, Floats]:
        """Lengths (m) and screens (rad) of drawn lifters, each of shape (lifters,)."""
        body, screens, errors = self.lifter.body, self.lifter.screens, reading_errors(self.lifter)
        drawn: dict[str, Floats] = {}
        for name, by in zip(READINGS, deviates[:, _READ].T, strict=True):
            taped = name in SEGMENTS
            believed = float(getattr(body if taped else screens, name))
            least = LEAST_LENGTH * believed if taped else 0.0
            drawn[name] = np.maximum(believed + errors[name] * by, least)
        return drawn

    def lifters(self, deviates: Floats) -> Lifter:
        """Drawn lifters as one, their fields laid out along a leading axis."""
        read = self.readings(deviates)
        lengths: dict[str, Any] = {name: read[name] for name in SEGMENTS}
        limits = {screen.field: read[screen.field].reshape(-1, *AXES) for screen in ANGLE_SCREENS}
        return replace(
            self.lifter,
            body=replace(self.lifter.body, **lengths).reshaped(len(deviates), *AXES),
            screens=self.lifter.screens.with_limits(**limits),
            capacities=self.strengths(deviates),
        )

    def missed(self, deviates: Floats, styles: Sequence[StyleOfLift]) -> Floats:
        """Factors that the model misses in styles, shape (lifters, styles)."""
        places = [_READ.stop + self.styles.index(style) for style in styles]
        return np.asarray(np.exp(self.lifter.assumed.style_error * deviates[:, places]))

    def away(self, capacities: Capacities) -> Floats:
        """Where strengths lie from those that draws lie round, as one row of deviates."""
        away = np.zeros(self.count)
        ratios = [
            np.log(float(getattr(capacities, name)) / float(getattr(self.round_, name)))
            for name in MUSCLES
        ]
        away[_STRENGTHS] = np.linalg.solve(_STRENGTH_SPREAD, ratios)
        return away
