"""Shapes of a season: what is refused, what is only remarked upon, what their weeks come to."""

import json
from importlib.resources import files

import pytest

from pavrik.core.prescription.plan_parts import PlanAsk, check_ask
from pavrik.core.prescription.shape import read_shape, shape_of, shipped_shapes
from pavrik.core.prescription.shape_outlook import outline, remarks
from pavrik.core.simulation.proof import START, ask_of, tell
from pavrik.formats.dose_words import dose_words, read_doses


def given(shape_id="steady", **changed):
    """A shape's data, something of it changed."""
    folder = files("pavrik.core.prescription.shapes")
    return json.loads((folder / f"{shape_id}.json").read_text(encoding="utf-8")) | changed


def with_main(role, *weeks, shape_id="steady"):
    """A shape whose block of a role is this, week after week, as a coach writes it."""
    data = given(shape_id)
    data["main"][role] = [
        [{"sets": d.sets, "reps": d.reps, "rpe": d.rpe, "share": d.share} for d in read_doses(week)]
        for week in weeks
    ]
    return read_shape(data)


def test_a_shape_that_cannot_be_says_everything_that_is_wrong():
    known = shape_of("undulating")
    broken = {
        "id": "broken", "name": "Broken", "words": "", "light_every": 1,
        "main": {"build": []}, "second": {}, "rotates_weeks": 9,
        "days": {"3": [["squat main"], ["squat main", "press main"], ["deadlift later"]]},
    }  # fmt: skip
    with pytest.raises(ValueError, match="main strengthen: nothing is asked") as told:
        read_shape(broken)
    for wrong in (
        "main build: nothing is asked", "second light: nothing is asked", "each lift's main once",
        "no part main of a press", "no part later of a deadlift", "every 1", "9 weeks",
    ):  # fmt: skip
        assert wrong in str(told.value), wrong
    assert known.main_of("build", 99) == known.main["build"][-1]
    with pytest.raises(ValueError, match="no shape “wavy”"):
        shape_of("wavy")


@pytest.mark.parametrize(
    ("dose", "words"),
    [
        ({"sets": 0, "reps": 5, "rpe": 7}, "0 x 5: 1 to 12 sets"),
        ({"sets": 4, "reps": 13, "rpe": 7}, "4 x 13: 1 to 12 sets of 1 to 12 reps"),
        ({"sets": 4, "reps": 5, "rpe": 11}, "RPE 11: 5 to 10"),
        ({"sets": 4, "reps": 5, "share": 1.2}, "120% of the max: 30% to 100%"),
    ],
)
def test_a_dose_that_nobody_could_be_asked_for_is_refused_with_its_place(dose, words):
    data = given()
    data["second"]["light"] = dose
    with pytest.raises(ValueError, match="steady: second light: ") as told:
        read_shape(data)
    assert words in str(told.value)


def test_days_must_make_sense():
    twice = {"2": [["squat main", "squat second"], ["deadlift main"]]}
    with pytest.raises(ValueError, match="a lift stands twice"):
        read_shape(given(days=twice))
    with pytest.raises(ValueError, match="the shape says nothing of it"):
        read_shape(given(days={"2": [["squat main"], ["deadlift main", "squat volume"]]}))
    with pytest.raises(ValueError, match="5 days need"):
        read_shape(given(days={"5": [["squat main"], ["deadlift main"], [], [], []]}))
    with pytest.raises(ValueError, match="a block of 7 weeks, 6 are the most"):
        with_main("build", *[f"3 x 5 @ {rpe / 2:g}" for rpe in range(10, 17)])


@pytest.mark.parametrize("shape", shipped_shapes().values(), ids=lambda s: s.id)
def test_nothing_is_to_be_said_of_what_ships(shape):
    assert remarks(shape) == []


@pytest.mark.parametrize(
    ("role", "weeks", "words"),
    [
        ("build", ["4 x 6 @ 8", "4 x 6 @ 7"], "build: RPE 7 in week 2 after 8"),
        ("build", ["4 x 6 @ 7", "4 x 6 @ 7"], "build: week 2 asks for what week 1 asked for"),
        ("build", ["4 x 6 @ 7", "4 x 4 @ 9"], "build: RPE 9 in week 2 of the block"),
        ("light", ["4 x 6 at 75 %"], "not light"),
        ("strengthen", ["8 x 6 @ 7", "9 x 6 @ 7.5"], "before a meet a sixth is usual"),
        ("build", ["8 x 3 @ 7; 5 x 3 @ 6.5"], "up to 13 hard sets of a lift in a week"),
    ],
)
def test_what_a_coach_would_ask_is_asked(role, weeks, words):
    told = remarks(with_main(role, *weeks))
    assert any(words in line for line in told), told


def test_a_volume_that_no_day_is_for_is_asked_about():
    data = given("undulating")
    assert remarks(read_shape(data)) == []
    del data["days"]
    assert "no training day is for it" in remarks(read_shape(data))[0]


def test_the_outline_climbs_rests_and_ends_in_a_test():
    weeks = outline(shape_of("steady"))
    assert [w.role for w in weeks][3::4] == ["light", "light", "test"]
    assert [round(w.top_share, 2) for w in weeks[:4]] == [0.77, 0.78, 0.84, 0.68]
    assert weeks[-1].top_share == max(w.top_share for w in weeks)
    assert all(w.volume is None for w in weeks)
    assert outline(shape_of("undulating"))[0].volume is not None
    assert len(outline(shape_of("wave"), 6, "open")) == 6


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("4x6@7", ["4 x 6 @ 7"]),
        ("1 × 1 @ rpe 7,5; 4 x 3 @ 8", ["1 x 1 @ 7.5", "4 x 3 @ 8"]),
        ("1x1@8 + 3x2@8.5", ["1 x 1 @ 8", "3 x 2 @ 8.5"]),
        ("4 x 6 @ 7, 5 x 3 @ 8", ["4 x 6 @ 7", "5 x 3 @ 8"]),
        ("2 x 4 at 68 %", ["2 x 4 at 68 %"]),
        ("2x4 @ 67,5%", ["2 x 4 at 67.5 %"]),
    ],
)
def test_doses_are_read_as_coaches_write_them(text, words):
    read = read_doses(text)
    assert [dose_words(dose) for dose in read] == words
    assert read_doses("; ".join(words)) == read


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "nothing is written here"),
        ("4 x 6", "“4 x 6” is no sets x reps with an effort: write it like"),
        ("heavy", "“heavy” is no sets x reps"),
        ("4 x 6 @ 7; 3 x 3", "“3 x 3” is no"),
        ("20 x 6 @ 7", "“20 x 6 @ 7”: 20 x 6: 1 to 12 sets"),
        ("4 x 6 @ 4", "RPE 4: 5 to 10"),
        ("4 x 6 at 20 %", "20% of the max"),
    ],
)
def test_what_is_no_dose_says_how_it_is_meant(text, words):
    with pytest.raises(ValueError, match=r"“|nothing") as told:
        read_doses(text)
    assert words in str(told.value)


def test_a_plan_follows_a_shape_of_ones_own():
    own = with_main("build", "5 x 5 @ 6.5", "5 x 5 @ 7")
    ask = PlanAsk(START, 8, (0, 2, 4), shape="own-fives", own_shape=own)
    check_ask(ask)
    assert ask.in_force is own
    with pytest.raises(ValueError, match="there is no shape “own-fives”"):
        check_ask(PlanAsk(START, 8, (0, 2, 4), shape="own-fives"))
    plan_ask = ask_of(own, 0)
    assert plan_ask.in_force is own


def test_a_story_by_an_own_shape_lifts_what_it_asks_for():
    own = with_main("build", "5 x 5 @ 6.5", "5 x 5 @ 7")
    told, usual = tell(own, 1), tell(shape_of("steady"), 1)
    assert told != usual
    assert told.missed < 0.05
    assert told.too_near == 0
