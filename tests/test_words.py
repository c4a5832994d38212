"""No engine talk stands where a coach reads: the words of the gym and of the textbook do.

What the handbook's table names is looked for in every text of the page and of the answers; the
operator's commands may say it.
"""

import ast
import json
import re
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
ENGINE = re.compile(
    r"newer fact|still lower back|bodies drawn|drawing bodies|drawing of bodies|legs together"
    r"|not feasible|posterior|\bkappa\b|\blambda\b|\bcandidates?\b"
    r"|limiter is|capacity is used up|\bsureness\b|hip closing|\bcloses \d|utili[sz]ation",
    re.I,
)
OPERATOR = ("cli/", "core/calibration/", "demo/")


def _spoken(path: Path) -> list[str]:
    """Strings with a space in them that are no docstring, no description of a field, no regular
    assumption: what may reach a reader."""
    tree = ast.parse(path.read_text("utf-8"))
    silent = {
        id(node.value)
        for node in ast.walk(tree)
        if isinstance(node, ast.Expr) and isinstance(node.value, ast.Constant)
    }
    for node in ast.walk(tree):
        if isinstance(node, ast.Call) and getattr(node.func, "id", "") in ("assume", "Field"):
            silent |= {id(part) for part in ast.walk(node)}
    return [
        node.value
        for node in ast.walk(tree)
        if isinstance(node, ast.Constant)
        and isinstance(node.value, str)
        and id(node) not in silent
        and " " in node.value.strip()
    ]


def _answers() -> list[Path]:
    found = []
    for path in sorted((ROOT / "pavrik").rglob("*.py")):
        name = path.relative_to(ROOT / "pavrik").as_posix()
        if not name.startswith(OPERATOR):
            found.append(path)
    return found


def test_no_answer_talks_of_the_engine():
    said = [
        f"{path.relative_to(ROOT)}: {text}"
        for path in _answers()
        for text in _spoken(path)
        if ENGINE.search(text)
    ]
    assert said == []


@pytest.mark.parametrize("folder", ["pavrik/words/en", "web/src/words/en"])
def test_no_text_talks_of_the_engine(folder):
    texts = {
        f"{path.name}: {name}": re.sub(r"{[^}]*}", "", text)
        for path in sorted((ROOT / folder).glob("*.json"))
        for name, text in json.loads(path.read_text("utf-8")).items()
    }
    assert len(texts) > 1000
    assert {name: text for name, text in texts.items() if ENGINE.search(text)} == {}


_SCRIPT = re.compile(r"^\s*(//|\*|/\*)|<!--")


@pytest.mark.parametrize("kind", ["*.vue", "*.ts"])
def test_no_page_talks_of_the_engine(kind):
    said = [
        f"{path.relative_to(ROOT)}: {line.strip()}"
        for path in sorted((ROOT / "web" / "src").rglob(kind))
        if path.name != "api-types.ts"
        for line in path.read_text("utf-8").splitlines()
        if not _SCRIPT.search(line) and ENGINE.search(line)
    ]
    assert said == []


@pytest.mark.parametrize("catalogue", ["faults/catalogue.json", "variations/variations.json"])
def test_no_text_of_the_library_talks_of_the_engine(catalogue):
    text = (ROOT / "pavrik" / "core" / catalogue).read_text("utf-8")
    assert ENGINE.findall(text) == []
