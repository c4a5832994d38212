"""The layers hold, no committed file names a registry or leaves the page a way outside."""

import json
import re
import subprocess
from pathlib import Path

from pavrik.api.schemas_library import LibraryFile

ROOT = Path(__file__).parents[1]
TEXT = {".py", ".ts", ".vue", ".json", ".toml", ".lock", ".sql", ".md", ".html", ".css", ".js", ""}


def _committed() -> list[Path]:
    listed = subprocess.run(
        ["git", "ls-files"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    return [ROOT / name for name in listed.stdout.splitlines() if Path(name).suffix in TEXT]


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
