"""Bands and directions of one body; those of a population, which the constants are calibrated on,
stand in tests/population: a single body strays from its medians by some per cent.

Default body: a man of 1.75 m and 83 kg, stance 0.42 m, toes 20 deg, flat.
Common practice, no source, except where a check names one.
"""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.body.segments import Body, make_body
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.explorer import exact_setup
from pavrik.core.fitting.report import pose_report
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.lifter.mobility import BarPosition, make_screens
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from tests.core.bodies import DEFAULT_MAN

TOES = float(np.deg2rad(20.0))


def best(position: BarPosition, body: Body = DEFAULT_MAN, **setup: float) -> Candidate:
    given = SquatSetup(position, **({"stance_m": 0.42, "toe_out": TOES} | setup))
    candidates, rejected = assess(SQUAT, default_lifter(body), [given])
    assert candidates, rejected[0].reasons
    return candidates[0]


def lean_at(shank_deg: float, body: Body) -> float:
    pose = pose_report(
        SQUAT,
        default_lifter(body),
        SquatSetup("low", 0.42, TOES),
        150,
        float(np.deg2rad(shank_deg)),
    )
    return pose.angles["trunk_lean_deg"]


LONG_THIGH = make_body("male", 83, 1.75, {"thigh_m": 0.45375, "trunk_m": 0.479})
SHORT_THIGH = make_body("male", 83, 1.75, {"thigh_m": 0.40375, "trunk_m": 0.529})


def test_front_and_high_bar_against_low_bar():
    low = best("low").predicted_max_kg
    assert 0.76 <= best("front").predicted_max_kg / low <= 0.93
    assert 0.90 <= best("high").predicted_max_kg / low <= 1.00


@pytest.mark.parametrize(
    ("position", "least", "most"), [("low", 50, 62), ("high", 40, 48), ("front", 18, 30)]
)
def test_leans(position, least, most):
    assert least <= np.rad2deg(best(position).lean) <= most


def test_high_bar_back_is_about_parallel_to_the_shin():
    """Within 26 deg; low bar is clearly further off and front clearly nearer."""
    apart = {p: np.rad2deg(best(p).lean - best(p).shank) for p in ("low", "high", "front")}
    assert apart["front"] < apart["high"] < apart["low"]
    assert apart["high"] <= 26


def test_a_longer_thigh_leans_more_at_the_same_shank():
    assert lean_at(25, LONG_THIGH) > lean_at(25, DEFAULT_MAN) > lean_at(25, SHORT_THIGH)


def test_a_longer_thigh_lowers_the_max_and_widens_low_over_high():
    ratio = {}
    for name, body in (("long", LONG_THIGH), ("default", DEFAULT_MAN), ("short", SHORT_THIGH)):
        ratio[name] = best("low", body).predicted_max_kg / best("high", body).predicted_max_kg
    assert best("low", LONG_THIGH).predicted_max_kg < best("low").predicted_max_kg
    assert ratio["long"] > ratio["default"] > ratio["short"]
    assert 0.98 <= ratio["short"] <= 1.06


@pytest.mark.parametrize("position", ["low", "high", "front"])
def test_a_centimetre_of_depth_costs_up_to_two_percent(position):
    shallow = best(position, hip_above_knee_m=-0.031).predicted_max_kg
    deep = best(position, hip_above_knee_m=-0.041).predicted_max_kg
    assert 0.004 <= 1 - deep / shallow <= 0.02


def test_a_heel_helps_the_stiff_and_hardly_moves_the_rest():
    setups = [SquatSetup("front", 0.42, TOES, heel) for heel in (0.0, 0.02)]
    flat, raised = assess(SQUAT, default_lifter(DEFAULT_MAN), setups)[0]
    assert raised.predicted_max_kg / flat.predicted_max_kg == pytest.approx(1.0, abs=0.03)
    stiff = default_lifter(DEFAULT_MAN, screens=make_screens(ankle_dorsiflexion_deg=25))
    helped, rejected = assess(SQUAT, stiff, setups)
    assert [c.setup.heel_lift_m for c in helped] in ([0.02], [0.0, 0.02])
    if not rejected:
        assert helped[1].predicted_max_kg > 1.03 * helped[0].predicted_max_kg


def test_leg_moments_do_not_depend_on_the_bar_position():
    """In the system school: same floor force, same knee, same hip."""
    lifter = default_lifter(DEFAULT_MAN)
    poses = [
        pose_report(SQUAT, lifter, SquatSetup(p, 0.42, TOES), 150, 0.4) for p in ("front", "low")
    ]
    for name in ("ankle", "knee", "hip_sagittal", "hip_frontal"):
        assert poses[0].moments_nm[name] == pytest.approx(poses[1].moments_nm[name], abs=1e-9)


def test_a_wider_stance_shortens_the_sum_of_arms_seen_from_the_side():
    lifter = default_lifter(DEFAULT_MAN)
    sums = []
    for stance in (0.30, 0.42, 0.54, 0.66):
        pose = pose_report(
            SQUAT, lifter, SquatSetup("low", stance, float(np.deg2rad(30))), 150, 0.4
        )
        sums.append(pose.arms_m["hip"] + pose.arms_m["knee"])
    assert sums == sorted(sums, reverse=True)


def test_knees_held_back_trade_knee_for_hip():
    """Fry et al. (2003), from memory: knees stopped at the toes cut knee torque by about a fifth
    and multiply hip torque. Here: the shank 8 deg steeper, high bar."""
    lifter = default_lifter(DEFAULT_MAN)
    free, held = (
        pose_report(SQUAT, lifter, SquatSetup("high", 0.42, TOES), 80, float(np.deg2rad(a)))
        for a in (34, 26)
    )
    assert 0.7 <= held.moments_nm["knee"] / free.moments_nm["knee"] <= 0.9
    assert held.moments_nm["hip_sagittal"] > free.moments_nm["hip_sagittal"]


def test_light_bars_run_forward_and_heavy_ones_nearly_plumb():
    """Common practice; about 11 cm at 30 kg and 2 cm at 300 kg for the default body."""
    lifter = default_lifter(DEFAULT_MAN)
    ranges = []
    for load in (30.0, 60.0, 120.0, 200.0, 300.0):
        x = exact_setup(SQUAT, lifter, SquatSetup("low", 0.42, TOES), load).path.points["bar"][0]
        ranges.append(float(x.max() - x.min()))
    assert ranges == sorted(ranges, reverse=True)
    assert ranges[-1] < ranges[0] / 3
    assert ranges[0] == pytest.approx(0.11, abs=0.04)


def test_a_light_bar_leans_more_at_the_same_shank():
    lifter = default_lifter(DEFAULT_MAN)
    leans = [
        pose_report(SQUAT, lifter, SquatSetup("low", 0.42, TOES), load, 0.35).angles[
            "trunk_lean_deg"
        ]
        for load in (20, 80, 160, 240)
    ]
    assert leans == sorted(leans, reverse=True)


def test_stronger_legs_never_lower_the_max():
    lifter = default_lifter(DEFAULT_MAN)
    stronger = replace(
        lifter,
        capacities=replace(
            lifter.capacities, knee_extensors=lifter.capacities.knee_extensors * 1.2
        ),
    )
    setup = [SquatSetup("high", 0.42, TOES)]
    weaker_max = assess(SQUAT, lifter, setup)[0][0].predicted_max_kg
    assert assess(SQUAT, stronger, setup)[0][0].predicted_max_kg > weaker_max
