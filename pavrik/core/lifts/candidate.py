"""A set-up with what it promises this body, or with the reasons why this body cannot take it."""

from collections.abc import Hashable
from dataclasses import dataclass
from typing import Generic, Protocol, TypeVar


class Setup(Hashable, Protocol):
    """One way to do a lift, fully specified: a frozen dataclass, lengths in m, angles in rad."""

    @property
    def style(self) -> str:
        """The style that it is of."""

    @property
    def stance_m(self) -> float:
        """Ankle to ankle."""

    @property
    def toe_out(self) -> float:
        """In rad."""


S = TypeVar("S", bound=Setup)
"""The type of a lift's set-ups."""


@dataclass(frozen=True)
class Candidate(Generic[S]):
    """A set-up with the best feasible shank and what it promises. Angles in rad at the deepest
    point; ``centre_x_m`` is the mass centre in front of mid-foot under what the muscles hold,
    ``utilization`` the use of each capacity at the predicted max, ``worst_progress`` where along
    the way it breaks. ``oversteps`` says which limits it oversteps a little, ``left`` the share of
    what is held that this leaves."""

    setup: S
    shank: float
    lean: float
    hip_flexion: float
    abduction: float
    hip_over_knee_m: float
    centre_x_m: float
    predicted_max_kg: float
    worst_progress: float
    limiter: str
    utilization: dict[str, float]
    left: float = 1.0
    oversteps: tuple[str, ...] = ()


@dataclass(frozen=True)
class Rejected(Generic[S]):
    """A set-up that this body cannot take, and why, the most binding reason first."""

    setup: S
    reasons: list[str]
