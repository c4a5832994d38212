"""How much the long proofs try: a part in every run, the whole with ``PAVRIK_PROOFS=whole``, as
``pavrik bench --proofs`` does; ``tests.proofs`` holds on which ground they were last whole."""

import os

import pytest

WHOLE = os.environ.get("PAVRIK_PROOFS") == "whole"
in_whole = pytest.mark.skipif(not WHOLE, reason="tried by pavrik bench --proofs, and on record")
"""A long proof whose part in every run is tried elsewhere."""


def tried(whole: int, usual: int) -> int:
    """How many are tried in this run."""
    return whole if WHOLE else usual
