"""The way that was computed for this lifter at this load, to be asked by the height of the bar."""

from dataclasses import dataclass

import numpy as np

from pavrik.core.lifts.drawn import Drawn
from pavrik.core.units import Floats, Indices


@dataclass(frozen=True)
class Expected:
    """A computed way in the order of the bar's height: ``progress`` 0 standing, 1 deepest; angles
    in degrees. The rows of the film are compared with it at equal height above the lowest point."""

    height_m: Floats
    progress: Floats
    path: Drawn

    def at_height(self, height_m: Floats | float, values: Floats) -> Floats:
        """A column of the way (in its own order) at heights of the bar, held at both ends."""
        return np.asarray(np.interp(height_m, self.height_m, values[self._order]))

    @property
    def _order(self) -> Indices:
        return np.argsort(self.path.points["bar"][2])

    def point(self, name: str, axis: int, height_m: Floats | float) -> Floats:
        """x (0) or z (2) of a joint at heights of the bar, in m."""
        return self.at_height(height_m, self.path.points[name][axis])

    def angle_deg(self, name: str, height_m: Floats | float) -> Floats:
        """An angle at heights of the bar."""
        return self.at_height(height_m, self.path.angles_deg[name])

    def height_at(self, progress: float) -> float:
        """The bar's height at a progress of the way."""
        order = np.argsort(self.progress)
        heights = self.path.points["bar"][2]
        return float(np.interp(progress, self.progress[order], heights[order]))


def expected_way(progress: Floats, path: Drawn) -> Expected:
    """A computed way ready to be asked."""
    return Expected(np.sort(path.points["bar"][2]), np.asarray(progress), path)
