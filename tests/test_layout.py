"""The layers hold, no committed file names a registry or leaves the page a way outside."""

import ast
import json
import re
import subprocess
from pathlib import Path

from pavrik.formats.wire.library import LibraryFile

ROOT = Path(__file__).parents[1]
TEXT = {".py", ".ts", ".vue", ".json", ".toml", ".lock", ".sql", ".md", ".html", ".css", ".js", ""}


def _in_the_repository() -> list[Path]:
    listed = subprocess.run(
        ["git", "ls-files"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    return [ROOT / name for name in listed.stdout.splitlines()]


def _committed() -> list[Path]:
    return [path for path in _in_the_repository() if path.suffix in TEXT]


def test_no_package_or_archive_is_committed():
    packed = {".whl", ".gz", ".zip", ".tar", ".xz", ".tgz", ".so", ".pyc"}
    assert [path.name for path in _in_the_repository() if path.suffix in packed] == []


def test_no_file_names_a_registry():
    hosts = re.compile(r"registry\.npm|pypi\.org|pythonhosted|deb\.debian")
    named = [f for f in _committed() if f.name != "test_layout.py" and hosts.search(f.read_text())]
    assert named == []


def test_the_built_page_asks_nobody_else():
    built = ROOT / "web" / "dist"
    outside = re.compile(
        r"""(?:src|href)=["']https?://|url\(["']?https?://|import\(["']https?://"""
    )
    pages = [*built.rglob("*.html"), *built.rglob("*.js"), *built.rglob("*.css")]
    assert pages, "the page is not built: ./test builds it first"
    assert [p for p in pages if outside.search(p.read_text(encoding="utf-8"))] == []


def test_python_files_stay_short():
    long = [f for f in _committed() if f.suffix == ".py" and f.read_text().count("\n") > 420]
    assert [f.name for f in long] == []


def test_the_published_schema_of_the_library_file_is_the_one_that_is_read():
    said = json.loads((ROOT / "docs" / "library.schema.json").read_text("utf-8"))
    said.pop("$schema")
    assert said == json.loads(json.dumps(LibraryFile.model_json_schema(by_alias=True)))


def test_the_lifts_are_spelt_out_in_few_places_outside_their_own_folders():
    spelt = re.compile(r"[\"'](squat|deadlift)[\"']")
    own = {ROOT / "pavrik" / "core" / lift for lift in ("squat", "deadlift")}
    lines = [
        f"{path.relative_to(ROOT)}: {line.strip()}"
        for path in (ROOT / "pavrik").rglob("*.py")
        if not own & set(path.parents) and ROOT / "pavrik" / "demo" not in path.parents
        for line in path.read_text("utf-8").splitlines()
        if spelt.search(line)
    ]
    assert len(lines) <= 25, lines


def test_no_function_of_the_core_takes_more_than_seven_arguments():
    for path in (ROOT / "pavrik" / "core").rglob("*.py"):
        for node in ast.walk(ast.parse(path.read_text("utf-8"))):
            if isinstance(node, ast.FunctionDef):
                given = [*node.args.posonlyargs, *node.args.args, *node.args.kwonlyargs]
                asked = [one.arg for one in given if one.arg not in ("self", "cls")]
                assert len(asked) <= 7, f"{path.name}: {node.name}"
