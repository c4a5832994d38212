"""The model's answers to forty made-up lifters are what they were; a mend shows its difference.

``python -m tests.golden.answers`` renews them; read the difference before it is kept.
"""

import difflib

import pytest

from tests.golden.answers import ASSUMED, as_text, assumed_as_text, path_of
from tests.golden.requests import COUNT
from tests.sizes import tried

IN_EVERY_RUN = (2, 5, 7, 9, 14, 19, 20, 30)
"""Both sexes, every bar, stiff ones, sore ones, with and without a meet, bests or a log."""
NUMBERS = sorted(range(COUNT), key=lambda number: (number not in IN_EVERY_RUN, number))


@pytest.mark.parametrize("number", NUMBERS[: tried(COUNT, len(IN_EVERY_RUN))])
def test_the_answers_are_what_they_were(number):
    kept, now = path_of(number).read_text(encoding="utf-8"), as_text(number)
    if now != kept:
        lines = difflib.unified_diff(kept.splitlines(), now.splitlines(), "kept", "now", n=2)
        pytest.fail("\n".join([*lines][:60]))


def test_what_is_assumed_is_what_it_was():
    assert assumed_as_text() == ASSUMED.read_text(encoding="utf-8")
