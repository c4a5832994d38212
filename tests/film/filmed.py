"""Made-up lifters on film, for tests: rendered, and the truth told the same way."""

from dataclasses import replace
from pathlib import Path

import numpy as np

from pavrik.core.tracking.findings import Finding, find
from pavrik.core.tracking.linkage_solve import Solved
from pavrik.core.tracking.measured import Measured
from pavrik.core.tracking.reps import reps_in
from pavrik.film.camera.motion import Motion
from pavrik.film.camera.shoot import Shot, film
from pavrik.services.watch.lifting import Lifting

QUICK = {
    "libx264": {"preset": "ultrafast"}, "libx265": {"preset": "ultrafast"},
    "libvpx": {"deadline": "realtime", "cpu-used": "-8", "threads": "1"},
    "libvpx-vp9": {"deadline": "realtime", "cpu-used": "8", "threads": "1"},
}  # fmt: skip
"""How other programs' films are written where only the reading of them counts."""


def rendered(taken: Shot, path: Path, of: Lifting) -> Path:
    """The film of a shot."""
    for _ in film(taken, path, of.linkage.carried == "back"):
        pass
    return path


def true_findings(of: Lifting, motion: Motion, like: Measured) -> dict[str, Finding]:
    """The same detectors over the motion itself."""
    points = {name: places[:, [0, 2]] for name, places in motion.points.items()}
    off = points["shoulder"] - points["hip"]
    still = np.zeros(len(motion.times_s))
    solved = Solved(
        still, still, np.arctan2(off[:, 0], off[:, 1]), points["knee"], points["hip"],
        points["shoulder"], 0.0,
    )  # fmt: skip
    true = replace(
        like, times_s=motion.times_s, bar=points["bar"], solved=solved, heel_rise_m=motion.heel_m
    )
    found = find(true, of.expected, reps_in(true))
    return {one.detector.id: one for one in found}
