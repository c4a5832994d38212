"""Pulls without a fault, slow and fast, are not accused of hips that rise before the plates; those
with it are."""

from collections import Counter

import numpy as np
import pytest

from pavrik.demo.made_up import BODIES, made_up, shot, told_of
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.seen import seen_clip
from pavrik.film.camera.shoot import Stand
from tests.sizes import tried

PACES_S = (1.8, 1.2, 0.9)


def states(size_m):
    found = Counter()
    for body in BODIES:
        of = made_up("deadlift", body)
        for seed in range(tried(6, 1)):
            faults = {"hips-shoot": size_m} if size_m else {}
            pace = Pace(reps=2, up_s=PACES_S[seed % len(PACES_S)])
            taken = shot(of, faults, stand=Stand(yaw=np.radians(2.0)), pace=pace)
            _, _, told = told_of(of, seen_clip(taken, seed))
            found[told["hips-before-plates"].state] += 1
    return found


@pytest.mark.parametrize(("size_m", "state"), [(0.0, "holds"), (0.04, "fails")])
def test_in_ninety_five_of_a_hundred(size_m, state):
    found = states(size_m)
    assert found[state] >= 0.95 * found.total(), found
    assert found["fails" if state == "holds" else "holds"] == 0, found
