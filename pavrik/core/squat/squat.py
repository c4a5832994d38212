"""The squat as a lift."""

from collections.abc import Mapping, Sequence
from dataclasses import replace

import numpy as np

from pavrik.core.assumptions import assume
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.lifts.case import DEEPEST, Effort, Pass
from pavrik.core.lifts.lever import Lever, screen_lever
from pavrik.core.lifts.lift import Axis, Lift, SchoolOrder, Sentences, Style, Way
from pavrik.core.squat.bar_positions import SHELVES
from pavrik.core.squat.depth import hip_above_knee_m
from pavrik.core.squat.faults import ONE_SIDED, PERTURBATIONS
from pavrik.core.squat.kinematics import SquatKinematics, lower_half, whole_progress
from pavrik.core.squat.limits import LIMITS, gate_reasons
from pavrik.core.squat.phases import PHASES
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.units import degrees, radians
from pavrik.words import say

STYLES: dict[str, Style] = {
    position: Style(
        position,
        shelf.name,
        family=shelf.family,
        ease=shelf.ease,
        arms=shelf.arms,
        schools=frozenset({shelf.school}),
    )
    for position, shelf in SHELVES.items()
}
AXES = (
    Axis(
        "stance_m", "stance_m", "m", "stance", 0.05, 1.6, 0.01, (0.24, 0.8),
        grid=tuple(round(0.28 + 0.04 * i, 2) for i in range(11)),
        handles=tuple(round(0.24 + 0.02 * i, 2) for i in range(29)),
        rows=tuple(round(0.26 + 0.02 * i, 2) for i in range(28)),
    ),
    Axis(
        "toe_out_deg", "toe_out", "deg", say("lifts.toes_out"), -20.0, 80.0, 1.0, (0.0, 45.0),
        grid=(8.0, 15.0, 22.0, 29.0, 36.0),
        handles=tuple(float(5 * i) for i in range(10)),
        rows=tuple(float(d) for d in range(0, 46, 3)),
    ),
    Axis(
        "heel_lift_m", "heel_lift_m", "m", say("squat.heel_raised"), 0.0, 0.08, 0.005, (0.0, 0.03),
        grid=(0.0, 0.01, 0.02),
        handles=(0.0, 0.01, 0.02, 0.03),
    ),
)  # fmt: skip
NEAR_BOTTOM = np.array([0.8, 1.0])
"""The hardest point is nearly always the bottom, else about a fifth above it."""
THOROUGH: Effort = (
    Pass(14, NEAR_BOTTOM),
    Pass(7, NEAR_BOTTOM),
    Pass(7, lower_half()[::3]),
    Pass(5, lower_half()),
)
QUICK: Effort = (Pass(14, DEEPEST), Pass(9, lower_half()[[3, 8, 12]]))
"""Within 2 % of the thorough search in the front squat, 1 % in the others."""
USUAL_STANCE_SHARE = assume(
    "usual_squat_stance", 0.24, "share of stature", "stance of a squat that nobody fitted"
)
USUAL_TOES_DEG = assume("usual_squat_toes", 20.0, "deg", "toes out of a squat that nobody fitted")
_STANCE_STEPS_M = (-0.08, -0.04, 0.0, 0.04)


def _raised_heel(lifter: Lifter, setup: SquatSetup, step_cm: float) -> tuple[Lifter, SquatSetup]:
    return lifter, replace(setup, heel_lift_m=setup.heel_lift_m + step_cm / 100)


def _shallower(lifter: Lifter, setup: SquatSetup, step_cm: float) -> tuple[Lifter, SquatSetup]:
    higher = hip_above_knee_m(lifter, setup) + step_cm / 100
    return lifter, replace(setup, hip_above_knee_m=higher)


LEVERS = (
    Lever("heel_lift_m", (1.0, 2.0, 3.0, 4.0), say("squat.heel_raised_cm"), 1.0, _raised_heel),
    screen_lever("hip_flexion", say("lifter.neutral_depth"), (3.0, 6.0, 9.0, 12.0, 16.0, 20.0)),
    screen_lever("dorsiflexion", say("lifter.ankle_bend"), (3.0, 6.0, 9.0, 12.0, 16.0)),
    Lever("depth", (2.0, 4.0, 6.0, 8.0), say("squat.stopping_cm_higher"), 2.0, _shallower),
)


def neighbours(setup: SquatSetup) -> list[SquatSetup]:
    """The set-up a little narrower and wider: a re-fit on another body may move the feet."""
    return [replace(setup, stance_m=setup.stance_m + step) for step in _STANCE_STEPS_M]


def _usual(stature_m: float) -> SquatSetup:
    stance_m = round(USUAL_STANCE_SHARE * stature_m, 2)
    return SquatSetup("low", stance_m, float(radians(USUAL_TOES_DEG)))


def _restyled(setup: SquatSetup, style: str) -> SquatSetup:
    return replace(setup, bar_position=style, specialty=None)  # type: ignore[arg-type]


def _preferred(
    candidates: Sequence[Candidate[SquatSetup]], clear_lead: float
) -> Candidate[SquatSetup]:
    """The highest predicted max; a raised heel has to earn a clear lead over a lower one."""
    top = max(candidate.predicted_max_kg for candidate in candidates)
    close = [c for c in candidates if c.predicted_max_kg >= top * (1.0 - clear_lead)]
    return min(close, key=lambda c: (c.setup.heel_lift_m, -c.predicted_max_kg))


MONOLIFT_STANCES_M = (0.72, 0.76, 0.80, 0.84, 0.88)
"""Looked at as well where nobody has to walk the bar out."""
MONOLIFT_TOES_DEG = (43.0,)
RAISED_HEELS_M = (0.01, 0.02, 0.03)
_BAR_SCHOOL = {"upright": "upright for nearly all", "low": "low for nearly all"}


def _chosen_by(lifter: Lifter) -> Mapping[str, tuple[float, ...]]:
    """Heels by the school of shoes, wide stances where a monolift takes the walk-out away."""
    heels = {"flat": (0.0,), "raised": RAISED_HEELS_M}.get(lifter.schools.shoes)
    chosen = {"heel_lift_m": heels} if heels else {}
    if lifter.stance_limit_m > lifter.assumed.stance_limit_walkout_m:
        chosen["stance_m"] = AXES[0].grid + MONOLIFT_STANCES_M
        chosen["toe_out_deg"] = AXES[1].grid + MONOLIFT_TOES_DEG
    return chosen


def _school_rank(lifter: Lifter, candidate: Candidate[SquatSetup]) -> float:
    school = lifter.schools.bar
    return 0.0 if school == "model" or candidate.setup.shelf.school == school else 1.0


def in_words(setup: SquatSetup) -> str:
    """A set-up as a coach says it."""
    heel = (
        say("squat.heel_raised_cm_2", heel_lift_m=setup.heel_lift_m * 100)
        if setup.heel_lift_m
        else ""
    )
    toes = float(degrees(setup.toe_out))
    return say(
        "squat.cm_toes", name=setup.shelf.name, stance_m=setup.stance_m * 100, toes=toes, heel=heel
    )


SQUAT: Lift[SquatSetup] = Lift(
    id="squat",
    name="squat",
    setup_type=SquatSetup,
    style_field="bar_position",
    styles=STYLES,
    searched=BAR_POSITIONS,
    axes=AXES,
    phases=PHASES,
    kinematics=SquatKinematics(),
    limits=LIMITS,
    gates=gate_reasons,
    perturbations=PERTURBATIONS,
    one_sided=ONE_SIDED,
    levers=LEVERS,
    lever_pairs=(
        ("heel_lift_m", "hip_flexion"),
        ("heel_lift_m", "dorsiflexion"),
        ("heel_lift_m", "depth"),
        ("dorsiflexion", "hip_flexion"),
    ),
    thorough=THOROUGH,
    quick=QUICK,
    judged=lower_half(),
    known_along=lower_half()[::2],
    maps=("bar_position", "shank_deg", "toe_out_deg"),
    schools=("squat_",),
    usual=_usual,
    restyled=_restyled,
    way=lambda case, shank: Way(case.posture(shank, whole_progress()), whole_progress()),
    neighbours=neighbours,
    preferred=_preferred,
    short_name=lambda setup: setup.shelf.name,
    in_words=in_words,
    sentences=Sentences(
        none_open=say("squat.no_set_up_tried"),
        only=say("squat.only_bar_position_body"),
        try_both=say("squat.try_both_over_fixed"),
        nothing_decides=say("squat.only_bar_position_open"),
        deepest="bottom",
        judged=say("squat.hardest_point_lower_half"),
        left_out=say("squat.no_speed_no_bounce"),
    ),
    slowest_m_s=assume(
        "slowest_squat_m_s", 0.30, "m/s", "mean speed of a max squat", "from memory"
    ),
    carried="back",
    chosen_by=_chosen_by,
    school_order=SchoolOrder(_school_rank, lambda lifter: _BAR_SCHOOL[lifter.schools.bar]),
)
