"""The long proofs at their whole length, and a record of what they held on.

Every run of the tests tries a part of each (``tests.sizes``). ``pavrik bench --proofs`` tries the
whole of those whose ground has changed since, and keeps beside each the digest of its ground:
every source and data file that it stands on and every locked package. ``tests/test_proofs.py``
fails where a proof stands on something else than what it was last whole on.
"""

import hashlib
import json
import os
import subprocess
import sys
from collections.abc import Iterable
from pathlib import Path

import grimp

ROOT = Path(__file__).parents[1]
RECORD = Path(__file__).with_suffix(".json")
LOCK = ROOT / "requirements-dev.lock"
SIZES = "tests.sizes"
DATA = {".json", ".webm", ".ttf"}


def _source(module: str) -> Path:
    """The file of a module or of a package itself."""
    path = ROOT.joinpath(*module.split("."))
    alone = path.with_suffix(".py")
    return alone if alone.exists() else path / "__init__.py"


def _data_beside(sources: Iterable[Path]) -> set[Path]:
    """Data files in the folders of sources, and in those below that hold no sources."""
    found: set[Path] = set()
    for folder in {source.parent for source in sources}:
        below = [one for one in folder.iterdir() if one.is_dir() and not any(one.glob("*.py"))]
        for place in (folder, *below):
            found |= {file for file in place.iterdir() if file.suffix in DATA}
    return found - {RECORD}


def ground_of(modules: Iterable[str]) -> str:
    """Digest of the sources of modules, the data beside them and the locked packages."""
    sources = {_source(module) for module in modules}
    digest = hashlib.sha256()
    for file in sorted({LOCK, *sources, *_data_beside(sources)}):
        digest.update(f"{file.relative_to(ROOT)}\n".encode())
        digest.update(file.read_bytes())
    return digest.hexdigest()[:16]


def grounds() -> dict[str, str]:
    """The digest of its ground of every proof that tells how much it tries, by its file."""
    graph = grimp.build_graph("pavrik", "tests", cache_dir=None)
    return {
        str(_source(proof).relative_to(ROOT)): ground_of(
            {proof, *graph.find_upstream_modules(proof)}
        )
        for proof in sorted(graph.find_modules_that_directly_import(SIZES))
    }


def recorded() -> dict[str, str]:
    """The ground that every proof was last whole on."""
    return dict(json.loads(RECORD.read_text(encoding="utf-8"))) if RECORD.exists() else {}


def not_whole(now: dict[str, str]) -> list[str]:
    """Proofs that stand on something else than what they were last whole on."""
    kept = recorded()
    return [proof for proof, ground in now.items() if kept.get(proof) != ground]


def main() -> int:
    """Try the whole of every proof whose ground has changed, and keep what held; the exit code."""
    now = grounds()
    asked = not_whole(now)
    if asked:
        run = [sys.executable, "-m", "pytest", "-n", "2", "--dist", "loadfile", *asked]
        whole = os.environ | {"PAVRIK_PROOFS": "whole"}
        failed = subprocess.run(run, cwd=ROOT, env=whole, check=False).returncode
        if failed:
            return failed
    RECORD.write_text(json.dumps(now, indent=1) + "\n", encoding="utf-8")
    print(f"{len(asked)} of {len(now)} proofs were tried whole and hold; the others stand.")
    return 0


if __name__ == "__main__":
    sys.exit(main())
