"""The slopes that the fit to a film goes by, held against small differences of what it fits."""

from dataclasses import replace

import numpy as np
import pytest
from scipy.optimize import approx_fprime

from pavrik.core.tracking.linkage import SideLinkage
from pavrik.core.tracking.linkage_solve import Problem, Seen

FRAMES = 7
ON_BACK = SideLinkage(
    ankle=(0.02, 0.20, 0.08), toe_out=0.4, hip_y_m=0.1, shank_m=0.42, thigh_m=0.43, trunk_m=0.5,
    arm_m=0.6, bar_on_trunk=(0.45, 0.03),
)  # fmt: skip
IN_HANDS = replace(ON_BACK, bar_on_trunk=None)
THIGH_TOWARD_CAMERA = replace(ON_BACK, hip_y_m=1.2)


def problem_and_unknowns(linkage):
    random = np.random.default_rng(4)
    places = random.normal(0, 0.3, (4, FRAMES, 2))
    places[0, 2], places[2, 3] = np.nan, np.nan
    problem = Problem(linkage, random.uniform(0.02, 0.05, FRAMES - 1), Seen(*places[[3, 0, 1, 2]]))
    angles = [random.uniform(*span, FRAMES) for span in ((0.1, 0.6), (-0.2, 0.6), (0.3, 1.0))]
    return problem, np.concatenate([*angles, random.normal(0, 0.5, 12)])


@pytest.mark.parametrize("linkage", [ON_BACK, IN_HANDS, THIGH_TOWARD_CAMERA])
def test_every_slope_is_that_of_the_residuals(linkage):
    problem, unknown = problem_and_unknowns(linkage)
    differences = approx_fprime(unknown, problem.residuals, 1e-7)
    told = problem.slopes(unknown).toarray()
    assert told == pytest.approx(differences, rel=1e-4, abs=1e-4)
    assert np.count_nonzero(told) > 200
