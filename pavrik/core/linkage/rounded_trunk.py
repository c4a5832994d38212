"""A trunk that is rounded above the lower back: a straight piece and an arc.

Lean is told of the line from hip to shoulder, however round; a trunk that is not round is that line
itself. (A single bend at mid-back would push it twice as far out of the line as a spine does.)
"""

from dataclasses import dataclass

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Body, Number
from pavrik.core.units import Floats


def _arc(length_m: Number, turn: Number) -> tuple[Floats, Floats]:
    """End of an arc that turns by rad, in m along and across the direction that it starts in."""
    chord = np.asarray(length_m) * np.sinc(np.asarray(turn) / (2 * np.pi))
    return chord * np.cos(turn / 2), chord * np.sin(turn / 2)


@dataclass(frozen=True)
class RoundedTrunk:
    """``length_m`` along the spine; ``straight_m`` of it from the hip is straight, the rest turns
    forward by ``turn`` (rad)."""

    length_m: Number
    straight_m: Number
    turn: Number

    def _shoulder(self) -> tuple[Floats, Floats]:
        along, across = _arc(np.asarray(self.length_m) - self.straight_m, self.turn)
        return self.straight_m + along, across

    @property
    def chord_m(self) -> Floats:
        """Straight from hip to shoulder, in m."""
        return np.hypot(*self._shoulder())

    @property
    def pelvis_turn(self) -> Floats:
        """How far (rad) the straight piece is more upright than the line from hip to shoulder."""
        along, across = self._shoulder()
        return np.arctan2(across, along)

    def at(self, along_m: Number, lean: Floats) -> tuple[Floats, Floats]:
        """x and z in m, from the hip, of a place along the spine or, beyond it, of the head."""
        straight = np.minimum(along_m, self.straight_m)
        round_m = np.clip(along_m, self.straight_m, self.length_m) - self.straight_m
        turned = self.turn * round_m / (np.asarray(self.length_m) - self.straight_m)
        beyond = np.maximum(along_m - np.asarray(self.length_m), 0.0)
        along, across = _arc(round_m, turned)
        along = straight + along + beyond * np.cos(self.turn)
        across = across + beyond * np.sin(self.turn)
        pelvis = lean - self.pelvis_turn
        return (
            along * np.sin(pelvis) + across * np.cos(pelvis),
            along * np.cos(pelvis) - across * np.sin(pelvis),
        )


def trunk_of(body: Body, turn: Number, assumed: Assumptions) -> RoundedTrunk:
    """A body's trunk, rounded above L5/S1 by rad."""
    return RoundedTrunk(body.trunk_m, assumed.lumbar_cut * np.asarray(body.trunk_m), turn)
