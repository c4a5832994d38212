"""The long proofs were whole on what is here, and what they stand on is told by its digest."""

import json
from subprocess import CompletedProcess

import pytest

from pavrik.cli import bench_proofs
from pavrik.cli.main import main
from tests import proofs


def test_every_long_proof_was_whole_on_what_it_stands_on():
    changed = proofs.not_whole(proofs.grounds())
    assert changed == [], (
        "`pavrik bench --proofs` tries them whole and keeps what held: commit that"
    )


@pytest.fixture
def tree(tmp_path, monkeypatch):
    """A package with a module, data beside and below it, and another package within."""
    inner = tmp_path / "house" / "room"
    for folder in (inner, tmp_path / "house" / "answers"):
        folder.mkdir(parents=True)
    for name in ("house/__init__.py", "house/rule.py", "house/answers.py", "house/words.json",
                 "house/answers/one.json", "house/room/__init__.py", "house/room/own.json",
                 "house/notes.md", "requirements-dev.lock"):  # fmt: skip
        (tmp_path / name).write_text(name)
    monkeypatch.setattr(proofs, "ROOT", tmp_path)
    monkeypatch.setattr(proofs, "LOCK", tmp_path / "requirements-dev.lock")
    monkeypatch.setattr(proofs, "RECORD", tmp_path / "house" / "record.json")
    return tmp_path


STANDS_ON = ("house", "house.rule", "house.answers")


@pytest.mark.parametrize(
    ("changed", "counts"),
    [
        ("house/rule.py", True),
        ("house/answers.py", True),
        ("house/words.json", True),
        ("house/answers/one.json", True),
        ("requirements-dev.lock", True),
        ("house/record.json", False),
        ("house/notes.md", False),
        ("house/room/own.json", False),
    ],
)
def test_what_a_proof_stands_on_and_nothing_else_changes_its_ground(tree, changed, counts):
    before = proofs.ground_of(STANDS_ON)
    (tree / changed).write_text("something else")
    assert (proofs.ground_of(STANDS_ON) != before) == counts


@pytest.mark.parametrize(("code", "kept"), [(0, {"a": "1", "b": "2"}), (1, {"a": "0", "b": "2"})])
def test_only_what_changed_is_tried_and_only_what_held_is_kept(tree, monkeypatch, code, kept):
    proofs.RECORD.write_text(json.dumps({"a": "0", "b": "2"}))
    monkeypatch.setattr(proofs, "grounds", lambda: {"a": "1", "b": "2"})
    asked = []

    def run(words, **more):
        asked.append((words[-1], more["env"]["PAVRIK_PROOFS"]))
        return CompletedProcess(words, code)

    monkeypatch.setattr(proofs.subprocess, "run", run)
    assert proofs.main() == code
    assert asked == [("a", "whole")]
    assert proofs.recorded() == kept


def test_without_what_the_tests_need_the_command_says_how_to_get_it(monkeypatch, capsys):
    monkeypatch.setattr(bench_proofs, "find_spec", lambda _: None)
    assert main(["bench", "--proofs"]) == 2
    assert "run ./test once" in capsys.readouterr().err


@pytest.mark.parametrize(
    ("proof", "code", "said"),
    [
        (None, 2, "run this in a clone of the repository"),
        ("raise SystemExit(1)", 2, "a proof does not hold"),
        ("", 0, ""),
    ],
)
def test_the_command_says_where_the_proofs_are_and_what_failed(
    tmp_path, monkeypatch, capsys, proof, code, said
):
    monkeypatch.setattr(bench_proofs, "SOURCES", tmp_path)
    if proof is not None:
        (tmp_path / "tests").mkdir()
        (tmp_path / "tests" / "__init__.py").touch()
        (tmp_path / "tests" / "proofs.py").write_text(proof)
    assert main(["bench", "--proofs"]) == code
    assert said in capsys.readouterr().err
