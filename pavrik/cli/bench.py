"""``pavrik bench``: the core's speed, as ratios within one run."""

import time
import tracemalloc
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime

import numpy as np
from scipy.optimize import brentq, minimize_scalar

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.start import start_report
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.equipment.plates import PlatePair, load_bar
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.explorer import exact_setup
from pavrik.core.fitting.fault_cost import fault_costs
from pavrik.core.fitting.fit import fit as fit_lift
from pavrik.core.fitting.known_bests import KnownBest, strengths_from
from pavrik.core.fitting.report import pose_report
from pavrik.core.fitting.sampling import Ask
from pavrik.core.fitting.sensitivity import sensitivity
from pavrik.core.lifter.lifter import Lifter, default_lifter
from pavrik.core.lifts.case import DEEPEST
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.plan_pdf import write_plan_pdf
from pavrik.formats.plan_request import PublicPlanRequest
from pavrik.services.compute import plan

POSES = 20_000
LOOP = 200
SAMPLES = 256
_HINGE, _BALL = '<joint axis="0 1 0"/>', '<joint type="ball"/>'
_JOINTS = ("<freejoint/>", _HINGE, _HINGE, *[_BALL] * 6, "", "", "")
_START = usual_setup("conventional")
_SETUP = SquatSetup("low", 0.42, 0.35)


def _seconds(action: Callable[[], object], repeats: int = 3) -> float:
    best = float("inf")
    for _ in range(repeats):
        started = time.perf_counter()
        action()
        best = min(best, time.perf_counter() - started)
    return best


def _many_poses(lifter: Lifter) -> None:
    case = SQUAT.kinematics.case(lifter, [_SETUP])
    stances = np.linspace(0.3, 0.5, POSES).reshape(-1, 1, 1)
    replace(case, stance_m=stances).posture(np.full((1, 1, 1), 0.45), DEEPEST).at_load(150.0)


def _mujoco_loop_rate() -> float | None:
    """Inverse dynamics per second of a MuJoCo model with a lifter's count of bodies and joints;
    None where MuJoCo is not installed."""
    try:
        import mujoco  # type: ignore[import-untyped]
    except ImportError:
        return None
    links = '<geom type="capsule" size=".05" fromto="0 0 0 0 0 .4" mass="5"/>'
    xml = "<mujoco><worldbody>" + "".join(
        f'<body pos="0 0 {0.4 if i else 0}">{joint}{links}' for i, joint in enumerate(_JOINTS)
    )
    model = mujoco.MjModel.from_xml_string(xml + "</body>" * len(_JOINTS) + "</worldbody></mujoco>")
    data = mujoco.MjData(model)

    def loop() -> None:
        for step in range(LOOP * 10):
            data.qpos[0] = step * 1e-6
            mujoco.mj_inverse(model, data)

    return LOOP * 10 / _seconds(loop)


def run_bench() -> None:
    """Print poses per second against two loops, and the time of a fit and its parts."""
    lifter = default_lifter(make_body("male", 83, 1.75))
    rate = POSES / _seconds(lambda: _many_poses(lifter), 20)
    one_by_one = LOOP / _seconds(
        lambda: [pose_report(SQUAT, lifter, _SETUP, 150.0, 0.45) for _ in range(LOOP)]
    )
    print(f"poses per second, vectorised          {rate:12,.0f}")
    print(f"  against our own loop, one by one    {rate / one_by_one:12.1f} times")
    mujoco_rate = _mujoco_loop_rate()
    if mujoco_rate:
        print(f"  against a MuJoCo loop in Python     {rate / mujoco_rate:12.1f} times")
    grid = SetupGrid(SQUAT, chosen={"stance_m": tuple(0.32 + 0.04 * i for i in range(9))})
    fit = _seconds(lambda: fit_lift(SQUAT, lifter, grid))
    sure = _seconds(lambda: fit_lift(SQUAT, lifter, grid, Ask(SAMPLES)), 1) - fit
    known = [
        KnownBest(SQUAT, _SETUP, 180.0),
        KnownBest(SQUAT, replace(_SETUP, bar_position="front"), 150.0),
    ]
    print(f"whole squat fit, 4 x 9 x 5 x 3        {fit * 1e3:12.0f} ms")
    peak = _peak_mb(lambda: fit_lift(SQUAT, lifter, grid))
    print(f"  peak memory of the fit              {peak:12.0f} MB")
    one = _seconds(lambda: _scipy_fit(lifter, _SETUP), 1)
    ratio = one * len(grid.setups()) / fit
    print(f"  against a scipy.optimize loop       {ratio:12.1f} times")
    print(f"bands and chances, {SAMPLES} bodies         {sure * 1e3:12.0f} ms")
    print(f"strengths from two lifts              {_ms(lambda: strengths_from(lifter, known))} ms")
    print(f"one exact set-up while dragging, p95  {_drag_ms(lifter):12.1f} ms")
    leaders = [c.setup for c in fit_lift(SQUAT, lifter, grid).leaders]
    decides = _ms(lambda: sensitivity(SQUAT, lifter, leaders))
    print(f"what decides between the leaders      {decides} ms")
    prices = _ms(lambda: fault_costs(SQUAT, lifter, _SETUP, 140))
    print(f"costs of all faults                   {prices} ms")
    _bench_deadlift(lifter)
    _bench_plan()


PLAN = {
    "start": "2026-11-30", "weeks": 12, "weekdays": [0, 1, 3, 4],
    "body": {"sex": "male", "mass_kg": 83, "stature_m": 1.75},
    "gym": {"plates": [{"kg": kg, "pairs": 4} for kg in (25, 20, 15, 10, 5, 2.5, 1.25, 0.5)]},
    **{
        lift: {"sets": [
            {"day": f"2026-{month:02d}-{day:02d}", "load_kg": load + day / 4, "reps": 5, "rpe": 8}
            for month in (9, 10, 11) for day in range(1, 29, 3)
        ]}
        for lift, load in (("squat", 140), ("deadlift", 170))
    },
}  # fmt: skip


def _bench_plan() -> None:
    request = PublicPlanRequest.model_validate(PLAN)
    made = plan.plan(request).plan
    whole = _seconds(lambda: plan.plan(request))
    stock = tuple(PlatePair(p.kg, p.pairs) for p in request.gym.plates)
    targets = np.arange(20.0, 400.0, 0.25)
    plates = _seconds(lambda: [load_bar(float(t), 20, 0, stock) for t in targets]) / len(targets)
    printed = _seconds(lambda: write_plan_pdf(made, "Bench", "Bench", datetime.now(UTC)))
    print(f"plan of 12 weeks, 4 days a week       {whole * 1e3:12.0f} ms")
    print(f"  in plates for one target            {whole / plates:12.0f} times")
    print(f"plates for one target                 {plates * 1e6:12.0f} us")
    print(f"the plan as PDF                       {printed * 1e3:12.0f} ms")


def _bench_deadlift(lifter: Lifter) -> None:
    pull = _seconds(lambda: fit_lift(DEADLIFT, lifter))
    sure = _seconds(lambda: fit_lift(DEADLIFT, lifter, ask=Ask(SAMPLES)), 1) - pull
    starts = len(SetupGrid(DEADLIFT).setups())
    each = LOOP / _seconds(lambda: [assess(DEADLIFT, lifter, [_START]) for _ in range(LOOP)], 1)
    print(f"whole deadlift fit, {starts} starts       {pull * 1e3:12.0f} ms")
    print(f"  against the same, start by start    {starts / each / pull:12.1f} times")
    print(f"  bands and chances, {SAMPLES} bodies       {sure * 1e3:12.0f} ms")
    in_full = _ms(lambda: start_report(lifter, _START, 150))
    print(f"one start in full while dragging      {in_full} ms")


def _scipy_fit(lifter: Lifter, setup: SquatSetup) -> float:
    """One set-up the slow way: bounded search of the shank, root search of the load at each."""
    case = SQUAT.kinematics.case(lifter, [setup])

    def max_at(shank: float) -> float:
        posture = case.posture(np.full((1, 1, 1), shank), SQUAT.judged)
        full = brentq(
            lambda kg: float(np.max(posture.at_load(kg).utilization.most)) - 1.0, 0.0, 800.0
        )
        return -float(full)

    return -float(minimize_scalar(max_at, bounds=(0.1, 0.6), method="bounded").fun)


def _peak_mb(action: Callable[[], object]) -> float:
    tracemalloc.start()
    action()
    peak = tracemalloc.get_traced_memory()[1]
    tracemalloc.stop()
    return peak / 1e6


def _drag_ms(lifter: Lifter) -> float:
    """What the server does per rest of the hand while dragging, 95th percentile in ms."""
    times = []
    for step in range(60):
        moved = replace(_SETUP, stance_m=0.30 + 0.004 * step)
        started = time.perf_counter()
        exact_setup(SQUAT, lifter, moved, 150.0)
        times.append(time.perf_counter() - started)
    return float(np.percentile(times, 95)) * 1e3


def _ms(action: Callable[[], object]) -> str:
    return f"{_seconds(action) * 1e3:12.1f}"
