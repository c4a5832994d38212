"""The answers to the made-up lifters' requests, short enough to be kept and read as a difference.

python -m tests.golden.answers        writes tests/golden/answers anew
"""

import json
import sys
from itertools import groupby
from pathlib import Path
from typing import Any

from pydantic import TypeAdapter

from pavrik.cli.computations import COMPUTATIONS
from pavrik.core.assumptions import collected
from tests.golden.requests import COUNT, made_up

FOLDER = Path(__file__).parent / "answers"
DIGITS = 6
"""More than a coach reads, fewer than the last bits that differ from machine to machine."""
MOST_NUMBERS, MOST_ITEMS = 6, 4
WHOLE = {"days", "before_kg"}
"""Lists of items with such a field are kept whole: weeks and prices."""
PRICE = ("fault_id", "words", "after_kg", "limiter_after", "knee_inward_nm", "most_moved")


def _line(line: dict[str, Any]) -> str:
    """One line of a plan in one line of text."""
    load = "by feel" if line["load_kg"] is None else f"{line['load_kg']:.1f} kg"
    cap = "" if line["cap_kg"] is None else f" cap {line['cap_kg']:.1f}"
    why = " / ".join(because["text"] for because in line["reasons"])
    work = f"{line['sets']} x {line['reps']} @ {line['rpe']}"
    return f"{line['line_id']} {line['variation']} {line['kind']}: {work}, {load}{cap}: {why}"


def short(value: Any) -> Any:
    """Floats rounded, long columns of numbers as count, sum and a few, long lists cut."""
    if isinstance(value, float):
        return float(f"{value:.{DIGITS}g}") + 0.0
    if isinstance(value, dict) and "line_id" in value:
        return _line(value)
    if isinstance(value, dict) and "before_kg" in value:
        return {key: short(value[key]) for key in PRICE}
    if isinstance(value, dict):
        return {key: short(item) for key, item in value.items() if key != "model_version"}
    if not isinstance(value, list):
        return value
    if len(value) > MOST_NUMBERS and all(isinstance(item, str) for item in value):
        return [f"{sum(1 for _ in same)} x {word}" for word, same in groupby(value)]
    if len(value) > MOST_NUMBERS and all(isinstance(item, int | float) for item in value):
        middle = value[len(value) // 2]
        return ["sum", short(float(sum(value))), short(value[0]), short(middle), short(value[-1])]
    if (
        len(value) > MOST_ITEMS
        and isinstance(value[0], dict | list)
        and not WHOLE & set(map(str, value[0]))
    ):
        return [*map(short, value[:MOST_ITEMS]), f"{len(value)} in all"]
    return [short(item) for item in value]


def answer(name: str, request: dict[str, Any]) -> Any:
    """What the command line answers, or its refusal."""
    request_type, compute = COMPUTATIONS[name.split()[-1]]
    try:
        made = compute(TypeAdapter(request_type).validate_python(request))
    except ValueError as error:
        return {"refused": str(error)}
    return short(made.model_dump(mode="json"))


def path_of(number: int) -> Path:
    return FOLDER / f"{number:02d}.json"


def as_text(number: int) -> str:
    """The kept form of one lifter's answers."""
    answers = {name: answer(name, request) for name, request in made_up(number).items()}
    return json.dumps(answers, indent=1, sort_keys=True, ensure_ascii=False) + "\n"


ASSUMED = FOLDER / "assumptions.json"


def assumed_as_text() -> str:
    """Every assumption's value and unit by its name: one that is changed shows its difference."""
    values = {one.name: f"{one.value:g} {one.unit}" for one in collected()}
    return json.dumps(values, indent=1, sort_keys=True, ensure_ascii=False) + "\n"


if __name__ == "__main__":
    FOLDER.mkdir(exist_ok=True)
    ASSUMED.write_text(assumed_as_text(), encoding="utf-8")
    for one in map(int, sys.argv[1:]) if len(sys.argv) > 1 else range(COUNT):
        path_of(one).write_text(as_text(one), encoding="utf-8")
