"""What is known of the max, written out by hand, against the same in NumPy's matrices."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from pavrik.core.log.known import Known, Look

SDS = (0.25, 0.0005, 0.005, 0.017)
SHARES = [(-0.2, 0.05), (-0.1, 0.02), (0.0, 0.05)]

looks = st.tuples(
    st.floats(0, 9), st.floats(0, 1), st.sampled_from([None, 0, 1, 2]), st.floats(-0.3, 0.3),
    st.floats(1, 60), st.floats(0.1, 1),
)  # fmt: skip


class Matrices:
    """The textbook's filter."""

    def __init__(self, level: float, growth: float) -> None:
        self.mean = np.array([level, growth, 0.0, 0.0, *(mean for mean, _ in SHARES)])
        self.cov = np.diag([*SDS, *(sd for _, sd in SHARES)]) ** 2
        self.first = np.diag(self.cov)[4:].copy()

    def passes(self, days: float, lost: float, strayed: float) -> None:
        step = np.eye(7)
        step[0, 1] = days
        self.mean = step @ self.mean
        self.mean[0] -= lost
        self.cov = step @ self.cov @ step.T
        self.cov[0, 0] += strayed

    def strays(self, variance: float) -> None:
        now = np.diag(self.cov)[4:]
        self.cov[range(4, 7), range(4, 7)] = np.maximum(now, np.minimum(now + variance, self.first))

    def hears(self, look: Look, off: float, noise: float, told: float) -> tuple[float, float]:
        seen = np.array([1.0, 0.0, look.beyond, look.rated, 0.0, 0.0, 0.0])
        if look.share is not None:
            seen[4 + look.share] = 1.0
        along = self.cov @ seen
        expected, variance = seen @ self.mean, seen @ along + noise
        self.mean = self.mean + along / variance * off
        self.cov = self.cov - told * np.outer(along, along) / variance
        return expected, variance


@settings(max_examples=60)
@given(st.lists(looks, min_size=1, max_size=25))
def test_it_is_the_filter_of_the_textbook(heard):
    known, book = Known(5.0, 0.0005, SDS, SHARES), Matrices(5.0, 0.0005)
    for beyond, rated, share, off, days, told in heard:
        for one in (known, book):
            one.passes(days, 0.001, 4e-6 * days)
        known.shares_stray(1.6e-5 * days)
        book.strays(1.6e-5 * days)
        look = Look(beyond, rated, share)
        mean, seen, along = known.expects(look)
        expected, variance = book.hears(look, off, 3e-4, told)
        assert (mean, seen + 3e-4) == pytest.approx((expected, variance), rel=1e-9)
        known.learns(along, seen + 3e-4, off, told)
        means = [known.level, known.growth, known.curve, known.rating, *known.shares]
        assert means == pytest.approx(list(book.mean), abs=1e-11)
        assert known.variance == pytest.approx(book.cov[0, 0], abs=1e-14)
        assert np.array(known.rows) == pytest.approx(book.cov[4:], abs=1e-14)
