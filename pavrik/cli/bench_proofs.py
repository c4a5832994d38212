"""``pavrik bench --proofs``: the long proofs at their whole length, where what they stand on has
changed since they were last whole. They live with the tests and keep their record there."""

import subprocess
import sys
from importlib.util import find_spec
from pathlib import Path

import pavrik
from pavrik.errors import PavrikError

SOURCES = Path(pavrik.__file__).parents[1]


def run_proofs_bench() -> None:
    """Try them, and keep what held. Raises PavrikError where one fails or there are none."""
    if not (SOURCES / "tests" / "proofs.py").exists():
        raise PavrikError(
            f"the proofs are in the folder tests of Pavrik's sources, and {SOURCES} has none: "
            "run this in a clone of the repository"
        )
    if find_spec("grimp") is None:
        raise PavrikError("the proofs need what the tests need: run ./test once, it installs that")
    if subprocess.run([sys.executable, "-m", "tests.proofs"], cwd=SOURCES, check=False).returncode:
        raise PavrikError("a proof does not hold: it stands above, and nothing was recorded")
