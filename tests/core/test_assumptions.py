"""Every assumption is registered beside its use, once, with unit, meaning and source."""

import ast
from pathlib import Path

import pytest

import pavrik.core
from pavrik.core.assumptions import DEFAULT, OWN, assume, collected

CORE = Path(pavrik.core.__file__).parent


def told_beside_a_constant(module: ast.Module) -> list[str]:
    """What stands as a text below an assignment of the module."""
    return [
        text.value.value
        for before, text in zip(module.body, module.body[1:], strict=False)
        if isinstance(before, ast.Assign | ast.AnnAssign)
        and isinstance(text, ast.Expr)
        and isinstance(text.value, ast.Constant)
        and isinstance(text.value.value, str)
    ]


def test_no_constant_is_called_an_assumption_and_kept_from_the_coach():
    hidden = [
        (str(path.relative_to(CORE)), told)
        for path in sorted(CORE.rglob("*.py"))
        if path.name != "assumptions.py"
        for told in told_beside_a_constant(ast.parse(path.read_text(encoding="utf-8")))
        if "ssumption" in told
    ]
    assert hidden == []


def test_every_one_has_a_name_a_unit_a_meaning_and_a_source():
    found = collected()
    assert len({one.name for one in found}) == len(found) > 150
    for one in found:
        assert one.unit, one.name
        assert len(one.meaning) > 5, one.name
        assert one.source == OWN or "from memory" in one.source, one.name


@pytest.mark.parametrize(
    ("name", "value"),
    [
        ("hook_clearance_m", 0.02), ("shin_m", 0.04), ("pain_cap_share", 0.70),
        ("ability_growth_novice", 0.010), ("low_bar_holds_lean_deg", 53.0),
        ("usual_bar-away", 0.04),
        ("judged_at_middle", 0.55), ("fault_cut_2", 0.05), ("tape_error_m", DEFAULT.tape_error_m),
    ],
)  # fmt: skip
def test_what_is_shown_is_what_is_used(name, value):
    assert {one.name: one.value for one in collected()}[name] == value


def test_a_name_stands_for_one_value():
    assert assume("shin_m", 0.04, "m", "shank axis to the front of the shin") == 0.04
    with pytest.raises(ValueError, match="shin_m is registered twice"):
        assume("shin_m", 0.05, "m", "shank axis to the front of the shin")


def test_published_shares_name_their_source():
    sources = {one.name: one.source for one in collected()}
    assert sources["thigh_of_stature"] == "Drillis & Contini (1966), from memory"
    assert sources["hip_spacing_of_stature"] == OWN
