"""What stands on the printed review, as a coach reads it."""

import pytest

from pavrik.formats.review_pdf import _side_words


@pytest.mark.parametrize(
    ("bar_x_m", "told"),
    [(0.031, "bar 3 cm ahead of mid-foot"), (-0.02, "bar 2 cm behind mid-foot"),
     (0.004, "bar over mid-foot"), (-0.004, "bar over mid-foot")],
)  # fmt: skip
def test_where_the_bar_is_says_from_what(bar_x_m, told):
    assert _side_words(45.2, bar_x_m, 0.52) == f"leans 45°, {told}, hip 52 cm high"
