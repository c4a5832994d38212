"""The server's words live in one place: none stands in the code, none is left over, each is named
with what it is given."""

import ast
import re
import string
from collections import Counter
from collections.abc import Iterator
from datetime import date
from functools import cache
from pathlib import Path

import pytest

from pavrik.words import LANGUAGE, say, texts

PAVRIK = Path(__file__).parents[1] / "pavrik"
FILES = sorted(PAVRIK.rglob("*.py"))
TEXTS = texts(LANGUAGE)


@cache
def _tree(file: Path) -> ast.Module:
    return ast.parse(file.read_text("utf-8"))


def _calls() -> Iterator[tuple[str, str, ast.Call]]:
    """Every call of the code: where it stands, of what, and itself."""
    for file in FILES:
        for node in ast.walk(_tree(file)):
            if isinstance(node, ast.Call):
                of = getattr(node.func, "attr", getattr(node.func, "id", ""))
                yield f"{file.relative_to(PAVRIK)}:{node.lineno}", of, node


def _is_text(value: ast.expr) -> bool:
    return "say(" in ast.unparse(value)


def _called(file: Path) -> Iterator[tuple[str, set[str]]]:
    """Every text that a file says, with the names that it gives."""
    for node in ast.walk(_tree(file)):
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id == "say":
            text = node.args[0]
            assert isinstance(text, ast.Constant), f"{file}:{node.lineno}: a text is named plainly"
            yield text.value, {keyword.arg or "" for keyword in node.keywords}


@cache
def _said() -> list[tuple[Path, str, set[str]]]:
    return [(file, *one) for file in FILES for one in _called(file)]


def _asked(text: str) -> set[str]:
    return {name for _, name, _, _ in string.Formatter().parse(text) if name}


def test_every_text_that_is_said_is_known_and_gets_its_names():
    wrong = [
        f"{file.relative_to(PAVRIK)}: {name}"
        for file, name, given in _said()
        if name not in TEXTS or _asked(TEXTS[name]) != given
    ]
    assert wrong == []


def test_no_text_is_left_over():
    assert set(TEXTS) - {name for _, name, _ in _said()} == set()


def test_a_text_is_said_with_what_it_names():
    assert say("fitting.chance_best_sure", chance_best=0.8) == "80% sure"
    with pytest.raises(KeyError):
        say("fitting.nobody_wrote_this")


_SENTENCE = re.compile(r"(?:[a-z]{2,},? ){4}[a-z]{2,}")
_NOT_READ = {
    "assume", "assume_each", "Field", "execute", "Counter", "Histogram", "warning", "error",
    "write_once", "compute_and_write",
}  # fmt: skip
"""Meanings of assumptions, descriptions of the interface for programs, SQL, the server's log, names
of what was done."""
_ELSEWHERE = (
    "cli", "demo", "store/cluster.py", "store/dumps.py", "store/migrate.py", "film/camera",
    "core/calibration", "core/assumptions.py", "core/__init__.py", "api/settings.py",
)  # fmt: skip
"""For who runs the server, who makes the model, and the invented club."""


def _sentences(node: ast.AST) -> Iterator[str]:
    """Text of five words and more that is neither a docstring nor said of the model."""
    for child in ast.iter_child_nodes(node):
        if isinstance(child, ast.Expr) and isinstance(child.value, ast.Constant):
            continue
        if isinstance(child, ast.Call):
            name = getattr(child.func, "attr", getattr(child.func, "id", ""))
            if name in _NOT_READ:
                continue
        if isinstance(child, ast.Constant) and isinstance(child.value, str):
            if _SENTENCE.search(child.value):
                yield child.value
        else:
            yield from _sentences(child)


_NAMES = {"grip from the first set", "slack, hips to the bar"}
"""Names that are kept in the database."""


def test_no_sentence_stands_where_something_is_decided():
    found = [
        f"{file.relative_to(PAVRIK)}: {sentence}"
        for file in FILES
        if not str(file.relative_to(PAVRIK)).startswith(_ELSEWHERE)
        for sentence in _sentences(_tree(file))
        if sentence not in _NAMES
    ]
    assert found == []


_KEPT = {"write_once": 3, "compute_and_write": 3, "ask": 2, "uuid5": 1, "Stage": 0}
"""Which argument of these is a name that is kept: of an act, of a job, of a stage of a drill."""


def test_a_name_that_is_kept_is_no_text():
    """In another language the same act would have another name, and be done twice."""
    translated = [
        where
        for where, of, call in _calls()
        if of in _KEPT and len(call.args) > _KEPT[of] and _is_text(call.args[_KEPT[of]])
    ]
    assert translated == []


@pytest.mark.parametrize("on", [date(2026, 10, 5), "2026-10-05"])
def test_days_are_said_as_people_write_them(on):
    told = say("plans.outside_plan_runs", on=on, first=on, last=on)
    assert told == "5 Oct 2026 is outside the plan, which runs 5 Oct 2026 to 5 Oct 2026"
    assert say("prescription.blocked_work_move", on=on).startswith("Mon 5 Oct is blocked")


_KEPT_NAMED = {
    "LiftWork": {
        "sparer", "by_feel", "rotation", "everyday", "turn", "from_floor", "instead",
    },
    "Shelf": {"family"}, "_straight": {"family"},
}  # fmt: skip
"""Where variations stand by their names, and styles by their kin."""


def test_a_variation_goes_by_its_name():
    translated = [
        where
        for where, of, call in _calls()
        for keyword in call.keywords
        if keyword.arg in _KEPT_NAMED.get(of, ()) and _is_text(keyword.value)
    ]
    assert translated == []


def test_the_same_sentence_stands_once():
    """It would be translated twice, and apart; a word or two may mean another thing elsewhere."""
    sentences = Counter(text for text in TEXTS.values() if len(text.split()) > 2)
    assert [text for text, times in sentences.items() if times > 1] == []
