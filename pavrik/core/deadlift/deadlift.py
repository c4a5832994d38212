"""The deadlift as a lift."""

from collections.abc import Mapping, Sequence
from dataclasses import replace

from pavrik.core.assumptions import assume
from pavrik.core.deadlift.faults import ONE_SIDED, PERTURBATIONS
from pavrik.core.deadlift.kinematics import DeadliftCase, DeadliftKinematics
from pavrik.core.deadlift.limits import LIMITS
from pavrik.core.deadlift.path import JUDGED, deadlift_path
from pavrik.core.deadlift.phases import PHASES
from pavrik.core.deadlift.styles import COMPETING, STYLES, DeadliftSetup, usual_setup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.lifts.case import Effort, Pass
from pavrik.core.lifts.lever import Lever, screen_lever
from pavrik.core.lifts.lift import Axis, Lift, SchoolOrder, Sentences, Way
from pavrik.core.units import Floats, degrees
from pavrik.words import say

AXES = (
    Axis(
        "stance_m", "stance_m", "m", "stance", 0.05, 1.6, 0.005, (0.1, 1.1),
        handles=tuple(round(0.16 + 0.04 * i, 2) for i in range(20)),
        rows=tuple(round(0.16 + 0.03 * i, 2) for i in range(26)),
    ),
    Axis(
        "toe_out_deg", "toe_out", "deg", say("lifts.toes_out"), -20.0, 80.0, 1.0, (0.0, 55.0),
        handles=tuple(float(6 * i) for i in range(10)),
        rows=tuple(float(d) for d in range(0, 55, 3)),
    ),
    Axis(
        "grip_m", "grip_m", "m", "hands", 0.2, 1.31, 0.01, (0.3, 1.0),
        rows=tuple(round(0.36 + 0.02 * i, 2) for i in range(16)),
    ),
    Axis(
        "bar_offset_m", "bar_offset_m", "m", say("deadlift.bar_front_mid_foot"), -0.15, 0.3, 0.001,
        (-0.03, 0.1),
        handles=tuple(round(0.01 * i, 2) for i in range(-1, 7)),
        rows=tuple(round(0.005 * i, 3) for i in range(-2, 15)),
    ),
    Axis(
        "shoulder_offset_m", "shoulder_offset_m", "m", say("deadlift.shoulders_front_bar"),
        -0.15, 0.2, 0.01, (-0.08, 0.1), grid=(0.04,),
    ),
    Axis("bar_height_m", "bar_height_m", "m", "bar's height", 0.05, 0.8, 0.005, (0.1, 0.7)),
)  # fmt: skip
EFFORT: Effort = (Pass(9, JUDGED),)


def _on_blocks(
    lifter: Lifter, setup: DeadliftSetup, step_cm: float
) -> tuple[Lifter, DeadliftSetup]:
    return lifter, replace(setup, bar_height_m=setup.bar_height_m + step_cm / 100)


LEVERS = (
    Lever(
        "bar_height_m",
        (2, 4, 6, 8, 10, 14, 18),
        say("deadlift.bar_raised_cm_blocks"),
        1.0,
        _on_blocks,
    ),
    screen_lever("hip_flexion", say("lifter.neutral_depth"), (3, 6, 9, 12, 16, 20)),
    screen_lever("abduction", say("lifter.hip_opening"), (3, 6, 9, 12, 16, 20)),
    screen_lever("rotation", say("lifter.hip_rotation"), (3, 6, 9, 12, 16, 20)),
    screen_lever("dorsiflexion", say("lifter.ankle_bend"), (3, 6, 9, 12)),
)


def neighbours(setup: DeadliftSetup) -> list[DeadliftSetup]:
    """A re-fit on another body may move the feet a little sideways, and stands in balance."""
    return [
        replace(setup, stance_m=setup.stance_m + wider, bar_offset_m=None)
        for wider in (-0.04, 0.0, 0.04)
    ]


def _preferred(
    candidates: Sequence[Candidate[DeadliftSetup]], _: float
) -> Candidate[DeadliftSetup]:
    """The highest predicted max."""
    return max(candidates, key=lambda c: c.predicted_max_kg)


def in_words(setup: DeadliftSetup) -> str:
    """A start as a coach says it."""
    toes = float(degrees(setup.toe_out))
    return say("deadlift.cm_toes", name=setup.kind.name, stance_m=setup.stance_m * 100, toes=toes)


def _way(case: DeadliftCase, shank: Floats) -> Way:
    path = deadlift_path(case, shank)
    return Way(path.posture, path.progress)


def _chosen_by(lifter: Lifter) -> Mapping[str, tuple[float, ...]]:
    return {"shoulder_offset_m": (lifter.deadlift_schools.shoulder_offset_m,)}


SAME_BACK_DEG = assume(
    "same_back_deg", 3.0, "deg", "backs so near to each other count as equally upright"
)


def _school_rank(lifter: Lifter, candidate: Candidate[DeadliftSetup]) -> float:
    """The more upright back first, where the school asks for it."""
    if lifter.deadlift_schools.style == "model":
        return 0.0
    return float(round(float(degrees(candidate.lean)) / SAME_BACK_DEG))


DEADLIFT: Lift[DeadliftSetup] = Lift(
    id="deadlift",
    name="deadlift",
    setup_type=DeadliftSetup,
    style_field="style",
    styles=STYLES,
    searched=COMPETING,
    axes=AXES,
    phases=PHASES,
    kinematics=DeadliftKinematics(),
    limits=LIMITS,
    gates=lambda *_: [],
    perturbations=PERTURBATIONS,
    one_sided=ONE_SIDED,
    levers=LEVERS,
    lever_pairs=(
        ("bar_height_m", "hip_flexion"),
        ("bar_height_m", "abduction"),
        ("hip_flexion", "abduction"),
        ("abduction", "rotation"),
    ),
    thorough=EFFORT,
    quick=EFFORT,
    judged=JUDGED,
    known_along=JUDGED,
    maps=("toe_out_deg", "bar_offset_m", "grip_m"),
    schools=("pull_", "grip_"),
    usual=lambda _: usual_setup("conventional"),
    restyled=lambda _, style: usual_setup(style),
    way=_way,
    neighbours=neighbours,
    preferred=_preferred,
    short_name=lambda setup: setup.kind.name,
    in_words=in_words,
    sentences=Sentences(
        none_open=say("deadlift.no_start_from_floor"),
        only=say("deadlift.only_start_from_floor"),
        try_both=say("deadlift.try_both_over_fixed"),
        nothing_decides=say("deadlift.only_style_open_nothing"),
        deepest="start",
        judged=say("deadlift.hardest_point_from_floor"),
        left_out=say("deadlift.no_speed_no_bar"),
    ),
    slowest_m_s=assume(
        "slowest_deadlift_m_s", 0.15, "m/s", "mean speed of a max deadlift", "from memory"
    ),
    chosen_by=_chosen_by,
    school_order=SchoolOrder(_school_rank, lambda _: say("deadlift.more_upright_back")),
)
