"""Which specials are chosen, why, and what is said of everything else."""

from dataclasses import replace

import pytest

from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.choice import (
    MOST_SPECIALS,
    Choice,
    Circumstances,
    Considered,
    Said,
    Weakness,
    blocked_because,
    choose,
    idle_variations,
)
from pavrik.core.prescription.signals import light_week, light_week_because
from pavrik.core.variations.catalogue import shipped_variations
from pavrik.core.variations.ratio import learn_ratio
from tests.core.plans import KIT, loadings

ALL = Circumstances(kit=frozenset(KIT))


def chosen(lift: str, weaknesses, about=ALL, said=None) -> tuple[Choice, dict[str, Considered]]:
    variations, computed = loadings(lift)
    ratios = {v.name: learn_ratio(v.ratio, []) for v in variations if v.ratio}
    found = choose(variations, computed, ratios, weaknesses, about, said)
    return found, {c.name: c for c in found.considered}


def names(found: Choice) -> list[str]:
    return [special.variation.name for special in found.specials]


QUADS = Weakness(
    "quads limit", "bottom", "quads", frozenset({"high-bar squat"}), facts=("fault:x",)
)
FLOOR = Weakness("hips shoot up", "off the floor", None, frozenset({"pause deadlift"}))
LEGS = Weakness("weak from the floor", "off the floor", "quads", frozenset({"trap bar, low"}))


def test_everything_is_either_chosen_or_has_a_reason_against_it():
    for lift, weakness in (("squat", QUADS), ("deadlift", FLOOR)):
        found, considered = chosen(lift, [weakness])
        assert set(considered) == {v.name for v in shipped_variations().of(lift)}
        assert 1 <= len(found.specials) <= MOST_SPECIALS
        for one in considered.values():
            assert one.chosen == (one.name in names(found))
            assert one.chosen or one.why, one.name


def test_quads_in_the_hole_ask_for_what_works_the_quads_there():
    """Common practice, no source: high bar or front squat for quads."""
    found, _ = chosen("squat", [QUADS])
    assert names(found)[0] in ("high-bar squat", "front squat")
    words = " ".join(b.text for b in found.specials[0].reasons)
    assert "quads in the phase bottom used" in words
    assert found.specials[0].reasons[0].facts == ("fault:x",)


def test_hips_that_shoot_up_ask_for_a_pause_just_off_the_floor():
    """Common practice, no source."""
    found, _ = chosen("deadlift", [FLOOR])
    assert names(found)[0] == "pause deadlift"
    assert any("just where it fails" in b.text for b in found.specials[0].reasons)


def test_weak_legs_from_the_floor_ask_for_the_low_trap_bar():
    """Common practice, no source."""
    found, _ = chosen("deadlift", [LEGS])
    assert names(found)[0] == "trap bar, low"


def test_without_the_kit_the_next_best_is_taken():
    found, considered = chosen("deadlift", [LEGS], Circumstances())
    assert considered["trap bar, low"].why == "the gym has no trap bar"
    assert "trap bar, low" not in names(found)


@pytest.mark.parametrize(
    ("lift", "region"),
    [
        ("squat", "lower back"), ("squat", "knee"), ("squat", "wrist"), ("squat", "hip"),
        ("deadlift", "lower back"), ("deadlift", "knee"), ("deadlift", "hip"),
    ],
)  # fmt: skip
def test_a_flagged_region_is_spared(lift, region):
    weakness = QUADS if lift == "squat" else LEGS
    found, considered = chosen(lift, [weakness], Circumstances(ALL.kit, (region,)))
    for name in names(found):
        assert region not in shipped_variations().by_name[name].strains
    assert any("flagged" in one.why for one in considered.values())


def test_a_flagged_region_is_spared_its_moment_where_use_is_alike():
    """Use is what an angle leaves; the moment at the prescribed load counts by itself too."""
    variations, computed = loadings("squat")
    one, own = (
        next(v for v in variations if v.name == "narrow-stance squat"),
        computed["competition"],
    )
    hurts = Circumstances(ALL.kit, ("knee",))
    alike = computed[one.name]
    assert blocked_because(one, alike, own, hurts) == ""
    heavier = replace(alike, moments_nm=1.2 * alike.moments_nm)
    told = blocked_because(one, heavier, own, hurts)
    more = round(100 * (heavier.moment_nm("knee") / own.moment_nm("knee") - 1))
    assert told == (
        f"it loads the knee {more} % more than the competition lift at the same share of their "
        "maxes, and the knee is flagged"
    )
    assert heavier.moment_nm("wrist") is None
    assert blocked_because(one, heavier, own, Circumstances(ALL.kit, ("wrist",))) == ""


def test_a_tired_back_prefers_what_spares_it():
    tired = Weakness("the trend fell", None, None, tired_back=True)
    found, _ = chosen("deadlift", [tired])
    own = loadings("deadlift")[1]["competition"].at(None, "lower_back")
    for name in names(found):
        assert loadings("deadlift")[1][name].at(None, "lower_back") < own


def test_novices_get_no_overload_and_others_no_learning_steps():
    lockout = Weakness("soft lockout", "lockout", "hips", frozenset({"block pull"}))
    _, considered = chosen("deadlift", [lockout], Circumstances(ALL.kit, (), novice=True))
    assert considered["block pull"].why == "overload is not for novices"
    _, considered = chosen("squat", [QUADS])
    assert considered["goblet squat"].why == "it is a step of learning the lift"


def test_a_coachs_word_counts_but_lifts_no_block():
    said = {
        "tempo squat": Said("Ysolde", "it worked last winter", True),
        "high-bar squat": Said("Ysolde", "bruised neck", False),
        "safety-bar squat": Said("Ysolde", "likes it", True),
    }
    found, considered = chosen("squat", [QUADS], Circumstances(frozenset({"box"})), said)
    assert "tempo squat" in names(found)
    assert considered["high-bar squat"].why == "Ysolde leaves it out: bruised neck"
    assert considered["safety-bar squat"].why == "the gym has no safety bar"


def test_a_wish_needs_no_weakness():
    said = {"front squat": Said("Ysolde", "for the fun of it", True)}
    found, _ = chosen("squat", [], ALL, said)
    assert names(found) == ["front squat"]
    assert "for the fun of it" in found.specials[0].reasons[0].text


def test_work_that_loads_nothing_weak_is_proposed_to_go():
    found, _ = chosen("squat", [QUADS])
    low = next(c.name for c in found.considered if not c.chosen and c.score < 0.05)
    told = idle_variations(found, {low: ["a", "b", "c"], names(found)[0]: ["d"] * 9})
    assert [b.text.startswith(f"{low} could be dropped") for b in told] == [True]
    assert told[0].facts == ("a", "b", "c")
    assert idle_variations(found, {low: ["a"]}) == []


def test_a_lighter_week_is_a_proposal_with_its_facts():
    sets = [TrainingSet(str(i), f"2026-11-{i + 1:02d}", 150.0 - 6 * i, 3, 9.0) for i in range(4)]
    told = light_week(light_week_because(sets, "trained"))
    assert told[0].text.startswith("a lighter week would be wise")
    assert told[0].facts


STRAIGHT_BAR_HINGES = (
    "pause deadlift", "pause deadlift, knee", "deficit deadlift", "block pull", "Romanian deadlift",
    "axle deadlift", "stiff-bar deadlift", "dead-stop deadlift",
)  # fmt: skip


def test_a_sore_back_is_refused_every_straight_bar_hinge_and_offered_the_sparer_styles():
    hurts = Circumstances(ALL.kit, ("lower back",))
    _, pulls = chosen("deadlift", [LEGS], hurts)
    for name in STRAIGHT_BAR_HINGES:
        assert not pulls[name].chosen
        assert pulls[name].why == "it strains the lower back, which is flagged"
    _, squats = chosen("squat", [QUADS], hurts)
    assert squats["good morning"].why == "it strains the lower back, which is flagged"
    for lift, name in (
        ("deadlift", "trap bar, low"), ("deadlift", "trap bar, high"), ("squat", "safety-bar squat")
    ):  # fmt: skip
        variations, computed = loadings(lift)
        one = next(v for v in variations if v.name == name)
        assert blocked_because(one, computed[name], computed["competition"], hurts) == ""


def test_a_knee_flag_leaves_pulls_with_no_more_knee_than_the_competition_pull():
    found, considered = chosen("deadlift", [FLOOR], Circumstances(ALL.kit, ("knee",)))
    assert names(found)
    for name in ("pause deadlift", "Romanian deadlift", "block pull"):
        assert "flagged" not in considered[name].why
    for name in ("trap bar, low", "sumo deadlift"):
        assert "the knee is flagged" in considered[name].why


@pytest.mark.parametrize(
    ("lift", "fault", "never"),
    [
        ("deadlift", "low-round", {"deficit deadlift", "block pull", "trap bar, high"}),
        ("deadlift", "lean-back", {"block pull"}),
        ("deadlift", "pull-upper-round", {"deficit deadlift", "block pull"}),
        ("squat", "butt-wink", {"pause squat"}),
        ("squat", "over-arched", {"pause squat"}),
    ],
)
def test_a_back_that_loses_its_shape_gets_no_overload_deficit_or_bottom_pause(lift, fault, never):
    weakness = Weakness("x", "off the floor", "hips", frozenset(never))
    _, free = chosen(lift, [weakness])
    _, considered = chosen(lift, [weakness], replace(ALL, faults=frozenset({fault})))
    assert any(free[name].chosen or "does the same job" in free[name].why for name in never)
    for name in never:
        assert not considered[name].chosen
        assert "back" in considered[name].why


def test_a_rounding_upper_back_may_pause_at_the_knee():
    weakness = Weakness(
        "the upper back rounds", "at the knee", None, frozenset({"pause deadlift, knee"})
    )
    about = replace(ALL, faults=frozenset({"pull-upper-round"}))
    assert "pause deadlift, knee" in names(chosen("deadlift", [weakness], about)[0])
