"""The hugged squat as a lift."""

from dataclasses import replace

import numpy as np

from pavrik.core.lifts.case import DEEPEST, Pass
from pavrik.core.lifts.lever import screen_lever
from pavrik.core.lifts.lift import Axis, Lift, Sentences, Style, Way
from pavrik.core.lifts.limit import (
    FLAG_DEG,
    Limit,
    beyond_abduction,
    beyond_hip_flexion,
    beyond_knee_track,
    knee_track_sentence,
    strength_sentence,
    without_strength,
)
from pavrik.core.lifts.perturbation import OneSided, Perturbation
from pavrik.core.lifts.phases import Phase
from tests.core.lifts.hug.kinematics import HugKinematics, HugSetup

WAY = np.linspace(0.0, 1.0, 17)
DEEPER_HALF = WAY[WAY >= 0.5]
HUG = Lift(
    id="hug",
    name="hugged squat",
    setup_type=HugSetup,
    style_field="style",
    styles={
        "narrow": Style("narrow", "narrow", {"stance_m": (0.24, 0.30, 0.36)}),
        "wide": Style("wide", "wide", {"stance_m": (0.44, 0.52, 0.60)}),
        "steps": Style("steps", "on steps", {"stance_m": (0.4, 0.5)}, rival=False),
    },
    searched=("narrow", "wide", "steps"),
    axes=(
        Axis("stance_m", "stance_m", "m", "stance", 0.1, 1.0, 0.01, (0.2, 0.8),
             handles=(0.3, 0.4, 0.5), rows=(0.3, 0.4, 0.5)),
        Axis("toe_out_deg", "toe_out", "deg", "toes out", 0.0, 60.0, 1.0, (0.0, 60.0),
             grid=(12.0, 24.0), handles=(12.0, 24.0), rows=(6.0, 12.0, 24.0)),
    ),
    phases=(Phase("hook on"), Phase("bottom", True, 1.0), Phase("up", True, 0.5)),
    kinematics=HugKinematics(),
    limits=(
        Limit("balance", lambda _, __, at: np.where(at.balanced.impossible, FLAG_DEG, 0.0),
              lambda _: "no lean balances here: choose another depth",
              hides=frozenset({"hip_flexion", "strength"})),
        Limit("reach", lambda _, at, __: np.where(at.legs.unreachable, FLAG_DEG, 0.0),
              lambda _: "the thigh does not reach so far: stand narrower",
              hides=frozenset({"hip_flexion", "abduction", "knee_track", "strength", "balance"})),
        Limit("hip_flexion", beyond_hip_flexion,
              lambda told: f"the hip would flex {told.over:.1f}° too far: stand wider"),
        Limit("abduction", beyond_abduction,
              lambda told: f"the thighs would open {told.over:.1f}° too far: stand narrower"),
        Limit("knee_track", beyond_knee_track, knee_track_sentence),
        Limit("strength", without_strength, strength_sentence),
    ),
    gates=lambda *_: [],
    perturbations={
        "hug-forward": Perturbation(
            lambda hug, forward: hug.at(DEEPEST, shift_m=forward), 0.04, "m",
            "weight {amount} toward the toes",
        ),
        "hug-wide": Perturbation(
            lambda hug, wider: hug.at(DEEPEST, stance_m=hug.case.stance_m + wider), 0.05, "m",
            "feet {amount} wider", "ratio",
        ),
    },
    one_sided={"hug-aside": OneSided(0.02, "plates {amount} off centre")},
    levers=(screen_lever("hip_flexion", "hip flexion", (5.0, 15.0, 30.0)),
            screen_lever("abduction", "hip opening", (5.0, 15.0, 30.0))),
    lever_pairs=(("hip_flexion", "abduction"),),
    thorough=(Pass(16, DEEPER_HALF), Pass(9, DEEPER_HALF), Pass(9, DEEPER_HALF)),
    quick=(Pass(16, DEEPER_HALF), Pass(7, DEEPER_HALF)),
    judged=DEEPER_HALF,
    known_along=DEEPER_HALF,
    maps=("style", "shank_deg", "toe_out_deg"),
    schools=("hug_",),
    usual=lambda stature_m: HugSetup("narrow", round(0.2 * stature_m, 2), 0.3),
    restyled=lambda setup, style: replace(setup, style=style),
    way=lambda case, shank: Way(case.posture(shank, WAY), WAY),
    neighbours=lambda setup: [
        replace(setup, stance_m=setup.stance_m + step) for step in (-0.03, 0.0, 0.03)
    ],
    preferred=lambda candidates, _: max(candidates, key=lambda c: c.predicted_max_kg),
    short_name=lambda setup: setup.style,
    in_words=lambda setup: f"{setup.style}, {setup.stance_m * 100:.0f} cm",
    sentences=Sentences("nothing is open", "is the only one", "try both", "nothing to decide",
                        "bottom", "", "no arms that tire"),
    slowest_m_s=0.2,
)  # fmt: skip
