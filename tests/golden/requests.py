"""Forty made-up lifters and everything that is asked about each, in the public JSON.

Both sexes, short and tall, measured and estimated, every bar position and pulling style, every
school that the model knows, stiff and mobile, with and without own lifts; some can do nothing.
"""

from datetime import date, timedelta
from typing import Any

import numpy as np

COUNT = 40
BARS = ("low", "high", "front", "middle")
STYLES = (
    "conventional", "sumo", "semi_sumo", "frog", "trap_low", "trap_high", "deficit", "block",
    "romanian",
)  # fmt: skip
GRIPS_M = {
    "conventional": 0.54, "sumo": 0.40, "semi_sumo": 0.38, "frog": 0.54, "trap_low": 0.62,
    "trap_high": 0.62, "deficit": 0.54, "block": 0.54, "romanian": 0.54,
}  # fmt: skip
STANCES_M = {"sumo": 0.64, "semi_sumo": 0.52, "frog": 0.38}
TOES_DEG = {"sumo": 28.0, "semi_sumo": 32.0, "frog": 30.0}
SCHOOLS: dict[str, tuple[str, ...]] = {
    "squat_balance": ("system", "bar"),
    "squat_break": ("together", "hips_first", "knees_first"),
    "squat_depth": ("competition", "parallel", "deepest"),
    "squat_width": ("moderate", "wide"),
    "squat_knees": ("free", "held"),
    "squat_bar": ("model", "upright", "low"),
    "pull_shoulders": ("in_front", "over"),
    "pull_blades": ("down", "back"),
    "pull_reps": ("dead_stop", "touch"),
}
START = date(2026, 11, 30)
FAULTS = {
    "squat": (("hips-rise", "out of the hole"), ("heels-up", "bottom"), ("butt-wink", "bottom")),
    "deadlift": (("low-round", "off the floor"), ("no-slack", "slack"), ("waits", "grip")),
}
KIT = ("safety bar", "pins", "box", "trap bar", "blocks", "step", "leg machine")
PLATES = [{"kg": kg, "pairs": 4} for kg in (25, 20, 15, 10, 5, 2.5, 1.25)]


def _near(random: np.random.Generator, middle: float, spread: float, digits: int = 3) -> float:
    return round(float(random.normal(middle, spread)), digits)


def _body(number: int, random: np.random.Generator) -> dict[str, Any]:
    male = number % 2 == 0
    stature = _near(random, 1.77 if male else 1.65, 0.08)
    segments = {}
    if number % 3:
        fractions = {"thigh_m": 0.245, "shank_m": 0.246, "trunk_m": 0.288, "upper_arm_m": 0.186}
        segments = {
            name: round(share * stature * float(random.normal(1, 0.045)), 3)
            for name, share in fractions.items()
        }
    mass = round(float(random.uniform(21, 34)) * stature**2, 1)
    sex = "male" if male else "female"
    return {"sex": sex, "mass_kg": mass, "stature_m": stature, "segments": segments}


def _screens(number: int, random: np.random.Generator) -> dict[str, Any]:
    if number % 10 == 7:
        return {"ankle_dorsiflexion_deg": 12, "neutral_closing_deg": 104, "hip_abduction_deg": 12}
    if number % 4 == 0:
        return {}
    return {
        "ankle_dorsiflexion_deg": _near(random, 36, 5, 1),
        "neutral_closing_deg": _near(random, 152, 8, 1),
        "hip_abduction_deg": _near(random, 44, 7, 1),
        "hip_rotation_deg": _near(random, 48, 6, 1),
        "narrowest_grip_m": {"low": None if number % 8 == 3 else 0.8, "high": 0.6},
    }


def _schools(random: np.random.Generator) -> dict[str, str]:
    return {question: str(random.choice(answers)) for question, answers in SCHOOLS.items()}


def _setups(number: int, random: np.random.Generator) -> tuple[dict[str, Any], dict[str, Any]]:
    style = STYLES[number % len(STYLES)]
    squat: dict[str, Any] = {
        "bar_position": BARS[number % len(BARS)],
        "stance_m": _near(random, 0.40, 0.06, 2),
        "toe_out_deg": _near(random, 22, 6, 1),
        "heel_lift_m": float(random.choice([0.0, 0.01, 0.02])),
    }
    if number % 13 == 5:
        squat["hip_above_knee_m"] = _near(random, -0.02, 0.05, 2)
    pull = {
        "style": style,
        "stance_m": round(STANCES_M.get(style, 0.32) + _near(random, 0, 0.02, 2), 2),
        "toe_out_deg": TOES_DEG.get(style, 14.0),
        "grip_m": GRIPS_M[style],
        "bar_offset_m": _near(random, 0.026, 0.005),
        "shoulder_offset_m": float(random.choice([0.04, 0.04, 0.0, -0.03])),
    }
    return squat, pull


def _bests(
    number: int, mass: float, squat: dict[str, Any], pull: dict[str, Any]
) -> list[dict[str, Any]]:
    if number % 3 == 0:
        return []
    known = [{"setup": squat, "load_kg": round(1.5 * mass, 1), "reps": 3, "rpe": 9}]
    if number % 3 == 2:
        known.append({"setup": pull, "load_kg": round(1.7 * mass, 1), "reps": 2})
    return known


def _log(lift: str, max_kg: float, random: np.random.Generator) -> list[dict[str, Any]]:
    sets = []
    for week in range(12):
        share, reps = float(random.uniform(0.7, 0.92)), int(random.integers(1, 6))
        faults = [
            {"fault_id": fault, "phase": phase, "rep": rep, "severity": 2}
            for fault, phase in FAULTS[lift]
            for rep in range(1, reps + 1)
            if random.random() < 0.5 * (share > 0.82)
        ]
        left = float(np.clip((0.97 - share) / 0.033 - reps + 1, 0, 5))
        sets.append({
            "day": (START - timedelta(days=7 * (12 - week))).isoformat(),
            "load_kg": round(share * max_kg, 1), "reps": reps, "rpe": round(2 * (10 - left)) / 2,
            "aimed_rpe": 8.0, "faults": faults,
        })  # fmt: skip
    return sets


def _plan(
    number: int, body: dict[str, Any], screens: dict[str, Any], random: np.random.Generator
) -> dict[str, Any]:
    weeks = int(random.integers(4, 13))
    meet = (START + timedelta(days=7 * weeks - 2)).isoformat() if number % 4 == 1 else None
    mass = body["mass_kg"]
    return {
        "start": START.isoformat(), "weeks": weeks, "meet": meet,
        "weekdays": [[0, 2, 4], [1, 4], [0, 1, 3, 4], [2]][number % 4],
        "goal": ["competition", "strength", "muscle", "sport", "health"][number % 5],
        "training_age": ["trained", "advanced", "novice"][number % 3],
        "body": body, "screens": screens,
        "flags": {4: ["lower back"], 9: ["knee"], 14: ["shoulder", "hip"]}.get(number % 15, []),
        "squat": {"sets": _log("squat", 1.7 * mass, random) if number % 6 else []},
        "deadlift": {"sets": _log("deadlift", 2.0 * mass, random)},
        "gym": {"plates": PLATES, "kit": [k for k in KIT if random.random() < 0.6]},
    }  # fmt: skip


def made_up(number: int) -> dict[str, dict[str, Any]]:
    """What is asked about the lifter of a number: the request of every computation by name."""
    random = np.random.default_rng([11, number])
    body, screens, schools = _body(number, random), _screens(number, random), _schools(random)
    squat, pull = _setups(number, random)
    load = round(1.3 * body["mass_kg"], 1)
    at = {"body": body, "load_kg": load, "screens": screens}
    balance = {"balance": schools["squat_balance"]}
    bests = _bests(number, body["mass_kg"], squat, pull)
    fit: dict[str, Any] = {
        "body": body, "screens": screens, "schools": schools, "known_bests": bests,
        "uncertainty": {"samples": 48, "seed": 3} if number % 2 else None,
    }  # fmt: skip
    squats = {"stance_m": [0.32, 0.4, 0.48, 0.56, 0.64], "toe_out_deg": [12, 22, 32]}
    pulls = {"style": list(STYLES), "bar_offset_m": [0.02, 0.04]}
    shank = _near(random, 26, 5, 1)
    return {
        "squat pose": at | {"lift": "squat", "setup": squat | balance, "shank_deg": shank},
        "squat fit": fit | {"lift": "squat", "grid": squats},
        "squat path": at | {"lift": "squat", "setup": squat | balance, "schools": schools},
        "squat cost": at | {"lift": "squat", "setup": squat | balance, "schools": schools},
        "deadlift pose": at | {"lift": "deadlift", "setup": pull},
        "deadlift fit": fit | {"lift": "deadlift", "grid": pulls},
        "deadlift path": at | {"lift": "deadlift", "setup": pull, "schools": schools},
        "deadlift cost": at | {"lift": "deadlift", "setup": pull, "schools": schools},
        "plan": _plan(number, body, screens, random),
    }
