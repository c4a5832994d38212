"""A lift as one value: what fits, prices, maps and words of every lift are made from.

The lifts that there are stand in ``core/competition_lifts``; each is put together in a folder of
its own.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any, Generic, Literal, Protocol

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import Candidate, S
from pavrik.core.lifts.case import Case, Effort
from pavrik.core.lifts.lever import Lever
from pavrik.core.lifts.limit import Limit
from pavrik.core.lifts.perturbation import OneSided, Perturbation
from pavrik.core.lifts.phases import Phase
from pavrik.core.lifts.posture import Posture
from pavrik.core.units import Floats, degrees, radians


@dataclass(frozen=True)
class Axis:
    """One number of a set-up that is chosen. Values are in ``unit``; the set-up's ``field`` holds m
    or rad.

    ``grid`` is what a fit searches where a style does not say otherwise, ``handles`` what an
    explorer reaches, ``rows`` what a map spans; ``low`` to ``high`` in ``step`` can be entered,
    ``reach`` is what a hand at the figure moves between.
    """

    id: str
    field: str
    unit: Literal["m", "deg"]
    words: str
    low: float
    high: float
    step: float
    reach: tuple[float, float]
    grid: tuple[float, ...] = ()
    handles: tuple[float, ...] = ()
    rows: tuple[float, ...] = ()

    def inside(self, value: float) -> float:
        """A value of the axis in the set-up's own unit, m or rad."""
        return float(radians(value)) if self.unit == "deg" else value

    def outside(self, setup: Any) -> float:
        """A set-up's value on this axis, in the axis's unit."""
        value = float(getattr(setup, self.field))
        return float(degrees(value)) if self.unit == "deg" else value

    def put(self, setup: Any, value: float) -> Any:
        """The set-up with another value on this axis."""
        return replace(setup, **{self.field: self.inside(value)})


@dataclass(frozen=True)
class Style:
    """One way to do a lift. ``grid`` by axis is what a fit searches in it, ``fixed`` what nothing
    moves; a style that is no ``rival`` stands beside the others and never leads them.

    ``ease`` (share) is how easily the bar is put down, ``arms`` (share) what shoulders, elbows and
    wrists are asked; ``schools`` are the bar schools that prefer it.
    """

    id: str
    name: str
    grid: Mapping[str, tuple[float, ...]] = field(default_factory=dict)
    fixed: Mapping[str, float] = field(default_factory=dict)
    rival: bool = True
    family: str = ""
    """Styles of one family are nearly the same set-up; empty where a style is its own."""
    tells_strength: bool = True
    """False where a best says nothing of strengths: nobody lifts a max in it, or the model does not
    place it well enough beside the other styles."""
    ease: float = 0.5
    arms: float = 0.5
    schools: frozenset[str] = frozenset()


Carried = Literal["back", "hands"]
"""Where the bar is: resting on the back, or hanging from the hands."""
Unknown = Callable[[Any], Any]
"""A case -> the case with what the model does not know put in."""


class Kinematics(Protocol[S]):
    """How set-ups become postures."""

    def free_shank(self, setup: S, /) -> bool:
        """Whether the shank is searched for: neither given nor fixed by the bar."""

    def as_found(self, setup: S, case: Any, shank: float, at: int, /) -> S:
        """The set-up as it stands in a case of one lifter that was searched, ``at`` its place
        there, with the shank (rad) that was found for it."""

    def without_shank(self, setup: S, /) -> S:
        """The set-up with its shank to be found anew, where nothing fixes it."""

    def case(self, lifter: Lifter, setups: Sequence[S], before: tuple[int, ...] = ()) -> Case:
        """Set-ups as columns, all with a free shank or none. ``before`` lists leading axes of
        length 1 that drawn lifters are laid out on."""

    def unknown(
        self, assumed: Assumptions, random: np.random.Generator, shape: tuple[int, ...]
    ) -> Unknown:
        """What the model itself does not know, drawn from its errors once for each lifter laid out
        in ``shape``: a function that puts it into a case."""


@dataclass(frozen=True)
class Sentences:
    """What verdicts and explanations say in the words of a lift: ``deepest`` names the deepest
    point, ``judged`` where the max is decided, ``left_out`` what no static linkage knows."""

    none_open: str
    only: str
    try_both: str
    nothing_decides: str
    deepest: str
    judged: str
    left_out: str


@dataclass(frozen=True)
class Way:
    """Postures along the way of one set-up, a step on the last axis, and their progress (0
    standing, 1 the deepest point)."""

    posture: Posture
    progress: Floats


@dataclass(frozen=True)
class SchoolOrder:
    """What a school says of the order: its ``rank`` of a leader (lifter, candidate), the lowest
    first and 0 where it has no say, and its ``words`` for a lifter, empty where it says nothing."""

    rank: Callable[[Lifter, Candidate[Any]], float]
    words: Callable[[Lifter], str] = lambda _: ""


@dataclass(frozen=True, eq=False)
class Lift(Generic[S]):
    """Everything that core, files and page know of a lift; there is one value of each.

    ``style_field`` of ``setup_type`` holds the id of one of ``styles``; ``searched`` are those that
    a fit ranks. ``thorough`` and ``quick`` are how the best shank is looked for; the predicted max
    is the least along ``judged`` (progress), and strengths are inferred along ``known_along``.
    """

    id: str
    name: str
    setup_type: type[S]
    style_field: str
    styles: Mapping[str, Style]
    searched: tuple[str, ...]
    axes: tuple[Axis, ...]
    phases: tuple[Phase, ...]
    kinematics: Kinematics[S]
    limits: tuple[Limit, ...]
    gates: Callable[[Lifter, S], list[str]]
    perturbations: Mapping[str, Perturbation]
    one_sided: Mapping[str, OneSided]
    levers: tuple[Lever, ...]
    lever_pairs: tuple[tuple[str, str], ...]
    thorough: Effort
    quick: Effort
    judged: Floats
    known_along: Floats
    maps: tuple[str, ...]
    """What the rows of a map may run along: the style field, axes, the shank where it is free."""
    schools: tuple[str, ...]
    """How the names of the schools begin that matter to the lift."""
    usual: Callable[[float], S]
    """The set-up taken for a lifter of a stature (m) while nobody has fitted one."""
    restyled: Callable[[S, str], S]
    """A set-up in another style, with what does not go with it changed."""
    way: Callable[[Any, Floats], Way]
    """The whole way of a case that holds one set-up, with its shank (rad, shape (1, 1, 1))."""
    neighbours: Callable[[S], list[S]]
    """A set-up's own feet a little moved: what a re-fit on another body may choose from."""
    preferred: Callable[[Sequence[Candidate[S]], float], Candidate[S]]
    short_name: Callable[[S], str]
    in_words: Callable[[S], str]
    sentences: Sentences
    slowest_m_s: float
    """Mean speed of a max: a rep that would be slower is not made."""
    carried: Carried = "hands"
    chosen_by: Callable[[Lifter], Mapping[str, tuple[float, ...]]] = lambda _: {}
    """Values of axes that the lifter's schools and gym decide, by axis."""
    school_order: SchoolOrder = field(default_factory=lambda: SchoolOrder(lambda *_: 0.0))
    """How a school that prefers a style orders the leaders."""

    @cached_property
    def _axes_by_id(self) -> Mapping[str, Axis]:
        return {axis.id: axis for axis in self.axes}

    def over_slowest_m_s(self, speed_m_s: float | None) -> float | None:
        """What a rep has over the slowest that is still made."""
        return None if speed_m_s is None else speed_m_s - self.slowest_m_s

    def axis(self, axis_id: str) -> Axis:
        """An axis by its id. Raises KeyError."""
        return self._axes_by_id[axis_id]

    def family_of(self, setup: S) -> str:
        """The family of a set-up's style."""
        return self.style_of(setup).family or setup.style

    def style_of(self, setup: S) -> Style:
        """The style of a set-up."""
        return self.styles[setup.style]
