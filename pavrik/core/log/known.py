"""What is known of a lifter's max, as one normal distribution.

Four states are always there: level (log kg), growth (per day), how his reps fall with load (per
rep) and how he rates; log shares of variations stand behind them. The four are written out one by
one, the shares as rows: a career is twenty thousand sets, and a small matrix costs more to call
than to add up.
"""

from collections.abc import Sequence
from typing import NamedTuple


class Look(NamedTuple):
    """What an observation sees: the level, so many reps of the curve, a share of the rating bias
    and, of a variation, its share by number."""

    beyond: float
    rated: float = 0.0
    share: int | None = None


class Along(NamedTuple):
    """How an observation goes with the state: its covariance with the four and with the shares."""

    level: float
    growth: float
    curve: float
    rating: float
    shares: list[float]


class Known:
    """Mean and covariance. ``sds``: spreads of the four states; ``shares``: mean and spread of the
    log share of each variation."""

    __slots__ = (
        "_cc", "_cr", "_first", "_gc", "_gg", "_gr", "_lc", "_lg", "_lr", "_rr", "curve", "growth",
        "level", "rating", "rows", "shares", "variance",
    )  # fmt: skip

    def __init__(
        self,
        level: float,
        growth: float,
        sds: tuple[float, float, float, float],
        shares: Sequence[tuple[float, float]],
    ) -> None:
        self.level, self.growth, self.curve, self.rating = level, growth, 0.0, 0.0
        self.variance, self._gg, self._cc, self._rr = (sd**2 for sd in sds)
        """``variance`` is that of the level."""
        self._lg = self._lc = self._lr = self._gc = self._gr = self._cr = 0.0
        self.shares = [mean for mean, _ in shares]
        self._first = [sd**2 for _, sd in shares]
        places = range(4 + len(shares))
        self.rows = [
            [v if at == 4 + i else 0.0 for at in places] for i, v in enumerate(self._first)
        ]
        """Of each share: its covariance with the four states and with every share."""

    def passes(self, days: float, lost: float, strayed: float) -> None:
        """The level grows so many days, loses ``lost`` and strays by the variance ``strayed``."""
        self.level += days * self.growth - lost
        self.variance += days * (2 * self._lg + days * self._gg) + strayed
        self._lg += days * self._gg
        self._lc += days * self._gc
        self._lr += days * self._gr
        for row in self.rows:
            row[0] += days * row[1]

    def shares_stray(self, variance: float) -> None:
        """Shares stray, up to what was known of them at first."""
        for i, (row, most) in enumerate(zip(self.rows, self._first, strict=True), 4):
            row[i] = max(row[i], min(row[i] + variance, most))

    def expects(self, look: Look) -> tuple[float, float, Along]:
        """Mean and variance of an observation, and how it goes with the state."""
        reps, rated, share = look
        level = self.variance + reps * self._lc + rated * self._lr
        growth = self._lg + reps * self._gc + rated * self._gr
        curve = self._lc + reps * self._cc + rated * self._cr
        rating = self._lr + reps * self._cr + rated * self._rr
        mean = self.level + reps * self.curve + rated * self.rating
        shares = [row[0] + reps * row[2] + rated * row[3] for row in self.rows]
        if share is not None:
            row = self.rows[share]
            level, growth, curve, rating = (
                level + row[0], growth + row[1], curve + row[2], rating + row[3],
            )  # fmt: skip
            shares = [one + other for one, other in zip(shares, row[4:], strict=True)]
            mean += self.shares[share]
        seen = level + reps * curve + rated * rating + (0.0 if share is None else shares[share])
        return mean, seen, Along(level, growth, curve, rating, shares)

    def learns(self, along: Along, variance: float, moved: float, told: float) -> None:
        """``moved`` is how far the observation's mean went, ``told`` the share of its ``variance``
        that is gone."""
        level, growth, curve, rating, shares = along
        by, less = moved / variance, told / variance
        self.level += level * by
        self.growth += growth * by
        self.curve += curve * by
        self.rating += rating * by
        of_level, of_growth = less * level, less * growth
        self.variance -= of_level * level
        self._lg -= of_level * growth
        self._lc -= of_level * curve
        self._lr -= of_level * rating
        self._gg -= of_growth * growth
        self._gc -= of_growth * curve
        self._gr -= of_growth * rating
        self._cc -= less * curve * curve
        self._cr -= less * curve * rating
        self._rr -= less * rating * rating
        if not shares:
            return
        all_of_it = (level, growth, curve, rating, *shares)
        for i, (row, own) in enumerate(zip(self.rows, shares, strict=True)):
            self.shares[i] += own * by
            taken = own * less
            row[:] = [one - taken * other for one, other in zip(row, all_of_it, strict=True)]
