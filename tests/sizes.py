"""How much the long proofs try: a part in every run, the whole with ``PAVRIK_PROOFS=whole``."""

import os

WHOLE = os.environ.get("PAVRIK_PROOFS") == "whole"


def tried(whole: int, usual: int) -> int:
    """How many are tried in this run."""
    return whole if WHOLE else usual
