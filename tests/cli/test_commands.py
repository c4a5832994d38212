"""The public command line: JSON in, JSON out, exit 2 and one line for bad input."""

import argparse
import io
import json
from functools import partial
from importlib import import_module
from inspect import signature
from pathlib import Path

import pytest

from pavrik.cli.computations import COMPUTATIONS
from pavrik.cli.main import BENCHES, COMPUTED, _later, _parser, main

BODY = {"sex": "male", "mass_kg": 83, "stature_m": 1.75}
SETUP = {
    "bar_position": "low", "stance_m": 0.42, "toe_out_deg": 20, "heel_lift_m": 0,
    "hip_above_knee_m": None, "balance": "system",
}  # fmt: skip
POSE = {"lift": "squat", "body": BODY, "setup": SETUP, "load_kg": 150, "shank_deg": 28}


@pytest.fixture
def run(monkeypatch, capsys):
    """Run a command on a JSON value from standard input; exit code, answer or the error line."""

    def run_one(command, value):
        text = value if isinstance(value, str) else json.dumps(value)
        monkeypatch.setattr("sys.stdin", io.StringIO(text))
        code = main([command, "-"])
        shown = capsys.readouterr()
        return code, json.loads(shown.out) if code == 0 else shown.err

    return run_one


def test_pose_has_everything_that_is_documented(run):
    code, answer = run("pose", POSE)
    assert code == 0
    assert set(answer["points"]) == {"ankle", "knee", "hip", "shoulder", "bar"}
    assert set(answer["angles"]) == {
        "shank_deg", "trunk_lean_deg", "back_deg", "hip_closing_deg", "knee_flexion_deg",
        "hip_abduction_deg", "dorsiflexion_deg",
    }  # fmt: skip
    assert set(answer["moments_nm"]) == {
        "ankle", "knee", "hip_sagittal", "hip_frontal", "hip", "lumbar", "midback", "shoulder",
    }  # fmt: skip
    assert set(answer["use"]) == {
        "hips", "legs", "quads", "knee_flexors", "lower_back", "upper_back", "lats",
    }  # fmt: skip
    assert answer["limiter"] == max(answer["use"], key=answer["use"].get)
    assert sum(mass["kg"] for mass in answer["masses"]) == pytest.approx(83 + 150)


def test_fit_answers_for_the_default_body_within_the_bands(run):
    grid = {"stance_m": [0.42], "toe_out_deg": [20], "heel_lift_m": [0]}
    request = {"lift": "squat", "body": BODY, "grid": grid}
    code, answer = run("fit", request | {"uncertainty": {"samples": 32, "seed": 1}})
    assert code == 0
    best = {name: found["predicted_max_kg"] for name, found in answer["best_of_style"].items()}
    assert 0.76 <= best["front"] / best["low"] <= 0.93
    assert 0.90 <= best["high"] / best["low"] <= 1.00
    assert answer["verdict"]["sentence"]
    assert answer["model_version"]
    for leader in answer["candidates"][:4]:
        assert leader["band_kg"][0] < leader["predicted_max_kg"] < leader["band_kg"][1]


def test_plates(run):
    plates = [{"kg": 25, "pairs": 2}, {"kg": 10, "pairs": 1}, {"kg": 1.25, "pairs": 1}]
    code, answer = run("plates", {"target_kg": 142.5, "bar_kg": 20, "plates": plates})
    assert (code, answer["per_side"]) == (0, [25, 25, 10, 1.25])
    assert answer["total_kg"] == pytest.approx(142.5)


PULL = {
    "lift": "deadlift", "body": BODY, "load_kg": 180,
    "setup": {
        "style": "conventional", "stance_m": 0.32, "toe_out_deg": 12, "grip_m": 0.52,
        "bar_offset_m": 0.02, "shoulder_offset_m": 0.04, "bar_height_m": 0.225,
    },
}  # fmt: skip


def test_every_computation_takes_pulls(run):
    code, pose = run("pose", PULL)
    assert code == 0
    assert set(pose["points"]) == {"ankle", "knee", "hip", "shoulder", "bar"}
    assert pose["points"]["bar"][2] == pytest.approx(0.225)
    code, way = run("path", PULL)
    assert code == 0
    assert way["phases"][-1] == "lockout"
    code, costs = run("cost", PULL)
    assert code == 0
    assert costs["costs"]
    fit = {"lift": "deadlift", "body": BODY, "grid": {"style": ["conventional", "sumo"]}}
    code, found = run("fit", fit)
    assert code == 0
    best = {name: c["predicted_max_kg"] for name, c in found["best_of_style"].items()}
    assert 0.95 <= best["sumo"] / best["conventional"] <= 1.10


def test_a_suit_lifts_more_and_says_what_of_it_is_assumed(run):
    grid = {"stance_m": [0.42], "toe_out_deg": [20], "heel_lift_m": [0]}
    request = {"lift": "squat", "body": BODY, "grid": grid}
    answers = {gear: run("fit", request | {"gear": gear})[1] for gear in ("raw", "suit")}
    raw, suit = (answers[gear]["best_of_style"]["low"] for gear in ("raw", "suit"))
    assert suit["predicted_max_kg"] > 1.05 * raw["predicted_max_kg"]
    assert any("a suit is counted" in line for line in answers["suit"]["advice"])
    assert answers["raw"]["advice"] == []


def test_squat_paths_and_costs(run):
    squat = {"lift": "squat", "body": BODY, "setup": SETUP, "load_kg": 120}
    code, path = run("path", squat)
    assert (code, len(path["progress"])) == (0, 25)
    code, cost = run("cost", squat | {"amounts": {"hips-rise": 0.03}})
    assert code == 0
    assert any(c["words"].startswith("hips 3 cm up") for c in cost["costs"])


@pytest.mark.parametrize(
    ("command", "value", "said"),
    [
        ("pose", "{", "not JSON"),
        ("pose", POSE | {"load_kg": -1}, "load_kg: -1 kg"),
        ("pose", POSE | {"colour": 1}, "colour: there is no field of this name"),
        ("pose", POSE | {"body": BODY | {"stature_m": 17.5}}, "stature 17.5 m is outside"),
        ("fit", {"lift": "squat", "body": BODY | {"mass_kg": 12}}, "grown lifters only"),
        ("fit", {"lift": "squat", "body": BODY, "schools": {"faith": "x"}}, "no school called"),
        ("plates", {"target_kg": 100, "plates": [{"kg": -5, "pairs": 1}]}, "plates.0.kg"),
    ],
)
def test_bad_input_is_one_line_and_exit_2(run, command, value, said):
    code, error = run(command, value)
    assert code == 2
    assert error.startswith("pavrik: ")
    assert said in error
    assert error.count("\n") == 1


def test_a_missing_file_is_one_line(capsys):
    assert main(["pose", "/nowhere/at/all.json"]) == 2
    assert capsys.readouterr().err.startswith("pavrik: cannot read /nowhere/at/all.json")


def test_an_impossible_stance_is_an_answer_with_reasons(run):
    code, answer = run("pose", POSE | {"setup": SETUP | {"stance_m": 1.5}})
    assert code == 0
    assert answer["feasible"] is False
    assert any("150 cm apart the thigh does not reach" in reason for reason in answer["reasons"])


def every_parser(parser):
    """A parser and all of its commands, by what is typed."""
    found = {"": parser}
    for action in parser._actions:
        if isinstance(action, argparse._SubParsersAction):
            for name, below in action.choices.items():
                found |= {f"{name} {more}".strip(): it for more, it in every_parser(below).items()}
    return found


def test_every_command_is_documented():
    text = (Path(__file__).parents[2] / "docs" / "operation.md").read_text()
    commands = {typed.split()[0] for typed in every_parser(_parser()) if typed}
    assert [name for name in commands if f"`pavrik {name}" not in text] == []


def test_every_command_finds_what_it_runs_and_can_tell_it_what_was_asked():
    laters = [_later(module, function) for module, function, _ in BENCHES.values()]
    for typed, parser in every_parser(_parser()).items():
        run = parser.get_default("run")
        if isinstance(run, partial):
            laters.append(run)
            known = {"command", *(action.dest for action in parser._actions)}
            assert set(run.args[2]) <= known, typed
    for later in laters:
        module, function, told = later.args
        found = getattr(import_module(f"pavrik.cli.{module}"), function)
        signature(found).bind(*told)
    assert set(COMPUTED) == set(COMPUTATIONS)


PLAN = {
    "start": "2026-11-30", "weeks": 6, "weekdays": [0, 2, 4], "body": BODY,
    "squat": {"sets": [
        {"day": "2026-11-20", "load_kg": 140, "reps": 5, "rpe": 8,
         "faults": [{"fault_id": "hips-rise", "phase": "out of the hole", "rep": r}
                    for r in (4, 5)]},
    ]},
    "gym": {"plates": [{"kg": kg, "pairs": 4} for kg in (25, 20, 10, 5, 2.5, 1.25)]},
}  # fmt: skip


def test_a_plan_has_a_reason_on_every_line_and_points_into_the_request(run):
    code, answer = run("plan", PLAN)
    assert code == 0
    lines = [x for w in answer["plan"]["weeks"] for d in w["days"] for x in d["lines"]]
    assert all(x["reasons"] for x in lines)
    squat = next(x for x in lines if x["lift"] == "squat" and x["kind"] == "main")
    assert squat["reasons"][0]["facts"] == ["squat.sets.0"]
    assert squat["load_kg"] == 20 + 2 * sum(squat["per_side"])
    pull = next(x for x in lines if x["lift"] == "deadlift" and x["kind"] == "main")
    assert pull["until_rpe"] == 6.5, "nothing is logged of it: a guided way up"
    later = [x for x in lines if x["lift"] == "deadlift" and x["kind"] == "main"]
    assert all(x["load_kg"] is None for x in later if x["until_rpe"] is None)
    assert answer["considered"]["squat"][0]["chosen"]


@pytest.mark.parametrize(
    ("change", "problem"),
    [
        ({"weeks": 2}, "weeks"),
        ({"weekdays": [0, 0]}, "1 to 6 different days"),
        ({"meet": "2027-06-01"}, "is not in the last of 6 weeks"),
        ({"gym": PLAN["gym"] | {"kit": ["trampoline"]}}, "nothing needs trampoline"),
        ({"deadlift": {"sets": [{"day": "2026-11-20", "load_kg": 140, "reps": 5,
                                 "faults": [{"fault_id": "hips-rise"}]}]}},
         "the deadlift has no fault called hips-rise"),
    ],
)  # fmt: skip
def test_a_plan_that_cannot_be_made_says_why_in_one_line(run, change, problem):
    code, error = run("plan", PLAN | change)
    assert code == 2
    assert problem in error
    assert error.count("\n") == 1


def test_a_tracked_film_says_what_fails_and_what_cannot_be_told(run):
    from dataclasses import asdict

    from pavrik.demo.made_up import made_up, shot
    from pavrik.film.camera.seen import seen_clip

    of = made_up("squat")
    taken = shot(of, {"hips-rise": 0.05})
    clip = seen_clip(taken, 1)

    def places(name):
        return [None if x != x else [round(x, 2), round(y, 2)] for x, y in getattr(clip, name)]

    request = {
        "lift": "squat", "body": BODY,
        "setup": SETUP | {"stance_m": 0.42, "toe_out_deg": 20}, "load_kg": 125,
        "large_plates": 2,
        "track": {
            "times_s": clip.times_s.tolist(), "width": clip.width, "height": clip.height,
            **{name: places(name) for name in ("bar", "knee", "hip", "heel")},
            "taps": asdict(clip.taps),
        },
    }  # fmt: skip
    code, answer = run("watch", request)
    assert code == 0
    assert len(answer["reps"]) == 2
    assert answer["verdict"]["fails"] == ["Hips rise first"]
    assert answer["cannot_tell"]
    request["track"]["knee"] = request["track"]["knee"][:-1]
    code, error = run("watch", request)
    assert (code, error.count("\n")) == (2, 1)
    assert "one for each" in error
