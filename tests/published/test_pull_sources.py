"""Published pulls against the model's directions and orders of size, each with its source."""

import numpy as np
import pytest

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.kinematics import DeadliftPosture
from pavrik.core.deadlift.lockout import lockout
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.lifter.lifter import default_lifter

LIFTER = default_lifter(make_body("male", 78, 1.72))
LOAD_KG = 200.0


def competitors(stance_m: float, toes_deg: float, grip_m: float, style: str) -> DeadliftSetup:
    return DeadliftSetup(style, stance_m, float(np.deg2rad(toes_deg)), grip_m, 0.03)


CONVENTIONAL = competitors(0.32, 14, 0.55, "conventional")
SUMO = competitors(0.70, 42, 0.47, "sumo")


def held(setup: DeadliftSetup) -> DeadliftPosture:
    return DEADLIFT.kinematics.case(LIFTER, [setup]).start()


def test_competitors_set_ups_sumo_is_more_upright_and_travels_less():
    """Escamilla et al. (2000) Med Sci Sports Exerc 32:1265, from memory: stance 32 against 70 cm,
    toes 14 against 42 deg, grip 55 against 47 cm; the trunk 5 to 10 deg more upright, distance
    and work 20 to 40 % lower. Here the size depends on the body: direction and order."""
    backs = [float(np.rad2deg(held(s).back_angle).item()) for s in (CONVENTIONAL, SUMO)]
    assert 3 < backs[1] - backs[0] < 22
    ends = [
        lockout(DEADLIFT.kinematics.case(LIFTER, [s]), held(s), LOAD_KG)
        for s in (CONVENTIONAL, SUMO)
    ]
    travel = 1 - ends[1].travel_m / ends[0].travel_m
    work = 1 - ends[1].work_j / ends[0].work_j
    assert 0.05 < travel < 0.40
    assert 0.05 < work < 0.40


def test_the_side_view_of_a_wide_pull_misleads():
    """Escamilla et al. (2000), from memory: arms in the side view of sumo differ widely from those
    in space."""
    wide, narrow = (held(s).at_load(LOAD_KG).moments for s in (SUMO, CONVENTIONAL))

    def hidden(moments) -> float:
        whole = np.hypot(moments.hip_sagittal, moments.hip_frontal)
        return float((1 - moments.hip_sagittal / whole).item())

    assert hidden(wide) > 0.05 > hidden(narrow)


def test_the_lower_back_has_about_a_tenth_less_to_hold_in_sumo():
    """Cholewicki, McGill & Norman (1991) Med Sci Sports Exerc 23:1179, from memory: the L4/L5
    moment is about 10 % lower in sumo. Direction, and between 3 and 30 %."""
    lumbar = [float(held(s).at_load(LOAD_KG).moments.lumbar.item()) for s in (CONVENTIONAL, SUMO)]
    assert 0.03 < 1 - lumbar[1] / lumbar[0] < 0.30


def test_a_hexagonal_bar_lifts_more_and_spares_the_lower_back():
    """Swinton et al. (2011) J Strength Cond Res 25:2000, from memory: the max is about 8 % above
    the straight bar's and the lumbar moment lower. Between 3 and 20 %."""
    found = {c.setup.style: c for c in fit_lift(DEADLIFT, LIFTER).leaders}
    trap = max(found["trap_low"].predicted_max_kg, found["trap_high"].predicted_max_kg)
    ratio = trap / found["conventional"].predicted_max_kg
    assert 1.03 <= ratio <= 1.20
    lumbar = [
        float(held(found[s].setup).at_load(LOAD_KG).moments.lumbar.item())
        for s in ("conventional", "trap_low")
    ]
    assert lumbar[1] < lumbar[0]


@pytest.mark.parametrize("low", [0.20, 0.225])
def test_a_deficit_closes_the_hip_further_than_the_floor(low):
    """Common practice, no source: lower is deeper."""
    from dataclasses import replace

    deficit = replace(CONVENTIONAL, bar_height_m=low - 0.05)
    floor = replace(CONVENTIONAL, bar_height_m=low)
    assert held(deficit).hip_flexion.item() > held(floor).hip_flexion.item()
