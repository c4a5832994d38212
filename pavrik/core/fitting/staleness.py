"""What changed since a set-up was settled, in sentences; nothing when it still stands."""

from collections.abc import Mapping
from typing import Any

from pavrik.core import MODEL_CHANGES
from pavrik.core.lifter.mobility import ANGLE_SCREENS
from pavrik.core.units import told_kg
from pavrik.words import say

MASS_SHARE = 0.02
LENGTH_M = 0.01
ANGLE_DEG = 3.0
_ANGLES = tuple(screen.key for screen in ANGLE_SCREENS)


def _body_changes(then: Mapping[str, Any], now: Mapping[str, Any]) -> list[str]:
    changes = []
    if abs(now["mass_kg"] - then["mass_kg"]) > MASS_SHARE * then["mass_kg"]:
        changes.append(
            say(
                "fitting.body_mass", then=round(then["mass_kg"], 1), told_kg=told_kg(now["mass_kg"])
            )
        )
    before, after = then.get("segments", {}), now.get("segments", {})
    for name in sorted(set(before) | set(after)):
        old, new = before.get(name), after.get(name)
        label = name.removesuffix("_m").replace("_", " ")
        if old is None and new is not None:
            changes.append(say("fitting.now_measured_cm", label=label, new=new * 100))
        elif old is not None and new is not None and abs(new - old) > LENGTH_M:
            changes.append(f"{label} {old * 100:.1f} → {new * 100:.1f} cm")
    return changes


def _screen_changes(then: Mapping[str, Any], now: Mapping[str, Any]) -> list[str]:
    changes = []
    for name in _ANGLES:
        old, new = then.get(name), now.get(name)
        label = name.removesuffix("_deg").replace("_", " ")
        if (old is None) != (new is None):
            changes.append(f"{label} {'now screened' if old is None else 'no longer known'}")
        elif old is not None and abs(new - old) > ANGLE_DEG:
            changes.append(f"{label} {old:.0f} → {new:.0f}°")
    if then.get("narrowest_grip_m", {}) != now.get("narrowest_grip_m", {}):
        changes.append(say("fitting.shoulder_screen"))
    return changes


def stored_wrong(setup: Mapping[str, Any], inputs: Mapping[str, Any]) -> list[str]:
    """What a settled set-up says that its own inputs contradict: earlier versions stored every
    squat as balanced by the combined mass centre, whatever the school."""
    said, school = setup.get("balance"), inputs.get("schools", {}).get("squat_balance")
    if said is None or school is None or said == school:
        return []
    return [say("fitting.stored_balance_while_school", said=said, school=school)]


def _ordered(version: str) -> tuple[int, ...]:
    return tuple(int(part) for part in version.split("."))


def model_changes(version: str) -> list[str]:
    """What the model has learnt since a version that a set-up was settled under."""
    then = _ordered(version)
    return [
        say("fitting.the_model", what=what)
        for since, what in MODEL_CHANGES
        if _ordered(since) > then
    ]


def changes_since(
    then: Mapping[str, Any], now: Mapping[str, Any], schools: tuple[str, ...]
) -> list[str]:
    """Compare the inputs (body, screens, schools) of a settled set-up with today's; ``schools`` is
    how the names of those begin that matter to the lift."""
    changes = _body_changes(then["body"], now["body"])
    changes += _screen_changes(then["screens"], now["screens"])
    schools_then, schools_now = then.get("schools", {}), now.get("schools", {})
    changed = [
        q
        for q, was in schools_then.items()
        if q.startswith(schools) and schools_now.get(q, was) != was
    ]
    gear_then, gear_now = then.get("gear", "raw"), now.get("gear", "raw")
    if gear_then != gear_now:
        changes.append(say("fitting.gear_gear_now", gear_then=gear_then, gear_now=gear_now))
    return changes + [
        say("fitting.school", split=q.split("_", 1)[1].replace("_", " ")) for q in changed
    ]
